import { useEffect, useRef, useState } from 'react';
import type { StudyAnswer, StudyName, StudyRequest, Studies } from './study-worker.ts';

export interface Studied<T> {
  /** The latest answer; it may be of a moment ago while `busy`. */
  readonly value: T | undefined;
  readonly busy: boolean;
  readonly failed: boolean;
}

interface Answered<N extends StudyName> {
  readonly to: Studies[N]['input'] | undefined;
  readonly value: Studies[N]['output'] | undefined;
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
  const [answered, setAnswered] = useState<Answered<N>>({ to: undefined, value: undefined, failed: false });
  const worker = useRef<Worker>(undefined);
  /** The question that is being worked on, and the one that waits for it. */
  const now = useRef<StudyRequest>(undefined);
  const waiting = useRef<StudyRequest>(undefined);
  const count = useRef(0);

  useEffect(() => {
    now.current = waiting.current = undefined;
    const own = new Worker(new URL('./study-worker.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    const next = (): void => {
      now.current = waiting.current;
      waiting.current = undefined;
      if (now.current !== undefined) own.postMessage(now.current);
    };
    own.onmessage = ({ data }: MessageEvent<StudyAnswer>) => {
      const to = now.current?.input as Studies[N]['input'];
      next();
      setAnswered((before) => ({
        to,
        value: data.ok ? (data.output as Studies[N]['output']) : before.value,
        failed: !data.ok,
      }));
    };
    own.onerror = () => {
      const to = now.current?.input as Studies[N]['input'];
      next();
      setAnswered((before) => ({ ...before, to, failed: true }));
    };
    return () => {
      own.terminate();
      worker.current = undefined;
    };
  }, []);

  useEffect(() => {
    if (input === undefined) return;
    count.current += 1;
    const request: StudyRequest = { id: count.current, name, input };
    if (now.current === undefined) {
      now.current = request;
      worker.current?.postMessage(request);
    } else waiting.current = request;
  }, [name, input]);

  return {
    value: answered.value,
    busy: input !== undefined && answered.to !== input,
    failed: answered.failed && answered.to === input,
  };
}
