import { batteryAmps, leastCharge, supplyAt } from '../machine/battery.ts';
import type { Machine } from '../machine/machine.ts';
import { gauss2, lastTrue } from '../quantity/numerics.ts';
import { Descent } from './descent.ts';
import type { NotHeld, RangeResult } from './range-outcome.ts';
import { CHARGE_TOLERANCE, LEAST_AMPS, rideOn, type RideOn } from './ride-on.ts';
import { limitAt, wayAt, waysToHold, type Legs, type Way } from './ways.ts';

/** An outcome whose ride on is worked out when it is first asked for: a card that does not show it pays nothing. */
export interface Unridden {
  readonly held: Omit<RangeResult, 'on'> | undefined;
  readonly not: Omit<NotHeld, 'on'> | undefined;
  readonly on: () => RideOn | undefined;
}

/** The pack stands above the controller's cut-off at a state of charge, at rest. */
const wakes = ({ pack, limits }: Pick<Machine, 'pack' | 'limits'>, charge: number): boolean =>
  supplyAt(pack, charge).openVolts > limits.lowVolts;

const SEGMENT = 0.1;
/**
 * Range of one pack at a constant speed on the level. The end is the state of charge at which full throttle no
 * longer holds the speed (the low-voltage cut-off, or too few volts), found by bisection; the distance is
 * v times the integral of capacity over current, two-point Gauss per 10 % of charge (within 0.1 % of
 * stepping), Peukert's law and the warming of the cells included.
 * @param v m/s, above 0
 * @param startCharge 0 to 1
 */
export function onePackRange(machine: Machine, v: number, startCharge: number, legs: Legs): Unridden {
  const { pack } = machine;
  // A controller that the pack does not wake gives nothing: what the legs would do alone for ever is no range.
  if (!wakes(machine, startCharge))
    return {
      held: undefined,
      not: { holds: false, v, wakes: false, limit: 'low-voltage' },
      on: () => undefined,
    };
  const ways = waysToHold(machine, v, legs);
  const at = (charge: number, cellC: number): Way | undefined =>
    wayAt(machine, ways, supplyAt(pack, charge, cellC), v);
  const first = at(startCharge, pack.temperatureC);
  if (first === undefined || startCharge <= leastCharge(pack.chemistry, pack.temperatureC))
    return {
      held: undefined,
      not: { holds: false, v, wakes: true, limit: limitAt(machine, ways, supplyAt(pack, startCharge), v) },
      on: () => rideOn(machine, v, startCharge, pack.temperatureC, legs),
    };
  const amps = (way: Way, charge: number, cellC: number): number =>
    Math.max(LEAST_AMPS, batteryAmps(supplyAt(pack, charge, cellC), way.batteryW));
  const descent = new Descent(pack, startCharge);
  let way = first;
  let joules = 0;
  let stopped = false;
  while (!stopped && descent.charge > 1e-12) {
    const low = Math.max(0, Math.ceil(descent.charge / SEGMENT - 1e-9) * SEGMENT - SEGMENT);
    const middle = (descent.charge + low) / 2;
    const there = at(middle, descent.cellC);
    way = there ?? way;
    // Where it is not held so far down, what flows here says how the cells warm.
    const course = descent.course(
      low,
      amps(way, there === undefined ? descent.charge : middle, descent.cellC),
    );
    const held = (charge: number): boolean =>
      at(charge, course(charge)) !== undefined && charge >= leastCharge(pack.chemistry, course(charge));
    stopped = !held(low);
    const to = stopped ? lastTrue(held, descent.charge, low, CHARGE_TOLERANCE) : low;
    const here = way;
    // What is taken goes with the way at each point: between two of them legs may come to push, and the motor to rest.
    let joulesPerCharge = 0;
    const seconds = gauss2(
      (charge) => {
        const cellC = course(charge);
        const one = at(charge, cellC) ?? here;
        const perCharge = descent.secondsPerCharge(amps(one, charge, cellC));
        joulesPerCharge += (perCharge * one.batteryW) / 2;
        return perCharge;
      },
      to,
      descent.charge,
    );
    joules += (descent.charge - to) * joulesPerCharge;
    descent.goTo(to, course(to), seconds);
  }
  const { charge: endCharge, cellC: endC, seconds } = descent;
  const empty = endCharge <= leastCharge(pack.chemistry, endC) + CHARGE_TOLERANCE;
  const ends = empty
    ? 'empty'
    : limitAt(machine, ways, supplyAt(pack, Math.max(0, endCharge - CHARGE_TOLERANCE), endC), v);
  const stated = Math.max(endCharge, Math.min(0.5, startCharge));
  // Half empty and as cold as at the start it may not hold what it holds once it has warmed: told as it begins then.
  const half = at(stated, pack.temperatureC);
  const [then, thenCharge] = half === undefined ? [first, startCharge] : [half, stated];
  return {
    held: {
      holds: true,
      v,
      metres: v * seconds,
      seconds,
      usedWh: joules / 3600,
      endCharge,
      ends,
      whPerKm: then.batteryW / (v * 3.6),
      batteryA: amps(then, thenCharge, pack.temperatureC),
      riderN: then.riderN,
      motorN: then.motorN,
      motorRatio: then.gear.motorRatio,
    },
    not: undefined,
    on: () => (empty ? undefined : rideOn(machine, v, endCharge, endC, legs)),
  };
}
