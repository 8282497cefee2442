import type { BuildDocument } from '../../document/document.ts';
import type { KnownBuild } from '../../document/known-build.ts';
import type { LawFacts } from '../facts.ts';
import type { PlaceVerdict } from '../judge.ts';
import type { ClauseVerdict } from '../judge-clause.ts';
import type { Phrase } from '../../quantity/phrase.ts';
import type { ThirtyMinutes } from '../../ride/thirty-minute.ts';
import type { State } from '../../check/state.ts';

/** A mistake that is often made about these laws, and whether this build makes it. */
export interface Trap {
  readonly code: string;
  readonly state: State;
  readonly title: string;
  readonly detail: Phrase;
}

/** What the traps look at. */
export interface Scene {
  readonly build: BuildDocument;
  readonly known: KnownBuild;
  readonly facts: LawFacts;
  readonly place: PlaceVerdict;
  readonly places: readonly PlaceVerdict[];
  readonly held: ThirtyMinutes;
  readonly inputW: number;
  readonly fullV: number;
}

/** Limits of a place on one number, in its own unit, of the classes that need no approval. */
export const limitsOn = (place: PlaceVerdict, fact: string): readonly ClauseVerdict[] =>
  place.tests
    .flatMap((t) => t.categories.filter((c) => c.category.approval === 'none').flatMap((c) => c.clauses))
    .filter((v) => v.clause.kind === 'number' && v.clause.fact === fact);
