import { batteryAmps, leastCharge, wholeCapacityAh } from '../machine/battery.ts';
import { aboardAt, diodesAt, supplyOn } from '../machine/diodes.ts';
import { merged, sameKind } from '../machine/joined-packs.ts';
import type { Limit } from '../machine/limits.ts';
import type { Machine, PackAboard } from '../machine/machine.ts';
import { onePackRange, type Unridden } from './one-pack-range.ts';
import { sharePower } from './packs-together.ts';
import { LEAST_AMPS, rideOn, type RideOn } from './ride-on.ts';
import { STATED_CHARGE } from './stated.ts';
import { limitAt, wayAt, waysToHold, type Legs } from './ways.ts';

/** The machine running on one of its packs alone. */
export const onPack = (machine: Machine, { pack, bmsA }: Pick<PackAboard, 'pack' | 'bmsA'>): Machine => ({
  ...machine,
  others: [],
  pack,
  limits: { ...machine.limits, bmsA },
});

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
export function combinedRange(machine: Machine, v: number, startCharge: number, legs: Legs): Unridden {
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
export function switchedRange(machine: Machine, v: number, startCharge: number, legs: Legs): Unridden {
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
