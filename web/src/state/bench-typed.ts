import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** What is typed for a hold point, kept as text until it can be read. */
export interface Typed {
  readonly readings: readonly string[];
  readonly ticks: readonly boolean[];
  readonly words: string;
  /** A reason is asked for, and what is typed of it. */
  readonly asking: '' | 'fail' | 'waive';
  readonly reason: string;
  /** A simulated instrument gave the reading. */
  readonly simulated: boolean;
}
export const NOTHING_TYPED: Typed = {
  readings: [],
  ticks: [],
  words: '',
  asking: '',
  reason: '',
  simulated: false,
};

interface TypedState {
  /** By build and step. */
  readonly typed: Readonly<Record<string, Typed>>;
  readonly set: (build: string, step: string, next: Typed) => void;
}

/** So many steps that were begun are kept; the oldest are forgotten. */
const MOST = 60;
export const typedKey = (build: string, step: string): string => `${build} ${step}`;

/** What was typed at the bench and not said yet: whoever comes back from another sheet, or wakes the tablet, finds it. */
export const useBenchTyped = create<TypedState>()(
  persist(
    (set, get) => ({
      typed: {},
      set: (build, step, next) => {
        const others = Object.fromEntries(
          Object.entries(get().typed).filter(([key]) => key !== typedKey(build, step)),
        );
        const kept = Object.entries(others).slice(1 - MOST);
        set({
          typed:
            next === NOTHING_TYPED ? others : { ...Object.fromEntries(kept), [typedKey(build, step)]: next },
        });
      },
    }),
    { name: 'apple-cart-bench-typed' },
  ),
);
