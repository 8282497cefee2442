import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { LogColumns } from '@apple-cart/core';

interface Remembered {
  readonly byHeads: Readonly<Record<string, LogColumns>>;
  readonly remember: (heads: readonly string[], columns: LogColumns) => void;
}

/** So many kinds of file are remembered. */
const MOST = 30;
const keyOf = (heads: readonly string[]): string => heads.join('|').slice(0, 2000);

/** Which column is which, by the heads of a file: chosen once for a logger. */
export const useLogColumns = create<Remembered>()(
  persist(
    (set, get) => ({
      byHeads: {},
      remember: (heads, columns) => {
        const key = keyOf(heads);
        const others = Object.entries(get().byHeads).filter(([k]) => k !== key);
        set({ byHeads: { ...Object.fromEntries(others.slice(1 - MOST)), [key]: columns } });
      },
    }),
    { name: 'apple-cart-log-columns' },
  ),
);

export const rememberedColumns = (heads: readonly string[]): LogColumns | undefined =>
  useLogColumns.getState().byHeads[keyOf(heads)];
