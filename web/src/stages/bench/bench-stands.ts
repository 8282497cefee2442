import type { State } from '@apple-cart/core';
import type { Bench } from '../parts/use-bench.ts';

/** How the bench stands: for the work order in a few words, for the stamp in a word and a line. */
export interface BenchStands {
  readonly state: State;
  readonly words: string;
  readonly begun: boolean;
  readonly stamp: { readonly state: State; readonly word: string; readonly under: string };
}

/** By what was done and found: what has to be repeated is looked at, what failed stops it, what is open is unknown. */
export function benchStands({ view, signs }: Pick<Bench, 'view' | 'signs'>): BenchStands {
  const told = (state: State, words: string, word: string, under: string, begun = true): BenchStands => ({
    state,
    words,
    begun,
    stamp: { state, word, under },
  });
  if (view === undefined) return told('unknown', 'not begun', 'Not begun', 'no run yet', false);
  const { steps, done, waived, failed, repeat } = view;
  const under = `${String(done)} of ${String(steps.length)} done${waived > 0 ? `, ${String(waived)} of them waived` : ''}`;
  if (failed > 0) return told('stop', `${String(failed)} failed`, `${String(failed)} failed`, under);
  const signed = signs.length > 0;
  if (repeat > 0)
    return told(
      'look',
      `${String(repeat)} to repeat`,
      `${String(repeat)} to repeat`,
      signed ? 'signed off, but the plan has changed' : under,
    );
  if (view.ready)
    return signed
      ? told('fine', 'signed', 'Signed', under)
      : told('look', 'to be signed', 'Ready', `${under}; not signed`);
  return told('unknown', `${String(done)} of ${String(steps.length)} done`, 'Hold', under);
}
