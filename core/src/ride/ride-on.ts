import { leastCharge, supplyAt, type Supply } from '../machine/battery.ts';
import type { Machine } from '../machine/machine.ts';
import { gaussPoints, lastTrue } from '../quantity/numerics.ts';
import { Descent } from './descent.ts';
import { batteryAmps } from './operating-point.ts';
import { wayAt, waysToHold, type Legs, type Way } from './ways.ts';

/** Why a ride that goes on more slowly ends: the legs would carry on for ever, or it has become a crawl. */
export type RideOnEnd = 'empty' | 'crawl' | 'legs-alone';

/** What is left once the wanted speed is no longer held: at full throttle, more and more slowly. */
export interface RideOn {
  readonly metres: number;
  readonly seconds: number;
  readonly usedWh: number;
  /** Speed that it begins and ends with, m/s. */
  readonly fromV: number;
  readonly toV: number;
  readonly endCharge: number;
  readonly ends: RideOnEnd;
}

/** The end of the charge is found to this share. */
export const CHARGE_TOLERANCE = 1e-4;
/** Below this current (A) the pack would last for days and "range" means nothing. */
export const LEAST_AMPS = 0.01;

/** Charge is stepped over by this much, two-point Gauss in each; 0.05 % of the distance against steps of a ten-thousandth. */
const ON_SEGMENT = 0.05;
/** Below walking pace nobody calls it riding, m/s. Common practice. */
const CRAWL_MS = 6 / 3.6;
/** Less than this share of the amps at the beginning: the legs carry it, and would for ever. */
const LEGS_SHARE = 0.25;
const SPEED_STEPS = 24;

/** The fastest speed up to `most` that is held with a supply, and how; undefined where none is. */
function fastestHeld(
  machine: Machine,
  supply: Supply,
  most: number,
  legs: Legs,
): { readonly v: number; readonly way: Way } | undefined {
  const at = (v: number): Way | undefined => wayAt(machine, waysToHold(machine, v, legs), supply, v);
  const whole = at(most);
  if (whole !== undefined) return { v: most, way: whole };
  let [low, high] = [0, most];
  let found: Way | undefined;
  for (let i = 0; i < SPEED_STEPS; i += 1) {
    const middle = (low + high) / 2;
    const way = at(middle);
    if (way === undefined) high = middle;
    else [low, found] = [middle, way];
  }
  return found === undefined ? undefined : { v: low, way: found };
}

/**
 * Rides on at what the machine gives, from a charge at which `wanted` is no longer held: distance is the integral of
 * v Q / I over the charge. It ends empty, where the speed falls under half of the wanted one (of its own first, where
 * that is less) or walking pace, or where less than a quarter of the amps are left and the legs would carry on for ever.
 */
export function rideOn(
  machine: Machine,
  wanted: number,
  from: number,
  fromC: number,
  legs: Legs,
): RideOn | undefined {
  const { pack } = machine;
  const descent = new Descent(pack, from, fromC);
  let ceiling = wanted;
  const at = (charge: number, cellC: number) => {
    const supply = supplyAt(pack, charge, cellC);
    const held = fastestHeld(machine, supply, ceiling, legs);
    if (held === undefined) return undefined;
    const amps = Math.max(LEAST_AMPS, batteryAmps(supply, held.way.batteryW));
    return { v: held.v, amps, watts: held.way.batteryW };
  };
  const first = at(from, fromC);
  if (first === undefined || first.v < CRAWL_MS / 2) return undefined;
  const half = Math.min(wanted, 2 * first.v < wanted ? first.v : wanted) / 2;
  const slowest = Math.max(half, Math.min(CRAWL_MS, first.v / 2));
  const why = (charge: number, cellC: number): RideOnEnd | undefined => {
    if (charge < leastCharge(pack.chemistry, cellC)) return 'empty';
    const here = at(charge, cellC);
    if (here === undefined || here.v < slowest) return 'crawl';
    return here.amps < LEGS_SHARE * first.amps ? 'legs-alone' : undefined;
  };
  let [metres, joules, toV] = [0, 0, first.v];
  let ends: RideOnEnd | undefined;
  while (ends === undefined && descent.charge > 1e-9) {
    const { charge: high } = descent;
    const low = Math.max(0, Math.ceil(high / ON_SEGMENT - 1e-9) * ON_SEGMENT - ON_SEGMENT);
    const course = descent.course(low, at((high + low) / 2, descent.cellC)?.amps ?? first.amps);
    ends = why(low, course(low));
    const goesOn = (charge: number): boolean => why(charge, course(charge)) === undefined;
    const to = ends === undefined ? low : lastTrue(goesOn, high, low, CHARGE_TOLERANCE);
    let seconds = 0;
    for (const charge of gaussPoints(to, high)) {
      const here = at(charge, course(charge));
      const dt = here === undefined ? 0 : descent.secondsPerCharge(here.amps) * ((high - to) / 2);
      seconds += dt;
      metres += (here?.v ?? 0) * dt;
      joules += (here?.watts ?? 0) * dt;
    }
    descent.goTo(to, course(to), seconds);
    toV = at(to, descent.cellC)?.v ?? toV;
    // It never becomes much faster as it empties: less is searched.
    ceiling = Math.min(wanted, toV * 1.05);
  }
  const { seconds, charge: endCharge } = descent;
  return { metres, seconds, usedWh: joules / 3600, fromV: first.v, toV, endCharge, ends: ends ?? 'empty' };
}
