import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { Learnt } from '@apple-cart/core';

interface LearntState {
  /** Hours taken over usual hours, by task, of the jobs done here; the newest last. */
  readonly ratios: Readonly<Record<string, readonly number[]>>;
  /** A task of a job that was done; another word on the same one takes its place. */
  readonly learn: (job: string, task: string, ratio: number | null) => void;
  readonly byJob: Readonly<Record<string, number>>;
}

/** So many jobs are remembered. */
const MOST = 200;

/** What this workshop takes against the usual, learnt in this browser from the hours that are typed back. */
export const useLearnt = create<LearntState>()(
  persist(
    (set, get) => ({
      ratios: {},
      byJob: {},
      learn: (job, task, ratio) => {
        const key = `${job} ${task}`;
        const rest = Object.entries(get().byJob).filter(([k]) => k !== key);
        const byJob = Object.fromEntries(
          [...rest, ...(ratio === null ? [] : [[key, ratio] as const])].slice(-MOST),
        );
        const ratios: Record<string, number[]> = {};
        for (const [k, r] of Object.entries(byJob)) {
          const id = k.slice(k.lastIndexOf(' ') + 1);
          ratios[id] = [...(ratios[id] ?? []), r];
        }
        set({ byJob, ratios });
      },
    }),
    { name: 'apple-cart-learnt' },
  ),
);

/** The mean of each task; nothing is learnt of one that was never timed. */
export const learntOf = (ratios: LearntState['ratios']): Learnt =>
  Object.fromEntries(
    Object.entries(ratios).map(([task, list]) => [task, list.reduce((a, b) => a + b, 0) / list.length]),
  );
