import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { Answered, HallTrial, PinReading, SymptomId } from '@apple-cart/core';

/** A plug whose pins are being found: its wires as they look, and what the meter has shown. */
export interface PinSearch {
  readonly type: string;
  /** Names of the wires, as they look. */
  readonly names: readonly string[];
  readonly readings: readonly PinReading[];
  readonly packV: number | null;
}

const WIRES = ['brown', 'grey', 'violet', 'red', 'black', 'yellow', 'green', 'blue', 'white'] as const;

/** A fault that is being looked for; its key where it was left open and is taken up again. */
export interface FaultSearch {
  readonly symptom: SymptomId | null;
  readonly told: string;
  readonly answers: readonly Answered[];
  /** Looks that could not be answered. */
  readonly skipped: readonly string[];
  readonly cause: string;
  readonly cure: string;
  readonly corrects: string | null;
}
export const NO_FAULT: FaultSearch = {
  symptom: null,
  told: '',
  answers: [],
  skipped: [],
  cause: '',
  cure: '',
  corrects: null,
};

/** What is being found out at the bench on one build. */
interface BenchNotes {
  readonly search: PinSearch;
  readonly trials: readonly HallTrial[];
  /** The three rotor sensors were seen all alike at some angle of the wheel. */
  readonly alike: 'yes' | 'no' | 'unknown';
  readonly fault: FaultSearch;
}
export const NO_NOTES: BenchNotes = {
  search: { type: 'throttle3', names: WIRES, readings: [], packV: null },
  trials: [],
  alike: 'unknown',
  fault: NO_FAULT,
};

interface NotesState {
  readonly byBuild: Readonly<Record<string, BenchNotes>>;
  readonly note: (build: string, next: Partial<BenchNotes>) => void;
}

/** Begins the search for a fault, unless one is in hand: what is typed there is not lost. */
export function beginFault(build: string, symptom: SymptomId, told: string): void {
  const { byBuild, note } = useBenchNotes.getState();
  if ((byBuild[build]?.fault.symptom ?? null) === null)
    note(build, { fault: { ...NO_FAULT, symptom, told } });
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
    {
      name: 'apple-cart-bench-notes',
      // Notes that were written before there was a search among them get an empty one.
      merge: (kept, now) => {
        const { byBuild = {} } = (kept ?? {}) as Partial<NotesState>;
        return {
          ...now,
          byBuild: Object.fromEntries(
            Object.entries(byBuild).map(([build, notes]) => [build, { ...NO_NOTES, ...notes }]),
          ),
        };
      },
    },
  ),
);
