import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { HallTrial, PinReading } from '@apple-cart/core';

/** A plug whose pins are being found: its wires as they look, and what the meter has shown. */
export interface PinSearch {
  readonly type: string;
  /** Names of the wires, as they look. */
  readonly names: readonly string[];
  readonly readings: readonly PinReading[];
  readonly packV: number | null;
}

const WIRES = ['brown', 'grey', 'violet', 'red', 'black', 'yellow', 'green', 'blue', 'white'] as const;

/** What is being found out at the bench on one build. */
interface BenchNotes {
  readonly search: PinSearch;
  readonly trials: readonly HallTrial[];
  /** The three rotor sensors were seen all alike at some angle of the wheel. */
  readonly alike: 'yes' | 'no' | 'unknown';
}
export const NO_NOTES: BenchNotes = {
  search: { type: 'throttle3', names: WIRES, readings: [], packV: null },
  trials: [],
  alike: 'unknown',
};

interface NotesState {
  readonly byBuild: Readonly<Record<string, BenchNotes>>;
  readonly note: (build: string, next: Partial<BenchNotes>) => void;
}

/** Builds of which notes are kept; the oldest are forgotten. */
const MOST = 20;

/** Searches that are not done yet, kept in this browser: whoever leaves the page for a meter finds them as they were. */
export const useBenchNotes = create<NotesState>()(
  persist(
    (set, get) => ({
      byBuild: {},
      note: (build, next) => {
        const { [build]: before = NO_NOTES, ...others } = get().byBuild;
        const kept = Object.entries(others).slice(1 - MOST);
        set({ byBuild: { ...Object.fromEntries(kept), [build]: { ...before, ...next } } });
      },
    }),
    { name: 'apple-cart-bench-notes' },
  ),
);
