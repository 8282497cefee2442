import type { Phrase } from '../../quantity/phrase.ts';
import type { FaultScene } from './scene.ts';
import type { SymptomId } from './symptom.ts';

/** Whatever turns the wheel. */
export const WHEEL_UP = 'Driven wheel off the ground, hands and sleeves away from the spokes.';

/** Something that is looked at, measured or tried, and answered with yes or no. */
export interface Look {
  readonly id: string;
  /** The question. */
  readonly ask: string;
  /** How it is answered, with the instrument. */
  readonly how: string;
  readonly minutes: number;
  readonly caution: string;
  /** What is expected of this build, with its numbers; undefined where there is nothing to add. */
  readonly expect?: (scene: FaultScene) => Phrase | undefined;
  /** Symptoms that it is a question of. */
  readonly of: readonly SymptomId[];
  /** Whether this build has what is looked at. */
  readonly on?: (scene: FaultScene) => boolean;
  /** How likely "yes" is where a cause is the one, by its id. Common practice, no source: judged, not measured. */
  readonly yes: Readonly<Record<string, number>>;
  /** The same for every other cause. */
  readonly else: number;
}

/** Nothing that somebody saw is surer than this: a wrong answer must not rule a cause out for ever. */
const SUREST = 0.97;

/** How likely an answer is where a cause is the one. */
export function likelihood(look: Look, causeId: string, says: 'yes' | 'no'): number {
  const yes = Math.min(SUREST, Math.max(1 - SUREST, look.yes[causeId] ?? look.else));
  return says === 'yes' ? yes : 1 - yes;
}
