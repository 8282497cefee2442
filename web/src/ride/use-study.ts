import { useEffect, useRef, useState } from 'react';
import type { StudyAnswer, StudyName, StudyRequest, Studies } from './study-worker.ts';

export interface Studied<T> {
  /** The latest answer; it may be of a moment ago while `busy`. */
  readonly value: T | undefined;
  readonly busy: boolean;
  readonly failed: boolean;
}

/**
 * A study in a worker: asked again whenever its input changes, one question at a time, and answers that are no longer
 * wanted are dropped. `input` has to be remembered by its maker; undefined asks nothing.
 */
export function useStudy<N extends StudyName>(
  name: N,
  input: Studies[N]['input'] | undefined,
): Studied<Studies[N]['output']> {
  const [state, setState] = useState<Studied<Studies[N]['output']>>({
    value: undefined,
    busy: false,
    failed: false,
  });
  const worker = useRef<Worker>(undefined);
  const asked = useRef(0);
  const answered = useRef(0);
  const waiting = useRef<StudyRequest>(undefined);

  useEffect(() => {
    asked.current = answered.current = 0;
    waiting.current = undefined;
    const own = new Worker(new URL('./study-worker.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    own.onmessage = ({ data }: MessageEvent<StudyAnswer>) => {
      answered.current = data.id;
      const next = waiting.current;
      waiting.current = undefined;
      if (next !== undefined) own.postMessage(next);
      const latest = data.id === asked.current;
      setState((before) => ({
        value: data.ok ? (data.output as Studies[N]['output']) : before.value,
        busy: !latest,
        failed: !data.ok,
      }));
    };
    own.onerror = () => {
      setState((before) => ({ ...before, busy: false, failed: true }));
    };
    return () => {
      own.terminate();
      worker.current = undefined;
    };
  }, []);

  useEffect(() => {
    if (input === undefined) return;
    const idle = answered.current === asked.current;
    asked.current += 1;
    const request: StudyRequest = { id: asked.current, name, input };
    setState((before) => ({ ...before, busy: true }));
    if (idle) worker.current?.postMessage(request);
    else waiting.current = request;
  }, [name, input]);

  return state;
}
