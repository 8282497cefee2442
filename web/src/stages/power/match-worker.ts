import { matchCells, type MatchOutcome, type MatchProgress, type UsedCell } from '@apple-cart/core';

export interface MatchRequest {
  readonly cells: readonly UsedCell[];
  readonly series: number;
  readonly parallel: number;
}
export type MatchMessage =
  | { readonly kind: 'progress'; readonly progress: MatchProgress }
  | { readonly kind: 'done'; readonly outcome: MatchOutcome };

/** A message now and then: the picture of progress needs no more. */
const EVERY = 5;

/** Matches cells away from the interface; stopping it is ending the worker. */
self.addEventListener('message', (event: MessageEvent<MatchRequest>) => {
  const { cells, series, parallel } = event.data;
  const run = matchCells(cells, series, parallel);
  for (;;) {
    const step = run.next();
    if (step.done === true) {
      self.postMessage({ kind: 'done', outcome: step.value } satisfies MatchMessage);
      return;
    }
    if (step.value.round % EVERY === 0)
      self.postMessage({ kind: 'progress', progress: step.value } satisfies MatchMessage);
  }
});
