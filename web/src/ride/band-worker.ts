import {
  rangeBand,
  type BandOutcome,
  type BandProgress,
  type BuildDocument,
  type Route,
} from '@apple-cart/core';

export interface BandRequest {
  readonly build: BuildDocument;
  readonly route: Route;
  readonly rides: number;
  readonly seed: number;
}
export type BandMessage =
  | { readonly kind: 'progress'; readonly progress: BandProgress }
  | { readonly kind: 'done'; readonly outcome: BandOutcome };

/** Rides away from the interface; stopping it is ending the worker. */
self.addEventListener('message', ({ data }: MessageEvent<BandRequest>) => {
  const run = rangeBand(data.build, data.route, data.rides, data.seed);
  for (;;) {
    const step = run.next();
    if (step.done === true) {
      self.postMessage({ kind: 'done', outcome: step.value } satisfies BandMessage);
      return;
    }
    self.postMessage({ kind: 'progress', progress: step.value } satisfies BandMessage);
  }
});
