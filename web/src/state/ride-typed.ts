import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { Ground, RideKind, RideReading, SymptomId, ToldBy, WayReading } from '@apple-cart/core';

/** What is typed of one stop on the way. */
export type WayTyped = Readonly<Record<keyof WayReading, string>>;

/** What is typed of a ride, kept as text until it can be read. */
export interface RideTyped {
  readonly kind: RideKind;
  readonly on: string;
  readonly title: string;
  readonly route: string;
  readonly readings: Readonly<Partial<Record<RideReading, string>>>;
  readonly ground: Ground;
  readonly pedalled: 'yes' | 'no' | 'unknown';
  /** Of help, all the way; null is mixed, by hand, or not noted. */
  readonly level: number | null;
  readonly toldBy: ToldBy;
  /** Read at stops on the way, and what a full gauge shows. */
  readonly way: readonly WayTyped[];
  readonly gaugeOf: string;
  readonly note: string;
  readonly noticed: readonly SymptomId[];
}

interface RideTypedState {
  readonly typed: Readonly<Record<string, RideTyped>>;
  readonly set: (key: string, next: RideTyped) => void;
  readonly clear: (key: string) => void;
}

/** Rides that were begun and not kept, by build: whoever comes back finds them. */
export const useRideTyped = create<RideTypedState>()(
  persist(
    (set, get) => ({
      typed: {},
      set: (key, next) => {
        set({ typed: { ...get().typed, [key]: next } });
      },
      clear: (key) => {
        set({ typed: Object.fromEntries(Object.entries(get().typed).filter(([k]) => k !== key)) });
      },
    }),
    { name: 'apple-cart-ride-typed' },
  ),
);
