import { STUDIES, type StudyInput, type StudyName, type StudyOutput, type StudyProgress } from './studies.ts';

/** How a study ended: an error crosses to the page as words, since its cause would be lost on the way. */
export type StudyAnswer<T> =
  | { readonly state: 'done'; readonly value: T }
  | { readonly state: 'stopped' }
  | { readonly state: 'failed'; readonly why: string };

/** A study works for so long before it looks whether it is to stop, and tells how far it is, ms. */
const SLICE_MS = 50;

/** Lets messages in: a timer would wait longer. */
const breathe = (): Promise<void> =>
  new Promise((resume) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      resume();
    };
    port2.postMessage(undefined);
  });

const isGenerator = (work: unknown): work is Generator =>
  typeof work === 'object' && work !== null && Symbol.iterator in work && 'next' in work;

const wordsOf = (problem: unknown): string =>
  problem instanceof Error
    ? [problem.message, ...(problem.cause === undefined ? [] : [wordsOf(problem.cause)])].join(': ')
    : String(problem);

/** Runs studies one at a time; what a worker offers to its page. */
export class StudyRunner {
  #stop = false;

  /** Asks the running study to end; it answers `stopped` before its next step. */
  stop(): void {
    this.#stop = true;
  }

  /** @param tell hears of progress now and then, for studies that have any */
  async run<N extends StudyName>(
    name: N,
    input: StudyInput<N>,
    tell?: (progress: StudyProgress<N>) => void,
  ): Promise<StudyAnswer<StudyOutput<N>>> {
    this.#stop = false;
    try {
      const study = STUDIES[name] as (input: StudyInput<N>) => unknown;
      const work = study(input);
      const value = isGenerator(work) ? await this.#drive(work, tell) : { value: work };
      return value === undefined
        ? { state: 'stopped' }
        : { state: 'done', value: value.value as StudyOutput<N> };
    } catch (problem) {
      return { state: 'failed', why: wordsOf(problem) };
    }
  }

  async #drive(
    work: Generator,
    tell: ((progress: never) => void) | undefined,
  ): Promise<{ readonly value: unknown } | undefined> {
    let told = performance.now();
    for (;;) {
      const step = work.next();
      if (step.done === true) return { value: step.value };
      if (performance.now() - told < SLICE_MS) continue;
      tell?.(step.value as never);
      await breathe();
      if (this.#stop) return undefined;
      told = performance.now();
    }
  }
}
