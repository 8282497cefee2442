import { batteryAmps, leastCharge, supplyAt, wholeCapacityAh } from '../machine/battery.ts';
import { aboardAt, diodesAt, supplyOn } from '../machine/diodes.ts';
import { merged, sameKind } from '../machine/joined-packs.ts';
import type { Limit } from '../machine/limits.ts';
import { meanPowerOver } from '../machine/rider.ts';
import type { Machine, PackAboard } from '../machine/machine.ts';
import { gauss2, lastTrue } from '../quantity/numerics.ts';
import { sharePower } from './packs-together.ts';
import { Descent } from './descent.ts';
import { STATED_CHARGE } from './stated.ts';
import { CHARGE_TOLERANCE, LEAST_AMPS, rideOn, type RideOn } from './ride-on.ts';
import { limitAt, wayAt, waysToHold, type Legs, type Way } from './ways.ts';

/** Constant-speed range on the level. */
interface RangeResult {
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
interface NotHeld {
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

/** An outcome whose ride on is worked out when it is first asked for: a card that does not show it pays nothing. */
interface Unridden {
  readonly held: Omit<RangeResult, 'on'> | undefined;
  readonly not: Omit<NotHeld, 'on'> | undefined;
  readonly on: () => RideOn | undefined;
}

function outcomeOf({ held, not, on }: Unridden): RangeOutcome {
  const fields = held ?? not;
  if (fields === undefined) throw new TypeError('a range is held or it is not');
  let ridden: { readonly on: RideOn | undefined } | undefined;
  return {
    ...fields,
    get on() {
      ridden ??= { on: on() };
      return ridden.on;
    },
  };
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
function onePackRange(machine: Machine, v: number, startCharge: number, legs: Legs): Unridden {
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
    const seconds = gauss2(
      (charge) => {
        const cellC = course(charge);
        return descent.secondsPerCharge(amps(at(charge, cellC) ?? here, charge, cellC));
      },
      to,
      descent.charge,
    );
    joules += seconds * here.batteryW;
    descent.goTo(to, course(to), seconds);
  }
  const { charge: endCharge, cellC: endC, seconds } = descent;
  const empty = endCharge <= leastCharge(pack.chemistry, endC) + CHARGE_TOLERANCE;
  const ends = empty
    ? 'empty'
    : limitAt(machine, ways, supplyAt(pack, Math.max(0, endCharge - CHARGE_TOLERANCE), endC), v);
  const stated = Math.max(endCharge, Math.min(0.5, startCharge));
  const then = at(stated, pack.temperatureC) ?? first;
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
      batteryA: amps(then, stated, pack.temperatureC),
      riderN: then.riderN,
      motorN: then.motorN,
      motorRatio: then.gear.motorRatio,
    },
    not: undefined,
    on: () => (empty ? undefined : rideOn(machine, v, endCharge, endC, legs)),
  };
}

/** What is ridden on with behind diodes: packs of one kind as one, else the fullest alone. Their diodes are left out. */
function ridingOn(machine: Machine, aboard: readonly PackAboard[], charges: readonly number[]) {
  const [first, ...others] = aboard as readonly [PackAboard, ...PackAboard[]];
  if (others.every(({ pack }) => sameKind(first.pack, pack))) {
    const ah = aboard.reduce((sum, { pack }) => sum + wholeCapacityAh(pack), 0);
    return {
      charge: aboard.reduce((sum, { pack }, i) => sum + (wholeCapacityAh(pack) * (charges[i] ?? 0)) / ah, 0),
      on: onPack(machine, {
        pack: others.reduce((whole, { pack }) => merged(whole, pack), first.pack),
        bmsA: aboard.reduce((sum, { bmsA }) => sum + bmsA, 0),
      }),
    };
  }
  const charge = Math.max(...charges);
  return { charge, on: onPack(machine, aboard[charges.indexOf(charge)] ?? first) };
}

/** As good as nothing left to ride on with. */
const LAST = 0.005;

/**
 * Range of a machine with several packs behind diodes: all are drawn from as their volts decide, at the power that the
 * speed asks, until full throttle no longer holds it. They empty together at the end.
 */
function combinedRange(machine: Machine, v: number, startCharge: number, legs: Legs): Unridden {
  const aboard = aboardAt(machine, startCharge);
  const full = supplyOn(machine, startCharge);
  const not = (limit: Limit, on: Unridden['on'], wakens = true): Unridden => ({
    held: undefined,
    not: { holds: false, v, wakes: wakens, limit },
    on,
  });
  if (full.openVolts <= machine.limits.lowVolts) return not('low-voltage', () => undefined, false);
  const ways = waysToHold(machine, v, legs);
  const way = wayAt(machine, ways, full, v);
  const ridesOn = (charges: readonly number[]) => (): RideOn | undefined => {
    const { on, charge } = ridingOn(machine, aboard, charges);
    return charge > LAST ? rideOn(on, v, charge, on.pack.temperatureC, legs) : undefined;
  };
  if (way === undefined)
    return not(limitAt(machine, ways, full, v), ridesOn(aboard.map(({ charge }) => charge)));
  const { charges, hours, outWh } = sharePower(
    aboard,
    way.batteryW,
    'combiner',
    (bus) => wayAt(machine, ways, bus, v) !== undefined,
    machine.diodeV,
  );
  const whole = aboard.reduce((sum, { pack }) => sum + wholeCapacityAh(pack), 0);
  const endCharge = aboard.reduce(
    (sum, { pack }, i) => sum + (wholeCapacityAh(pack) / whole) * (charges[i] ?? 0),
    0,
  );
  const isEmpty = aboard.every(
    ({ pack }, i) => (charges[i] ?? 0) <= leastCharge(pack.chemistry, pack.temperatureC) + LAST,
  );
  const stated = supplyOn(machine, Math.max(endCharge, Math.min(STATED_CHARGE, startCharge)));
  return {
    held: {
      holds: true,
      v,
      metres: v * hours * 3600,
      seconds: hours * 3600,
      usedWh: outWh,
      endCharge,
      ends: isEmpty ? 'empty' : limitAt(machine, ways, diodesAt(aboard, charges, machine.diodeV), v),
      whPerKm: way.batteryW / (v * 3.6),
      batteryA: Math.max(LEAST_AMPS, batteryAmps(stated, way.batteryW)),
      riderN: way.riderN,
      motorN: way.motorN,
      motorRatio: way.gear.motorRatio,
    },
    not: undefined,
    on: ridesOn(charges),
  };
}

/** Two rides on, one after the other. */
const bothOn = (a: RideOn | undefined, b: RideOn | undefined): RideOn | undefined => {
  if (a === undefined || b === undefined) return a ?? b;
  return {
    ...b,
    metres: a.metres + b.metres,
    seconds: a.seconds + b.seconds,
    usedWh: a.usedWh + b.usedWh,
    fromV: Math.max(a.fromV, b.fromV),
  };
};

/** One pack after the other by hand: the ranges add, and each is ridden on to its own end. */
function switchedRange(machine: Machine, v: number, startCharge: number, legs: Legs): Unridden {
  const each = [
    onePackRange(machine, v, startCharge, legs),
    ...machine.others.map((other) =>
      onePackRange(onPack(machine, other), v, Math.min(startCharge, other.charge), legs),
    ),
  ];
  const on = (): RideOn | undefined =>
    each.reduce<RideOn | undefined>((so, one) => bothOn(so, one.on()), undefined);
  const held = each.flatMap((one) => one.held ?? []);
  const [first] = held;
  if (first === undefined)
    return { held: undefined, not: (each.find((one) => one.not?.wakes === true) ?? each[0])?.not, on };
  const sum = (of: (one: (typeof held)[number]) => number): number =>
    held.reduce((total, one) => total + of(one), 0);
  return {
    held: {
      ...first,
      metres: sum((one) => one.metres),
      seconds: sum((one) => one.seconds),
      usedWh: sum((one) => one.usedWh),
    },
    not: undefined,
    on,
  };
}

/** The machine running on one of its packs alone. */
export const onPack = (machine: Machine, { pack, bmsA }: Pick<PackAboard, 'pack' | 'bmsA'>): Machine => ({
  ...machine,
  others: [],
  pack,
  limits: { ...machine.limits, bmsA },
});

/** Nobody rides for longer than this at a stretch, h. */
const LONGEST_H = 12;

/** The machine with the legs of a ride as long as the charge lasts at its speed: their mean over it, found in one step. */
function tired(machine: Machine, v: number, startCharge: number): Machine {
  const { rider } = machine;
  if (rider.powerW === 0) return machine;
  const watts = Math.max(1, waysToHold(machine, v, 'helping')[0]?.batteryW ?? 1);
  const packs = [machine.pack, ...machine.others.map((other) => other.pack)];
  const wh = packs.reduce(
    (sum, pack) => sum + wholeCapacityAh(pack) * supplyAt(pack, startCharge / 2).openVolts,
    0,
  );
  const share = meanPowerOver(Math.min(LONGEST_H, (wh * startCharge) / watts));
  return share === 1 ? machine : { ...machine, rider: { ...rider, powerW: rider.powerW * share } };
}

/**
 * Range at a constant speed on the level with all the packs there are. Packs joined directly are one pack to
 * the machine already.
 * @param v m/s, above 0
 * @param startCharge 0 to 1
 */
export function constantSpeedRange(
  machine: Machine,
  v: number,
  startCharge: number,
  legs: Legs = 'helping',
): RangeOutcome {
  // Where nothing asks for its help the legs ride alone: that is no range of a motor.
  if (machine.control === 'none') return { holds: false, v, wakes: true, limit: 'no-motor', on: undefined };
  const ridden = legs === 'helping' ? tired(machine, v, startCharge) : machine;
  if (machine.others.length === 0) return outcomeOf(onePackRange(ridden, v, startCharge, legs));
  const joined = machine.join === 'switch' ? switchedRange : combinedRange;
  return outcomeOf(joined(ridden, v, startCharge, legs));
}
