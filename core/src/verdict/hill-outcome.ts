import { formatNumber } from '../quantity/format.ts';
import { qty, type Phrase } from '../quantity/phrase.ts';
import type { Study } from './study.ts';

/** What becomes of a climb of the test hill from cold, with all help and at half charge. */
export type HillOutcome =
  | { readonly kind: 'climbs' | 'stalls' }
  /** After so long, s: the protection opens, or what the heat leaves of the motor carries it no further. */
  | { readonly kind: 'cuts-out' | 'heats-out'; readonly after: number };

/** Whether the test hill is climbed to its top: a steady speed is not enough where something gives out on the way. */
export function hillOutcome({ climb, hillRide }: Pick<Study, 'climb' | 'hillRide'>): HillOutcome {
  if (!climb.climbs) return { kind: 'stalls' };
  const opens = climb.cutsOutAfter ?? Infinity;
  const standsAt = hillRide?.ends === 'stalled' ? hillRide.seconds : Infinity;
  if (opens < Math.min(climb.seconds, standsAt)) return { kind: 'cuts-out', after: opens };
  return standsAt < Infinity ? { kind: 'heats-out', after: standsAt } : { kind: 'climbs' };
}

/** A word for each, as a stamp has it. */
export const HILL_WORDS: Readonly<Record<HillOutcome['kind'], string>> = {
  climbs: 'Climbs',
  stalls: 'Stalls',
  'cuts-out': 'Cuts out',
  'heats-out': 'Stalls, hot',
};

/** What gives out on the way, and when; undefined where nothing does, or where it does not set out. */
export function givesOut(outcome: HillOutcome, climb: Study['climb']): Phrase | undefined {
  if (outcome.kind === 'cuts-out') return ['protection opens after ', qty(outcome.after, 's', 0)];
  if (outcome.kind !== 'heats-out' || !climb.climbs) return undefined;
  return [
    'held back by heat, stands after ',
    qty(outcome.after / 60, 'min', 1),
    ` of ${formatNumber(climb.seconds / 60, 1)}`,
  ];
}
