import type { Phrase } from '../quantity/phrase.ts';
import type { State } from '../check/state.ts';
import type { StageId } from '../check/stage-ids.ts';

/** Something on the card that needs a look, with why and what to do. */
export interface Finding {
  readonly stage: StageId;
  readonly code: string;
  readonly state: State;
  readonly title: string;
  readonly detail: Phrase;
  /** Where it shows in the document; empty when it is not about one field. */
  readonly path: string;
}

/**
 * What the plan itself stops at: a bench that finds all as planned does not make it right. The class stands by itself, with what it
 * asks.
 */
export const planStops = (findings: readonly Finding[]): readonly Finding[] =>
  findings.filter(({ state, stage }) => state === 'stop' && stage !== 'law');
