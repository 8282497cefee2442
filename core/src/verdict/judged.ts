import type { BuildDocument } from '../build/document.ts';
import { knownBuild } from '../build/known.ts';
import { lawFacts, type ProfileFacts } from '../law/facts.ts';
import { judgeBook, judgePlace, unknownPlace, type PlaceVerdict } from '../law/judge.ts';
import type { RuleBook } from '../law/rule-schema.ts';
import { assembleKnown } from '../machine/machine.ts';
import type { Study } from './study.ts';

/** A study with what every place of a rule book says of it. */
export interface Judged extends Study {
  /** What the rules may ask, for each way the rider can have the machine; the build as set first. */
  readonly ways: readonly ProfileFacts[];
  readonly places: readonly PlaceVerdict[];
  /** Where the brief says it is ridden. */
  readonly here: PlaceVerdict;
}

/** What every place of a book says of a build, from its document alone. */
export function placesOf(build: BuildDocument, book: RuleBook): readonly PlaceVerdict[] {
  const known = knownBuild(build);
  const ways = lawFacts(build, known, assembleKnown(build, known));
  return judgeBook(book, ways);
}

/** Judges a build in every place: what they say does not depend on the one chosen. */
export function judged(s: Study, book: RuleBook): Judged {
  const ways = lawFacts(s.build, s.known, s.machine);
  const places = judgeBook(book, ways);
  const here = places.find((p) => p.place.id === s.build.brief.place);
  return { ...s, ways, places, here: here ?? judgePlace(unknownPlace(s.build.brief.place), ways, book) };
}
