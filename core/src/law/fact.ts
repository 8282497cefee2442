import type { Answer, PlannedAnswer } from '../document/choices.ts';
import type { Known, KnownSource } from '../document/known-build.ts';
import type { Corners, Way } from '../ride/corners.ts';
import { anyPack, plausibleSpan, type Bearings } from '../machine/span.ts';
import { errorOf } from './measuring-error.ts';

/** A number a clause is held against: a band where the instrument leaves conditions open. */
export interface NumberFact {
  readonly kind: 'number';
  readonly low: number;
  /** The end that counts. */
  readonly high: number;
  /** The worst source of what decides it. */
  readonly source: KnownSource;
  readonly how: string;
  /** How far it may be off by the way it was measured; 0 for what is set or printed. */
  readonly error?: number;
  /** Where unknown values decide: between what it lies at their plausible ends, and which they are. */
  readonly unsure?: Unsure | undefined;
}

interface Unsure {
  readonly low: number;
  readonly high: number;
  /** What is not known, the most telling first. */
  readonly labels: readonly string[];
}

export interface AnswerFact {
  readonly kind: 'answer';
  readonly answer: Answer;
  readonly how: string;
  /** What it rests on that is to be looked at: a value that is assumed, or what is planned. */
  readonly rests?: string;
}

export const number = (
  low: number,
  high: number,
  source: KnownSource,
  how: string,
  more: Partial<Pick<NumberFact, 'error' | 'unsure'>> = {},
): NumberFact => ({
  kind: 'number',
  low,
  high,
  source,
  how,
  error: more.error ?? 0,
  unsure: more.unsure,
});
export const point = (value: number, source: KnownSource, how: string): NumberFact =>
  number(value, value, source, how);
/** Why a pass is only a check. */
export const ASSUMED = 'it rests on assumed values';
export const PLANNED = 'it is planned so: look at it once it is fitted and set';

export const yesNo = (answer: Answer, how: string): AnswerFact => ({ kind: 'answer', answer, how });

/** What is planned is as it should be, and is to be looked at. */
export const plannedYes = (answer: PlannedAnswer, how: string): AnswerFact =>
  answer === 'planned' ? { ...yesNo('yes', how), rests: PLANNED } : yesNo(answer, how);

/** One quantity as it stands, with its own error, or with its plausible span where nobody has read it. */
export function told(known: Known, how: string): NumberFact {
  const { value, source } = known;
  if (source !== 'unknown') return number(value, value, source, how, { error: errorOf(known) });
  const [low, high] = plausibleSpan(known);
  return number(value, value, source, how, { unsure: { low, high, labels: [known.label] } });
}

export const worst = (known: readonly Known[]): KnownSource => {
  const has = (source: KnownSource): boolean => known.some((k) => k.source === source);
  if (has('unknown')) return 'unknown';
  return has('assumed') ? 'assumed' : 'worked';
};

/** A fact of the whole machine: where unknown values move it, between what, and by which. */
export function moved(fact: NumberFact, corners: Corners, of: (way: Way) => NumberFact): NumberFact {
  if (corners.unknown.length === 0) return fact;
  const all = [...corners.ups, ...corners.downs].map(of);
  const high = Math.max(...all.map((at) => at.high));
  const low = Math.min(...all.map((at) => at.low));
  if (high <= fact.high && low >= fact.low) return fact;
  return {
    ...fact,
    source: 'unknown',
    unsure: {
      low: Math.min(low, fact.low),
      high: Math.max(high, fact.high),
      labels: corners.unknown.map((k) => k.label),
    },
  };
}

/** A fact of the whole machine is as sure as the least sure value that it rests on. */
export function restingOn(fact: NumberFact, { used }: Way, bearings: Bearings): NumberFact {
  if (fact.source !== 'worked') return fact;
  const paths = new Set(bearings.map(([path]) => path));
  const on = used.filter((k) => paths.has(anyPack(k.path)));
  return worst(on) === 'assumed' ? { ...fact, source: 'assumed' } : fact;
}
