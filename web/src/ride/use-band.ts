import { useEffect, useRef, useState } from 'react';
import type { BandOutcome, BandProgress } from '@apple-cart/core';
import type { BandMessage, BandRequest } from './band-worker.ts';

export type BandRun =
  | { readonly state: 'idle' }
  | { readonly state: 'running'; readonly of: BandRequest; readonly progress: BandProgress | undefined }
  /** Stopped half-way: what there is so far stays. */
  | { readonly state: 'stopped'; readonly of: BandRequest; readonly progress: BandProgress | undefined }
  | { readonly state: 'done'; readonly of: BandRequest; readonly outcome: BandOutcome }
  | { readonly state: 'failed' };

/** Rides of a band in a worker: one run at a time, with progress, stopped by ending the worker. */
export function useBand() {
  const [run, setRun] = useState<BandRun>({ state: 'idle' });
  const worker = useRef<Worker>(undefined);
  useEffect(() => () => worker.current?.terminate(), []);
  const stop = (): void => {
    worker.current?.terminate();
    worker.current = undefined;
    setRun((before) => (before.state === 'running' ? { ...before, state: 'stopped' } : before));
  };
  const start = (request: BandRequest): void => {
    worker.current?.terminate();
    const next = new Worker(new URL('./band-worker.ts', import.meta.url), { type: 'module' });
    worker.current = next;
    setRun({ state: 'running', of: request, progress: undefined });
    next.onmessage = ({ data }: MessageEvent<BandMessage>) => {
      if (worker.current !== next) return;
      if (data.kind === 'progress') {
        setRun({ state: 'running', of: request, progress: data.progress });
        return;
      }
      setRun({ state: 'done', of: request, outcome: data.outcome });
      next.terminate();
      worker.current = undefined;
    };
    next.onerror = () => {
      setRun({ state: 'failed' });
    };
    next.postMessage(request);
  };
  return { run, start, stop };
}
