import type { Evidence } from './hold-point.ts';

/** What was found at a hold point: readings in the unit of the point, a tick for each item, or words. */
export interface Findings {
  readonly readings: readonly (number | null)[];
  readonly ticks: readonly boolean[];
  readonly words: string;
}
export const NOTHING_FOUND: Findings = { readings: [], ticks: [], words: '' };

/** Whether what was found holds against what is asked. */
export type Judged =
  | { readonly kind: 'holds' }
  /** Something is not said yet. */
  | { readonly kind: 'open'; readonly missing: number }
  /** Which readings lie outside, from 0; whether all are too far apart. */
  | { readonly kind: 'outside'; readonly which: readonly number[]; readonly apart: boolean };

/** A rounding of what was typed never fails a reading. */
const SLACK = 1e-9;

/** Holds readings against their band and spread, ticks against their items, words against nothing. */
export function judgeEvidence(evidence: Evidence, found: Findings): Judged {
  if (evidence.kind === 'words')
    return found.words.trim() === '' ? { kind: 'open', missing: 1 } : { kind: 'holds' };
  if (evidence.kind === 'ticks') {
    const missing = evidence.items.filter((_, i) => found.ticks[i] !== true).length;
    return missing === 0 ? { kind: 'holds' } : { kind: 'open', missing };
  }
  const { names, low, high, spread } = evidence;
  const readings = names.map((_, i) => found.readings[i] ?? null);
  const known = readings.filter((r) => r !== null);
  const which = readings.flatMap((r, i) =>
    r !== null && ((low !== null && r < low - SLACK) || (high !== null && r > high + SLACK)) ? [i] : [],
  );
  const apart =
    spread !== null && known.length > 1 && Math.max(...known) - Math.min(...known) > spread + SLACK;
  if (which.length > 0 || apart) return { kind: 'outside', which, apart };
  return known.length < names.length
    ? { kind: 'open', missing: names.length - known.length }
    : { kind: 'holds' };
}
