import { useCallback, useEffect, useRef, useState } from 'react';
import { giveBack, takeHand, type Hand } from './pool.ts';
import type { StudyInput, StudyName, StudyOutput } from './studies.ts';

export interface Studied<T> {
  /** The latest answer; it may be of a moment ago while `busy`. */
  readonly value: T | undefined;
  readonly busy: boolean;
  /** Why the last question has no answer. */
  readonly why: string | undefined;
  readonly retry: () => void;
}

interface Answered<N extends StudyName> {
  readonly to: StudyInput<N> | undefined;
  readonly value: StudyOutput<N> | undefined;
  readonly why: string | undefined;
}

/**
 * A study in a worker: asked again whenever its input changes, one question at a time, and answers that are no longer
 * wanted are dropped. `input` has to be remembered by its maker; undefined asks nothing.
 */
export function useStudy<N extends StudyName>(
  name: N,
  input: StudyInput<N> | undefined,
): Studied<StudyOutput<N>> {
  const [answered, setAnswered] = useState<Answered<N>>({ to: undefined, value: undefined, why: undefined });
  const [tries, setTries] = useState(0);
  const hand = useRef<Hand>(undefined);
  const wanted = useRef<StudyInput<N>>(undefined);
  const busy = useRef(false);

  /** Answers what is wanted until nothing newer is. */
  const work = useCallback(async (): Promise<void> => {
    if (busy.current) return;
    busy.current = true;
    try {
      while (wanted.current !== undefined) {
        const own = (hand.current ??= takeHand());
        const to = wanted.current;
        const answer = await own.runner.run(name, to).catch((problem: unknown) => ({
          state: 'failed' as const,
          why: String(problem),
        }));
        // The page has gone on to something else, and the worker with it.
        if (hand.current !== own) return;
        if (wanted.current !== to) continue;
        wanted.current = undefined;
        if (answer.state === 'failed') console.error(`The study "${name}" failed: ${answer.why}`);
        setAnswered((before) => ({
          to,
          value: answer.state === 'done' ? (answer.value as StudyOutput<N>) : before.value,
          why: answer.state === 'failed' ? answer.why : undefined,
        }));
      }
    } finally {
      busy.current = false;
    }
  }, [name]);

  useEffect(
    () => () => {
      if (hand.current !== undefined) giveBack(hand.current, busy.current);
      hand.current = undefined;
      wanted.current = undefined;
    },
    [],
  );
  useEffect(() => {
    if (input === undefined) return;
    wanted.current = input;
    void work();
  }, [input, tries, work]);

  return {
    value: answered.value,
    busy: input !== undefined && answered.to !== input,
    why: answered.to === input ? answered.why : undefined,
    retry: () => {
      setTries(tries + 1);
    },
  };
}
