import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface OwnSteps {
  /** Ids of steps by build. */
  readonly steps: Readonly<Record<string, readonly string[]>>;
  readonly set: (build: string, ids: readonly string[]) => void;
}

/** Steps that somebody has thought of for each build, in this browser. */
export const useOwnSteps = create<OwnSteps>()(
  persist(
    (set, get) => ({
      steps: {},
      set: (build, ids) => {
        set({ steps: { ...get().steps, [build]: ids } });
      },
    }),
    { name: 'apple-cart-own-steps' },
  ),
);
