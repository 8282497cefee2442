import { batteryAmps } from '../machine/battery.ts';
import { aboardAt, diodesAt, supplyOn } from '../machine/diodes.ts';
import type { Limit } from '../machine/limits.ts';
import type { Machine, PackAboard } from '../machine/machine.ts';
import { onePackRange, type Unridden } from './one-pack-range.ts';
import { allEmpty, atFirst, LONG_STEP, sharePower } from './packs-together.ts';
import { LEAST_AMPS, type RideOn } from './ride-on.ts';
import { rideOnTogether, wholeCharge } from './ride-on-together.ts';
import { STATED_CHARGE } from './stated.ts';
import { limitAt, wayAt, waysToHold, type Legs } from './ways.ts';

/** The machine running on one of its packs alone. */
export const onPack = (machine: Machine, { pack, bmsA }: Pick<PackAboard, 'pack' | 'bmsA'>): Machine => ({
  ...machine,
  others: [],
  pack,
  limits: { ...machine.limits, bmsA },
});

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
  if (way === undefined)
    return not(limitAt(machine, ways, full, v), () => rideOnTogether(machine, v, atFirst(aboard), legs));
  const end = sharePower(
    aboard,
    (bus) => {
      const here = wayAt(machine, ways, bus, v);
      // Less than that is no range: the legs would carry it for ever.
      return here && { watts: Math.max(here.batteryW, LEAST_AMPS * bus.openVolts), v };
    },
    'combiner',
    machine.diodeV,
    atFirst(aboard),
    LONG_STEP,
  );
  const { charges, cellsC, hours, metres, outWh } = end;
  const endCharge = wholeCharge(aboard, charges);
  const isEmpty = allEmpty(aboard, end);
  const stated = supplyOn(machine, Math.max(endCharge, Math.min(STATED_CHARGE, startCharge)));
  const atHalf = batteryAmps(stated, way.batteryW);
  return {
    held: {
      holds: true,
      v,
      metres,
      seconds: hours * 3600,
      usedWh: outWh,
      endCharge,
      ends: isEmpty ? 'empty' : limitAt(machine, ways, diodesAt(aboard, charges, machine.diodeV, cellsC), v),
      whPerKm: way.batteryW / (v * 3.6),
      // Half empty and as cold as at the start they may not give it: told as it begins then.
      batteryA: Math.max(LEAST_AMPS, Number.isFinite(atHalf) ? atHalf : batteryAmps(full, way.batteryW)),
      riderN: way.riderN,
      motorN: way.motorN,
      motorRatio: way.gear.motorRatio,
    },
    not: undefined,
    on: () => (isEmpty ? undefined : rideOnTogether(machine, v, end, legs)),
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
