import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { giveBack, takeHand, type Hand } from './pool.ts';
import type { StudyInput, StudyName, StudyOutput, StudyProgress } from './studies.ts';

export type Run<N extends StudyName> =
  | { readonly state: 'idle' }
  | { readonly state: 'running'; readonly of: StudyInput<N>; readonly progress: StudyProgress<N> | undefined }
  /** Stopped half-way: what there is so far stays. */
  | { readonly state: 'stopped'; readonly of: StudyInput<N>; readonly progress: StudyProgress<N> | undefined }
  | { readonly state: 'done'; readonly of: StudyInput<N>; readonly outcome: StudyOutput<N> }
  | { readonly state: 'failed'; readonly why: string };

/** A study that is started by hand: one run at a time in a worker, with progress, and stopped when asked. */
export function useRun<N extends StudyName>(name: N) {
  const [run, setRun] = useState<Run<N>>({ state: 'idle' });
  const hand = useRef<Hand>(undefined);
  const running = useRef(0);
  useEffect(
    () => () => {
      if (hand.current !== undefined) giveBack(hand.current, running.current > 0);
      hand.current = undefined;
    },
    [],
  );
  const stop = (): void => {
    void hand.current?.runner.stop();
    setRun((now) => (now.state === 'running' ? { ...now, state: 'stopped' } : now));
  };
  const start = async (of: StudyInput<N>): Promise<void> => {
    // A run that is still ending keeps its worker: the new one gets another.
    if (running.current > 0 && hand.current !== undefined) {
      hand.current.end();
      hand.current = undefined;
    }
    const own = (hand.current ??= takeHand());
    running.current += 1;
    setRun({ state: 'running', of, progress: undefined });
    const tell = (progress: StudyProgress<N>): void => {
      setRun((now) => (now.state === 'running' && now.of === of ? { ...now, progress } : now));
    };
    const answer = await own.runner.run(name, of, proxy(tell)).catch((problem: unknown) => ({
      state: 'failed' as const,
      why: String(problem),
    }));
    running.current -= 1;
    if (hand.current !== own || answer.state === 'stopped') return;
    if (answer.state === 'failed') {
      console.error(`The study "${name}" failed: ${answer.why}`);
      setRun({ state: 'failed', why: answer.why });
    } else setRun({ state: 'done', of, outcome: answer.value as StudyOutput<N> });
  };
  return { run, start: (of: StudyInput<N>) => void start(of), stop };
}
