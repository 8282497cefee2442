import type { BuildDocument } from '../../document/document.ts';
import type { Sourced } from '../../document/quantity-spec.ts';
import type { Phrase } from '../../quantity/phrase.ts';

/** A change that may bring a clause in, to be tried on any build. */
export interface ComplyChange {
  readonly id: string;
  readonly what: Phrase;
  /** A setting of the controller, something to buy or fit, or a paper. */
  readonly effort: 'setting' | 'part' | 'paper';
  readonly apply: (build: BuildDocument) => BuildDocument;
}

/** A value that a change sets: assumed until the controller has it. */
export const assumed = (value: number): Sourced => ({ source: 'assumed', value });

/** The highest tenth that an upper limit lets through; a strict limit is not met at equality. */
export function tenthBelow(limit: number, strict: boolean): number {
  const tenth = Math.floor(limit * 10 + 1e-9) / 10;
  return strict && tenth >= limit ? Math.round(tenth * 10 - 1) / 10 : tenth;
}

/** From the least effort to the most. */
export const EFFORT: readonly ComplyChange['effort'][] = ['setting', 'paper', 'part'];
