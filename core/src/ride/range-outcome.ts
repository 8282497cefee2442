import type { Limit } from '../machine/limits.ts';
import type { RideOn } from './ride-on.ts';

/** Constant-speed range on the level. */
export interface RangeResult {
  readonly holds: true;
  readonly v: number;
  /** From the charge limit to where the speed is no longer held, m. */
  readonly metres: number;
  readonly seconds: number;
  /** Taken from the pack's terminals over that, Wh. */
  readonly usedWh: number;
  /** State of charge where it ends, 0 to 1, and what ended it. */
  readonly endCharge: number;
  readonly ends: Limit | 'empty';
  /** At half charge, or where the range ends if that is higher. */
  readonly whPerKm: number;
  readonly batteryA: number;
  readonly riderN: number;
  readonly motorN: number;
  /** Motor rad/s per m/s of road, in the gear in use. */
  readonly motorRatio: number;
  /** Riding on from there; undefined where the charge is gone. Worked out when it is asked for. */
  readonly on: RideOn | undefined;
}

/** A speed that is not held even at the start; `on` is undefined for a machine that does not move. */
export interface NotHeld {
  readonly holds: false;
  readonly v: number;
  /** Some pack stands above the controller's cut-off: where none does the motor never starts. */
  readonly wakes: boolean;
  readonly limit: Limit;
  readonly on: RideOn | undefined;
}
export type RangeOutcome = RangeResult | NotHeld;

/**
 * No range is told beyond so many hours on the road: legs, or a wind from behind, that all but hold the speed alone would make
 * a charge last for weeks, and what it then comes to says nothing of the machine. Our own choice: a day and a night.
 */
export const TOLD_H = 24;
const told = (metres: number, v: number): number => Math.min(metres, v * TOLD_H * 3600);

/** The charge would last for longer than is told. */
export const outlastsTold = (range: RangeOutcome): boolean =>
  range.holds && range.metres > told(range.metres, range.v);

/** How far in all: at the speed, and ridden on more slowly, m. */
export const wholeMetres = (range: RangeOutcome): number =>
  told((range.holds ? range.metres : 0) + (range.on?.metres ?? 0), range.v);

/** How far at the speed; where it is never held, how far at what the machine gives, m. */
export const heldMetres = (range: RangeOutcome): number =>
  told(range.holds ? range.metres : (range.on?.metres ?? 0), range.v);
