import { useEffect, useRef, useState } from 'react';
import type { MatchOutcome, MatchProgress } from '@apple-cart/core';
import type { MatchMessage, MatchRequest } from './match-worker.ts';

export type Matching =
  | { readonly state: 'idle' }
  | { readonly state: 'running'; readonly progress: MatchProgress | undefined }
  | { readonly state: 'done'; readonly outcome: MatchOutcome }
  | { readonly state: 'failed' };

/** Matching in a worker: one run at a time, stopped by ending the worker. */
export function useMatching() {
  const [matching, setMatching] = useState<Matching>({ state: 'idle' });
  const worker = useRef<Worker>(undefined);
  const stop = (): void => {
    worker.current?.terminate();
    worker.current = undefined;
    setMatching({ state: 'idle' });
  };
  useEffect(() => () => worker.current?.terminate(), []);
  const start = (request: MatchRequest): void => {
    worker.current?.terminate();
    const next = new Worker(new URL('./match-worker.ts', import.meta.url), { type: 'module' });
    worker.current = next;
    setMatching({ state: 'running', progress: undefined });
    next.onmessage = (event: MessageEvent<MatchMessage>) => {
      if (worker.current !== next) return;
      if (event.data.kind === 'progress') setMatching({ state: 'running', progress: event.data.progress });
      else {
        setMatching({ state: 'done', outcome: event.data.outcome });
        next.terminate();
      }
    };
    next.onerror = () => {
      setMatching({ state: 'failed' });
    };
    next.postMessage(request);
  };
  return { matching, start, stop };
}
