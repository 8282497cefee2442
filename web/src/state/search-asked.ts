import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { SearchAsked } from '@apple-cart/core';

interface AskedState {
  /** By build; none where the brief alone asks. */
  readonly asked: Readonly<Record<string, SearchAsked>>;
  readonly set: (build: string, asked: SearchAsked) => void;
}

/** So many builds' questions are kept. */
const MOST = 20;

/** What was asked of the shelf for each build, in this browser. */
export const useSearchAsked = create<AskedState>()(
  persist(
    (set, get) => ({
      asked: {},
      set: (build, asked) => {
        const others = Object.entries(get().asked).filter(([id]) => id !== build);
        set({ asked: Object.fromEntries([...others.slice(1 - MOST), [build, asked]]) });
      },
    }),
    { name: 'apple-cart-search-asked' },
  ),
);
