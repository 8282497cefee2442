import type { Warmth } from '../machine/thermal.ts';
import type { Pace } from './course.ts';
import type { Ledger } from './ledger.ts';
import type { Draining } from './power-source.ts';
import type { Legs } from './ways.ts';
import type { Binding, Trace } from './trace.ts';
import type { GearChoice } from './traction.ts';

/** What ends a ride for its heat, or its time. */
export interface HeatEnds {
  readonly mostSeconds?: number | undefined;
  /** Ends where the winding is this hot, C, or the controller holds back by its own heat. */
  readonly untilC?: number | undefined;
}

/** How a course is ridden, SI. */
export interface RideOptions extends HeatEnds {
  readonly pace: Pace;
  readonly legs: Legs;
  /** Legs push harder uphill and rest downhill, as on an everyday ride; else evenly, as stated. */
  readonly byGrade?: boolean;
  readonly gear: GearChoice;
  /** State of charge at the beginning, 0 to 1, and where the ride ends at the latest. */
  readonly charge: number;
  readonly untilCharge?: number;
  readonly draining?: Draining;
  /** Temperatures at the beginning; those of the air where none are given. */
  readonly warmth?: Warmth;
  /** Speed at the beginning, m/s. */
  readonly speed?: number;
  /** Again and again until the packs are empty or the machine stands. */
  readonly again?: boolean;
  /** A row of the trace for every this many metres; no trace where none is given. */
  readonly traceEvery?: number;
  /**
   * The load is even and stays so: steps grow with the time ridden, and it ends once it is clear that the winding never
   * comes to `untilC`.
   */
  readonly even?: boolean;
  /** Longest step, s. */
  readonly step?: number;
}

export type RideEnd =
  | 'arrived'
  | 'stalled'
  | 'cut-off'
  | 'cut-out'
  | 'empty'
  | 'charge'
  | 'time'
  | 'hot'
  | 'never-hot';

/** A ride's totals, SI. */
export interface Ride {
  readonly ends: RideEnd;
  readonly seconds: number;
  readonly movingSeconds: number;
  readonly metres: number;
  readonly charge: number;
  readonly ledger: Readonly<Ledger>;
  /** Taken from the terminals of the packs, what came back taken off, Wh. */
  readonly usedWh: number;
  readonly warmth: Warmth;
  readonly hottestC: number;
  /** The controller's case at its hottest, C, and when its own heat began to hold back, s; undefined where it did not. */
  readonly caseHottestC: number;
  readonly foldAfter: number | undefined;
  /** When the controller began to hold back, and when the winding suffered, s; undefined where it did not. */
  readonly rollbackAfter: number | undefined;
  readonly damageAfter: number | undefined;
  /** Slowest while pushed as hard as it goes, m/s; Infinity where it never was. */
  readonly slowest: number;
  /** Seconds for which each thing bound. */
  readonly bound: Readonly<Partial<Record<Binding, number>>>;
  readonly steps: number;
  readonly trace: Trace | undefined;
}
