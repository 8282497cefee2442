import { batteryAmps, leastCharge, supplyAt, type Supply } from '../machine/battery.ts';
import type { Machine } from '../machine/machine.ts';
import { gaussPoints, illinois, lastTrue } from '../quantity/numerics.ts';
import { Descent } from './descent.ts';
import { spareAt, wayAt, waysToHold, type Legs, type Way } from './ways.ts';

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
export const LEGS_SHARE = 0.25;
/** It never becomes much faster as it empties: a next search goes so far beyond the last speed. */
export const NO_FASTER = 1.05;

/**
 * Below which speed it is no more riding on, m/s: half of the wanted one (of its own first, where that is less), or walking
 * pace. Undefined where it begins slower than half of that.
 */
export function slowestOn(wanted: number, firstV: number): number | undefined {
  if (firstV < CRAWL_MS / 2) return undefined;
  const half = Math.min(wanted, 2 * firstV < wanted ? firstV : wanted) / 2;
  return Math.max(half, Math.min(CRAWL_MS, firstV / 2));
}
/** A speed is found to this, m/s: it moves the distance by a hundred-thousandth. */
const SPEED_TOLERANCE = 1e-4;
/** As good as nothing to spare, N. */
const SPARE = 1e-3;
/** Where forces say nothing of the slope the search begins this share of the speed wide. */
const NEAR = 0.01;
/** One step along a slope goes no further than this share of the speed. */
const FAR = 0.5;

/** A speed that is held, and how. */
export interface Held {
  readonly v: number;
  readonly way: Way;
}

/** How it goes on at one charge of cells so warm. */
interface Point {
  readonly charge: number;
  readonly cellC: number;
  readonly v: number;
  readonly amps: number;
  readonly watts: number;
}

/** The fastest speed up to `most` that is held with a supply, and how; undefined where none is. Sought round `near`. */
export function fastestHeld(
  machine: Machine,
  supply: Supply,
  most: number,
  near: number,
  legs: Legs,
): Held | undefined {
  let [low, lowN, high, highN] = [0, Infinity, Infinity, -Infinity];
  let slope = NaN;
  let last: readonly [v: number, spare: number] | undefined;
  const look = (v: number): void => {
    const spare = spareAt(machine, supply, v, legs);
    if (last !== undefined) slope = (last[1] - spare) / (v - last[0]);
    last = [v, spare];
    if (spare >= 0) [low, lowN] = last;
    else [high, highN] = last;
  };
  const found = (): boolean => low > 0 && (low >= most || lowN <= SPARE || high - low <= SPEED_TOLERANCE);
  look(Math.min(most, near));
  // Along the slope until it is held at one speed and not at another.
  for (let by = NEAR; !found() && (low === 0 || high === Infinity); by *= 3) {
    if (high <= SPEED_TOLERANCE) return undefined;
    const [v, spare] = low > 0 ? [low, lowN] : [high, highN];
    // A little beyond, so that the two ends are soon one on each side.
    const along = slope > 0 ? (1.1 * spare) / slope : 0;
    const far = Math.min(by, FAR) * v;
    const blind = spare < 0 ? -far : far;
    const step = along !== 0 && Math.abs(along) < FAR * v ? along : blind;
    look(Math.min(most, Math.max(SPEED_TOLERANCE, v + step)));
  }
  for (let i = 0; !found(); i += 1) {
    // Where both ends are forces the straight line between them, and every third time the middle.
    const between = (lowN - highN) / (high - low);
    look(Number.isFinite(between) && i % 3 < 2 ? low + (lowN - SPARE / 2) / between : (low + high) / 2);
  }
  const way = wayAt(machine, waysToHold(machine, low, legs), supply, low);
  return way === undefined ? undefined : { v: low, way };
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
  /** What was already found: that of the nearest charge is where the next search begins. */
  const seen: Point[] = [];
  const at = (charge: number, cellC: number): Point | undefined => {
    const far = (one: Point): number => Math.abs(one.charge - charge);
    let near: Point | undefined;
    for (const one of seen) if (near === undefined || far(one) < far(near)) near = one;
    if (near?.charge === charge && near.cellC === cellC) return near;
    const supply = supplyAt(pack, charge, cellC);
    const held = fastestHeld(machine, supply, ceiling, near?.v ?? wanted, legs);
    if (held === undefined) return undefined;
    const { v, way } = held;
    const amps = Math.max(LEAST_AMPS, batteryAmps(supply, way.batteryW));
    const point = { charge, cellC, v, amps, watts: way.batteryW };
    seen.push(point);
    return point;
  };
  const first = at(from, fromC);
  const slowest = first && slowestOn(wanted, first.v);
  if (first === undefined || slowest === undefined) return undefined;
  const slowWays = waysToHold(machine, slowest, legs);
  const stops = (charge: number, cellC: number): RideOnEnd | undefined => {
    if (charge < leastCharge(pack.chemistry, cellC)) return 'empty';
    return wayAt(machine, slowWays, supplyAt(pack, charge, cellC), slowest) === undefined
      ? 'crawl'
      : undefined;
  };
  /** What the motor takes beyond the share at which the legs carry it, A. */
  const overLegs = (charge: number, cellC: number): number =>
    (at(charge, cellC)?.amps ?? 0) - LEGS_SHARE * first.amps;
  let [metres, joules, toV] = [0, 0, first.v];
  let ends: RideOnEnd | undefined;
  while (ends === undefined && descent.charge > 1e-9) {
    const { charge: high } = descent;
    const low = Math.max(0, Math.ceil(high / ON_SEGMENT - 1e-9) * ON_SEGMENT - ON_SEGMENT);
    const course = descent.course(low, at((high + low) / 2, descent.cellC)?.amps ?? first.amps);
    ends = stops(low, course(low));
    const goesOn = (charge: number): boolean => stops(charge, course(charge)) === undefined;
    let to = ends === undefined ? low : lastTrue(goesOn, high, low, CHARGE_TOLERANCE);
    // What ends it is what does so first, not what else is wrong further down.
    const beyond = Math.max(low, to - CHARGE_TOLERANCE);
    if (ends !== undefined) ends = stops(beyond, course(beyond)) ?? ends;
    if (overLegs(to, course(to)) < 0) {
      ends = 'legs-alone';
      const left = illinois((charge) => overLegs(charge, course(charge)), to, high, CHARGE_TOLERANCE);
      to = left.found ? left.x : high;
    }
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
    ceiling = Math.min(wanted, toV * NO_FASTER);
  }
  const { seconds, charge: endCharge } = descent;
  return { metres, seconds, usedWh: joules / 3600, fromV: first.v, toV, endCharge, ends: ends ?? 'empty' };
}
