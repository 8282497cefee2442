import { batteryAmps, wholeCapacityAh, type Supply } from '../machine/battery.ts';
import { aboardAt, diodesAt } from '../machine/diodes.ts';
import type { Machine, PackAboard } from '../machine/machine.ts';
import { allEmpty, LONG_STEP, sharePower, type PacksState } from './packs-together.ts';
import {
  fastestHeld,
  LEAST_AMPS,
  LEGS_SHARE,
  NO_FASTER,
  slowestOn,
  type Held,
  type RideOn,
  type RideOnEnd,
} from './ride-on.ts';
import type { Legs } from './ways.ts';

/** What is left in several packs, as a share of all that they hold. */
export function wholeCharge(aboard: readonly PackAboard[], charges: readonly number[]): number {
  const whole = aboard.reduce((sum, { pack }) => sum + wholeCapacityAh(pack), 0);
  return aboard.reduce((sum, { pack }, i) => sum + (wholeCapacityAh(pack) / whole) * (charges[i] ?? 0), 0);
}

/** As good as nothing left to ride on with, of the charge of a pack. */
const LAST = 0.005;

/**
 * Rides on behind diodes as `rideOn` does with one pack: at the highest speed that full throttle holds with what they give
 * together, each drawn from as its volts decide. The same ends.
 */
export function rideOnTogether(
  machine: Machine,
  wanted: number,
  from: PacksState,
  legs: Legs,
): RideOn | undefined {
  const aboard = aboardAt(machine, 1);
  const fastest = (bus: Supply, near: number): Held | undefined =>
    fastestHeld(machine, bus, Math.min(wanted, near * NO_FASTER), near, legs);
  const amps = (bus: Supply, { way }: Held): number => Math.max(LEAST_AMPS, batteryAmps(bus, way.batteryW));
  const full = diodesAt(aboard, from.charges, machine.diodeV, from.cellsC);
  const first = fastest(full, wanted);
  const slowest = first && slowestOn(wanted, first.v);
  if (first === undefined || slowest === undefined) return undefined;
  const leastA = LEGS_SHARE * amps(full, first);
  let ends: RideOnEnd = 'empty';
  let last = first;
  const { metres, hours, outWh, ...end } = sharePower(
    aboard,
    (bus) => {
      const held = fastest(bus, last.v);
      const crawls = held === undefined || held.v < slowest;
      if (crawls || amps(bus, held) < leastA) {
        ends = crawls ? 'crawl' : 'legs-alone';
        return undefined;
      }
      last = held;
      return { watts: held.way.batteryW, v: held.v };
    },
    'combiner',
    machine.diodeV,
    from,
    LONG_STEP,
  );
  return {
    metres,
    seconds: hours * 3600,
    usedWh: outWh,
    fromV: first.v,
    toV: last.v,
    endCharge: wholeCharge(aboard, end.charges),
    // Where one is empty a moment before the others, these crawl on for metres.
    ends: allEmpty(aboard, end, LAST) ? 'empty' : ends,
  };
}
