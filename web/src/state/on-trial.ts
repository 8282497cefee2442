import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { BuildDocument, Stood } from '@apple-cart/core';

/** A change that a build carries to be looked at: kept or taken back by hand. */
export interface OnTrial {
  readonly what: string;
  readonly steps: readonly string[];
  readonly cost: number | null;
  readonly before: Stood;
  readonly after: Stood;
  /** The build as it was; taken back, this stands again. */
  readonly was: BuildDocument;
}

interface OnTrialState {
  readonly trials: Readonly<Record<string, OnTrial>>;
  readonly set: (build: string, trial: OnTrial | undefined) => void;
}

/** What each build has on trial, in this browser: whoever comes back may still take it back. */
export const useOnTrial = create<OnTrialState>()(
  persist(
    (set, get) => ({
      trials: {},
      set: (build, trial) => {
        const others = Object.fromEntries(Object.entries(get().trials).filter(([id]) => id !== build));
        set({ trials: trial === undefined ? others : { ...others, [build]: trial } });
      },
    }),
    { name: 'apple-cart-on-trial' },
  ),
);
