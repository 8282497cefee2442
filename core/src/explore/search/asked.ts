import type { BuildDocument } from '../../document/document.ts';
import { knownBuild } from '../../document/known.ts';

/** Parts that a search may choose. */
export const FREE_PARTS = ['motor', 'pack', 'controller', 'gearing', 'tyre'] as const;
export type FreePart = (typeof FREE_PARTS)[number];

/** What is wanted: as little money or mass, as much speed on the hill or range, as may be had. */
export const GOALS = ['price', 'hill', 'range', 'mass'] as const;
export type Goal = (typeof GOALS)[number];

/** What a build of the shelf has to hold; null asks nothing. */
export interface Held {
  /** The motor's rating is let in where it is ridden, and no clause of its class is broken. */
  readonly lawful: boolean;
  /** No check of fit stops it that does not stop the build in hand. */
  readonly fits: boolean;
  /** Holds so many km/h steadily on the test hill, at half charge. */
  readonly hillKmh: number | null;
  /** The near end of the planned range. */
  readonly rangeKm: number | null;
  /** The winding at the top of the test hill, from cold. */
  readonly hottestC: number | null;
  /** All in, in the build's currency, the rest of its list as it is. */
  readonly price: number | null;
  /** The machine without rider and load. */
  readonly massKg: number | null;
}

export interface SearchAsked {
  readonly free: Readonly<Record<FreePart, boolean>>;
  readonly held: Held;
  /** Two or three. */
  readonly goals: readonly Goal[];
}

/** Slower than this a laden bicycle is no longer held straight. Common practice, no source. */
const STEADY_KMH = 8;
/** Ten below what insulation of class B stands (IEC 60085: 130 C, from memory). */
const WARM_C = 120;

/** What a brief asks, before anybody has changed it. */
export function usualAsked(build: BuildDocument): SearchAsked {
  const { distanceKm } = knownBuild(build).brief;
  return {
    free: { motor: true, pack: true, controller: true, gearing: false, tyre: false },
    held: {
      lawful: true,
      fits: true,
      hillKmh: STEADY_KMH,
      rangeKm: distanceKm.source === 'unknown' ? null : distanceKm.value,
      hottestC: WARM_C,
      price: build.money.budget,
      massKg: null,
    },
    goals: ['price', 'hill'],
  };
}
