import { readGpx, type GpxWay, type Result } from '@apple-cart/core';

export type GpxAnswer = Result<GpxWay>;

/** Reads a GPX file away from the interface. */
self.addEventListener('message', ({ data }: MessageEvent<string>) => {
  self.postMessage(readGpx(data) satisfies GpxAnswer);
});
