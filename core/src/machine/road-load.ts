import { STANDARD_GRAVITY } from '../quantity/constants.ts';

/** What resists the machine, SI: all masses together, rolling coefficient, drag area, air, wind along the road. */
export interface RoadLoad {
  readonly massKg: number;
  readonly crr: number;
  /** How the tyre sinks into soft ground against one of 50 mm on usual ground: sqrt(50 / width) times how soft it is; 1 where nothing is said. */
  readonly sinks?: number;
  readonly cdaM2: number;
  readonly airDensity: number;
  /** Positive against the rider. */
  readonly headwind: number;
}

/** Smooth paving at this temperature is what a rolling coefficient is stated for, C. */
const STATED_AT_C = 20;

/**
 * A tyre's rolling coefficient at a temperature, as a multiple of that at 20 C: 1 + 0.011 (20 - T), 0.8 to 1.5. From
 * memory: rubber that is cold loses more.
 */
export const tyreWarmth = (airC: number): number =>
  Math.min(1.5, Math.max(0.8, 1 + 0.011 * (STATED_AT_C - airC)));

/** The law of `softTyre` holds between these, as shares of the right pressure. */
const PRESSURES = [0.5, 1.3] as const;

/**
 * A tyre's rolling coefficient as it is pumped, as a multiple of that at the right pressure, for which it is stated:
 * (p0/p)^0.4 between half of it and 1.3 times it. From memory.
 */
export const softTyre = (pressurePct: number): number =>
  Math.pow(Math.min(PRESSURES[1], Math.max(PRESSURES[0], pressurePct / 100)), -0.4);

/** Air drag in N at road speed `v` m/s: 0.5 rho CdA (v + w)|v + w|; a tailwind faster than v pushes. */
export const airForce = (road: RoadLoad, v: number): number =>
  0.5 * road.airDensity * road.cdaM2 * (v + road.headwind) * Math.abs(v + road.headwind);

/**
 * Force in N to hold `v` m/s on a slope of `gradePct` (rise over run, in %), from first principles:
 * F = m g (sin theta + Crr cos theta) + air drag.
 */
export function roadForce(road: RoadLoad, v: number, gradePct: number): number {
  const tangent = gradePct / 100;
  const cosine = 1 / Math.sqrt(1 + tangent * tangent);
  return road.massKg * STANDARD_GRAVITY * cosine * (tangent + road.crr) + airForce(road, v);
}

/**
 * The grade in % that a force holds at `v` m/s, in closed form (derived):
 * a = (F - air) / (m g sqrt(1 + Crr^2)), grade = tan(asin a - atan Crr).
 * Infinity when the force would lift the machine up a wall; negative when it cannot hold the level.
 */
export function gradeHeldPct(road: RoadLoad, v: number, forceN: number): number {
  const a = (forceN - airForce(road, v)) / (road.massKg * STANDARD_GRAVITY * Math.sqrt(1 + road.crr ** 2));
  if (a >= 1) return Infinity;
  if (a <= -1) return -Infinity;
  return 100 * Math.tan(Math.asin(a) - Math.atan(road.crr));
}
