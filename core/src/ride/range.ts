import { coldAgedCapacityAh, peukertFactor, supplyAt, type Supply } from '../machine/battery.ts';
import type { Gear } from '../machine/driveline.ts';
import type { Limit } from '../machine/limits.ts';
import type { Machine, PackAboard } from '../machine/machine.ts';
import { riderForce } from '../machine/rider.ts';
import { roadForce } from '../machine/road-load.ts';
import { gauss2, lastTrue } from '../quantity/numerics.ts';
import { sharePower } from './packs-together.ts';
import { batteryAmps, operatingPoint, partThrottleAmps, electricalWatts } from './operating-point.ts';

/**
 * One way of holding a speed: a gear, the motor's share of the force and what it takes. None of this
 * depends on the state of charge; only whether full throttle reaches it does.
 */
interface Way {
  readonly gear: Gear;
  readonly riderN: number;
  readonly motorN: number;
  readonly phaseA: number;
  readonly batteryW: number;
}

/**
 * What the legs do while a speed is held: give the rider's power, or as little as the controls let them,
 * which is nothing, or with help in proportion their share of the load.
 */
export type Legs = 'helping' | 'resting';

function riderShare(machine: Machine, gear: Gear, v: number, load: number, legs: Legs): number {
  const most = Math.min(riderForce(machine.rider, gear, machine.chainEfficiency, v), Math.max(0, load));
  if (legs === 'helping') return most;
  return Math.min(most, machine.assistRatio === Infinity ? 0 : load / (1 + machine.assistRatio));
}

/** The ways of holding `v` on the level, least battery power first. A hub has one: the rider's best gear. */
function waysToHold(machine: Machine, v: number, legs: Legs): readonly Way[] {
  const load = roadForce(machine.road, v, 0);
  const ways = machine.gears.map((gear): Way => {
    const riderN = riderShare(machine, gear, v, load, legs);
    const motorN = load - riderN;
    const phaseA = partThrottleAmps(machine, gear, v, motorN);
    return { gear, riderN, motorN, phaseA, batteryW: electricalWatts(machine, gear, phaseA, v) };
  });
  ways.sort((a, b) => a.batteryW - b.batteryW);
  return machine.kind === 'mid-drive' ? ways : ways.slice(0, 1);
}

/** The first way that full throttle reaches with this supply. */
function wayAt(machine: Machine, ways: readonly Way[], supply: Supply, v: number): Way | undefined {
  return ways.find((way) => {
    // Lamps and standby take their share even where the motor rests.
    if (batteryAmps(supply, way.batteryW) === Infinity) return false;
    if (way.phaseA === 0) return true;
    return operatingPoint(machine, way.gear, supply, v).forceN >= way.motorN - FORCE_HAIR;
  });
}

/** Constant-speed range on the level. */
export interface RangeResult {
  readonly holds: true;
  readonly v: number;
  /** From the charge limit to the end, m. */
  readonly metres: number;
  /** Taken from the pack's terminals over the whole range, Wh. */
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
}

export type RangeOutcome = RangeResult | { readonly holds: false; readonly v: number; readonly limit: Limit };

const SEGMENT = 0.1;
/** A force this far short (N) still counts as held: it is the rounding of a root, not a want of power. */
const FORCE_HAIR = 1e-9;
/** The end of the charge is found to this share. */
const CHARGE_TOLERANCE = 1e-4;
/** Below this current (A) the pack would last for days and "range" means nothing. */
const LEAST_AMPS = 0.01;

/** What stops the machine from holding a speed: the limit in the gear that comes nearest. */
function limitAt(machine: Machine, ways: readonly Way[], charge: number, v: number): Limit {
  const supply = supplyAt(machine.pack, charge);
  let nearest = Infinity;
  let limit: Limit = 'no-motor';
  for (const way of ways) {
    if (batteryAmps(supply, way.batteryW) === Infinity) return 'pack-power';
    const point = operatingPoint(machine, way.gear, supply, v);
    if (way.motorN - point.forceN < nearest) {
      nearest = way.motorN - point.forceN;
      limit = point.limit;
    }
  }
  return limit;
}

/**
 * Range of one pack at a constant speed on the level. The end is the state of charge at which full throttle no
 * longer holds the speed (the low-voltage cut-off, or too few volts), found by bisection; the distance is
 * v times the integral of capacity over current, two-point Gauss per 10 % of charge (within 0.08 % of
 * stepping), Peukert's law included.
 * @param v m/s, above 0
 * @param startCharge 0 to 1
 */
function onePackRange(machine: Machine, v: number, startCharge: number, legs: Legs): RangeOutcome {
  const ways = waysToHold(machine, v, legs);
  const at = (charge: number): Way | undefined => wayAt(machine, ways, supplyAt(machine.pack, charge), v);
  const first = at(startCharge);
  if (first === undefined) return { holds: false, v, limit: limitAt(machine, ways, startCharge, v) };
  const held = (charge: number): boolean => at(charge) !== undefined;
  const endCharge = held(0) ? 0 : lastTrue(held, startCharge, 0, CHARGE_TOLERANCE);
  const ends =
    endCharge === 0 ? 'empty' : limitAt(machine, ways, Math.max(0, endCharge - CHARGE_TOLERANCE), v);

  const capacityAs = coldAgedCapacityAh(machine.pack) * 3600;
  const amps = (way: Way, charge: number): number =>
    Math.max(LEAST_AMPS, batteryAmps(supplyAt(machine.pack, charge), way.batteryW));
  // A way that still serves at the end has served all along: then nothing is searched on the way.
  const steady = at(endCharge) === first;
  const wayFor = (charge: number): Way => (steady ? first : (at(charge) ?? first));
  const secondsPerCharge = (charge: number): number => {
    const current = amps(wayFor(charge), charge);
    return capacityAs / (current * peukertFactor(machine.pack, current));
  };
  let joules = 0;
  let seconds = 0;
  for (let high = startCharge; high > endCharge + 1e-12;) {
    const low = Math.max(endCharge, Math.ceil(high / SEGMENT - 1e-9) * SEGMENT - SEGMENT);
    const part = gauss2(secondsPerCharge, low, high);
    seconds += part;
    joules += part * wayFor((low + high) / 2).batteryW;
    high = low;
  }

  const stated = Math.max(endCharge, Math.min(0.5, startCharge));
  const way = wayFor(stated);
  return {
    holds: true,
    v,
    metres: v * seconds,
    usedWh: joules / 3600,
    endCharge,
    ends,
    whPerKm: way.batteryW / (v * 3.6),
    batteryA: amps(way, stated),
    riderN: way.riderN,
    motorN: way.motorN,
    motorRatio: way.gear.motorRatio,
  };
}

/**
 * Range of a machine with several packs behind diodes: all are drawn from as their volts decide, at the power
 * that the speed asks, until full throttle no longer holds it. Fields of one pack are the first's.
 */
function combinedRange(machine: Machine, v: number, startCharge: number, legs: Legs): RangeOutcome {
  const alone = onePackRange(machine, v, startCharge, legs);
  const ways = waysToHold(machine, v, legs);
  const way = ways[0];
  if (!alone.holds || way === undefined) return alone;
  const sharing = sharePower(
    [machine.pack, ...machine.others.map((other) => other.pack)],
    way.batteryW,
    'combiner',
    [startCharge, ...machine.others.map((other) => Math.min(startCharge, other.charge))],
    (bus) => wayAt(machine, ways, bus, v) !== undefined,
    machine.diodeV,
  );
  return { ...alone, metres: v * sharing.hours * 3600, usedWh: sharing.outWh };
}

/** One pack after the other by hand: the ranges add. */
function switchedRange(machine: Machine, v: number, startCharge: number, legs: Legs): RangeOutcome {
  return machine.others.reduce<RangeOutcome>(
    (sum, other) => {
      const more = onePackRange(onPack(machine, other), v, Math.min(startCharge, other.charge), legs);
      if (!sum.holds) return more.holds ? more : sum;
      return more.holds
        ? { ...sum, metres: sum.metres + more.metres, usedWh: sum.usedWh + more.usedWh }
        : sum;
    },
    onePackRange(machine, v, startCharge, legs),
  );
}

/** The machine running on one of its packs alone. */
export const onPack = (machine: Machine, { pack, bmsA }: PackAboard): Machine => ({
  ...machine,
  others: [],
  pack,
  limits: { ...machine.limits, bmsA },
});

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
  if (machine.others.length === 0) return onePackRange(machine, v, startCharge, legs);
  return machine.join === 'switch'
    ? switchedRange(machine, v, startCharge, legs)
    : combinedRange(machine, v, startCharge, legs);
}
