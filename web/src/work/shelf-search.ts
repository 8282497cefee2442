import { proxy } from 'comlink';
import { create } from 'zustand';
import {
  summed,
  type BuildDocument,
  type Candidate,
  type Counts,
  type Finalist,
  type FinalistsFound,
  type Miss,
  type Part,
  type RuleBook,
  type SearchAsked,
  type SearchProgress,
  type WouldLet,
} from '@apple-cart/core';
import { giveBack, takeHand, type Hand } from './pool.ts';
import type { StudyAnswer } from './study-runner.ts';
import type { StudyInput, StudyName, StudyOutput, StudyProgress } from './studies.ts';

/** What is searched for. */
export interface SearchInput {
  readonly build: BuildDocument;
  readonly parts: readonly Part[];
  readonly book: RuleBook;
  readonly asked: SearchAsked;
}

/** A search of the shelf as it stands. */
export interface ShelfSearch {
  readonly input: SearchInput;
  readonly state: 'looking' | 'judging' | 'done' | 'stopped' | 'failed';
  readonly why: string;
  readonly counts: Counts;
  readonly of: number;
  /** Those that stand so far and nothing beats, coarse. */
  readonly front: readonly Candidate[];
  /** Those that stand, some for the picture. */
  readonly standing: readonly Candidate[];
  readonly misses: readonly Miss[];
  readonly judged: number;
  readonly found: FinalistsFound | undefined;
  readonly lets: readonly WouldLet[] | undefined;
}

interface Searches {
  readonly searches: Readonly<Record<string, ShelfSearch>>;
}

/** Searches by build: they go on while another view is looked at, and what they found stays until the page is left. */
export const useSearches = create<Searches>()(() => ({ searches: {} }));

const show = (build: string, next: Partial<ShelfSearch>): void => {
  const { searches } = useSearches.getState();
  const now = searches[build];
  if (now !== undefined) useSearches.setState({ searches: { ...searches, [build]: { ...now, ...next } } });
};

/** Workers that search at once: as many as the machine has to spare, two at least. */
const WORKERS = Math.max(2, Math.min(4, (navigator.hardwareConcurrency || 2) - 1));
/** Of those that stand so many are drawn. */
const DRAWN = 400;

/**
 * A study's answer as what it is: its type is lost on the way between threads.
 * @param tell hears how far it is until it is answered: such words come on a line of their own, and the last of them late
 */
async function answer<N extends StudyName>(
  hand: Hand,
  name: N,
  input: StudyInput<N>,
  tell?: (progress: StudyProgress<N>) => void,
): Promise<StudyAnswer<StudyOutput<N>>> {
  let answered = false;
  const hear = (progress: StudyProgress<N>): void => {
    if (!answered) tell?.(progress);
  };
  const told = await hand.runner.run(name, input, tell === undefined ? undefined : proxy(hear));
  answered = true;
  return told as StudyAnswer<StudyOutput<N>>;
}

/** A running search; its hands are given back when it ends. */
class Running {
  readonly #build: string;
  readonly #input: SearchInput;
  readonly #hands: Hand[] = [];
  readonly #progress: (SearchProgress | undefined)[];
  #stopped = false;
  #gone = false;

  constructor(build: string, input: SearchInput) {
    this.#build = build;
    this.#input = input;
    this.#progress = Array.from({ length: WORKERS }, () => undefined);
  }

  #show(next: Partial<ShelfSearch>): void {
    if (!this.#gone) show(this.#build, next);
  }

  #told(): { readonly counts: Counts; readonly of: number; readonly front: readonly Candidate[] } {
    const all = this.#progress.filter((p) => p !== undefined);
    return {
      counts: summed(all.map((p) => p.counts)),
      of: all.reduce((sum, p) => sum + p.of, 0),
      front: all.flatMap((p) => p.front),
    };
  }

  /** Stopped, or nobody looks: asked anew after every wait. */
  #over(): boolean {
    return this.#stopped || this.#gone;
  }

  stop(): void {
    this.#stopped = true;
    for (const hand of this.#hands) void hand.runner.stop();
  }

  /** Nobody looks at it any more. */
  end(): void {
    this.#gone = true;
    for (const hand of this.#hands.splice(0)) hand.end();
  }

  async run(): Promise<void> {
    try {
      const shares = await Promise.all(
        Array.from({ length: WORKERS }, async (_, nth) => {
          const hand = takeHand();
          this.#hands.push(hand);
          return answer(hand, 'search', { ...this.#input, share: { of: WORKERS, nth } }, (progress) => {
            this.#progress[nth] = progress;
            this.#show(this.#told());
          });
        }),
      );
      const failed = shares.find((s) => s.state === 'failed');
      if (failed?.state === 'failed') throw new Error(failed.why);
      shares.forEach((s, nth) => {
        if (s.state === 'done') this.#progress[nth] = s.value;
      });
      const done = shares.flatMap((s) => (s.state === 'done' ? [s.value] : []));
      // What a stopped share had found so far is judged as well.
      const standing = [
        ...done.flatMap((s) => s.standing),
        ...this.#progress.flatMap((p, nth) => (shares[nth]?.state === 'stopped' ? (p?.front ?? []) : [])),
      ];
      const stride = Math.max(1, Math.ceil(standing.length / DRAWN));
      this.#show({
        ...this.#told(),
        state: 'judging',
        standing: standing.filter((_, i) => i % stride === 0),
        misses: done.flatMap((s) => s.misses),
      });
      await this.#judge(standing);
    } catch (problem) {
      this.#show({ state: 'failed', why: problem instanceof Error ? problem.message : String(problem) });
    } finally {
      for (const hand of this.#hands.splice(0)) giveBack(hand, this.#gone);
    }
  }

  async #judge(standing: readonly Candidate[]): Promise<void> {
    const [hand] = this.#hands;
    if (hand === undefined || this.#gone) return;
    const judged = await answer(hand, 'finalists', { ...this.#input, standing }, (progress) => {
      this.#show({ judged: progress.judged, found: progress });
    });
    if (judged.state === 'failed') throw new Error(judged.why);
    this.#show({
      state: this.#stopped || judged.state === 'stopped' ? 'stopped' : 'done',
      ...(judged.state === 'done' ? { found: judged.value, judged: judged.value.judged } : {}),
    });
    if (this.#over()) return;
    const lets = await answer(hand, 'wouldLet', this.#input);
    if (lets.state === 'done') this.#show({ lets: lets.value });
  }
}

const running = new Map<string, Running>();

/** Begins a search for a build; one that runs already is given up. */
export function startSearch(build: string, input: SearchInput): void {
  running.get(build)?.end();
  const next = new Running(build, input);
  running.set(build, next);
  useSearches.setState(({ searches }) => ({
    searches: {
      ...searches,
      [build]: {
        input,
        state: 'looking',
        why: '',
        counts: summed([]),
        of: 0,
        front: [],
        standing: [],
        misses: [],
        judged: 0,
        found: undefined,
        lets: undefined,
      },
    },
  }));
  void next.run();
}

/** Ends a search; what it has found so far is judged and stays. */
export const stopSearch = (build: string): void => {
  running.get(build)?.stop();
};

/** The finalists of a build's last search. */
export const finalistsIn = (search: ShelfSearch | undefined): readonly Finalist[] =>
  search?.found?.finalists ?? [];
