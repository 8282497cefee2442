import { batteryAmps, type Supply } from '../machine/battery.ts';
import type { Gear } from '../machine/driveline.ts';
import type { Limit } from '../machine/limits.ts';
import type { Machine } from '../machine/machine.ts';
import { boardOpensAfter } from '../machine/diodes.ts';
import { riderForce } from '../machine/rider.ts';
import { roadForce } from '../machine/road-load.ts';
import {
  easeAt,
  electricalWatts,
  handShare,
  helpIn,
  operatingPoint,
  partThrottleAmps,
} from './operating-point.ts';

/** A force this far short (N) still counts as held: it is the rounding of a root, not a want of power. */
const FORCE_HAIR = 1e-9;

/**
 * One way of holding a speed: a gear, the motor's share of the force and what it takes. None of this
 * depends on the state of charge; only whether full throttle reaches it does.
 */
export interface Way {
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
/** Helping with all they have, where that is what it takes. */
type Given = Legs | 'pushing';

function riderShare(machine: Machine, gear: Gear, v: number, load: number, legs: Given): number {
  const all = riderForce(machine.rider, gear, machine.chainEfficiency, v);
  const most = Math.min(legs === 'helping' ? easeAt(machine, v) * all : all, Math.max(0, load));
  if (legs !== 'resting') return most;
  const ratio = machine.assistRatio * helpIn(machine, gear);
  return Math.min(most, ratio === Infinity ? 0 : load / (1 + ratio));
}

/** A gear at `v` with a share of the load on the legs. */
function wayIn(machine: Machine, gear: Gear, v: number, load: number, riderN: number): Way {
  const motorN = load - riderN;
  const phaseA = partThrottleAmps(machine, gear, v, motorN);
  return { gear, riderN, motorN, phaseA, batteryW: electricalWatts(machine, gear, phaseA, v) };
}

/**
 * Legs that rest on a machine that is ridden partly by the throttle: on that share of the way they give nothing, on the
 * rest what proportion asks. The watts are mixed by the share; the throttle's own is what has to be reached.
 */
function mixedWay(machine: Machine, gear: Gear, v: number, load: number, pedalled: Way): Way {
  const share = handShare(machine, v);
  if (share === 0 || pedalled.riderN === 0) return pedalled;
  const byHand = wayIn(machine, gear, v, load, 0);
  return {
    ...byHand,
    riderN: pedalled.riderN * (1 - share),
    batteryW: share * byHand.batteryW + (1 - share) * pedalled.batteryW,
  };
}

/**
 * The ways of holding `v` on the level, least battery power first. A hub has one: the rider's best gear. Legs that ease off
 * behind the motor push after all where nothing else holds it.
 */
export const waysToHold = (machine: Machine, v: number, legs: Legs): readonly Way[] =>
  legs === 'helping' && easeAt(machine, v) < 1
    ? [...waysWith(machine, v, legs), ...waysWith(machine, v, 'pushing')]
    : waysWith(machine, v, legs);

function waysWith(machine: Machine, v: number, legs: Given): readonly Way[] {
  const ways = unsorted(machine, v, legs);
  if (ways.length > 1) ways.sort((a, b) => a.batteryW - b.batteryW);
  return ways;
}

function unsorted(machine: Machine, v: number, legs: Given): Way[] {
  const load = roadForce(machine.road, v, 0);
  const { gears } = machine;
  if (machine.kind === 'mid-drive')
    return gears.map((gear) =>
      wayWith(machine, gear, v, load, legs, riderShare(machine, gear, v, load, legs)),
    );
  // The gears are the legs' alone: where they give most, the motor gives least.
  let best: Gear | undefined;
  let most = -Infinity;
  for (const gear of gears) {
    const riderN = riderShare(machine, gear, v, load, legs);
    if (riderN > most) [best, most] = [gear, riderN];
  }
  return best === undefined ? [] : [wayWith(machine, best, v, load, legs, most)];
}

function wayWith(machine: Machine, gear: Gear, v: number, load: number, legs: Given, riderN: number): Way {
  const way = wayIn(machine, gear, v, load, riderN);
  return legs === 'resting' ? mixedWay(machine, gear, v, load, way) : way;
}

/** Force that full throttle has to spare in a way, N; no number where the pack cannot feed it for long. */
function spareIn(machine: Machine, way: Way, supply: Supply, v: number): number {
  // Lamps and standby take their share even where the motor rests.
  const amps = batteryAmps(supply, way.batteryW);
  // Held for long, what opens the board after seconds is not held at all.
  if (amps === Infinity || boardOpensAfter(supply, machine.limits.bmsA, amps) !== undefined) return -Infinity;
  const spare = operatingPoint(machine, way.gear, supply, v).forceN - way.motorN;
  // A motor that may rest is never short.
  return way.phaseA === 0 ? Math.max(0, spare) : spare;
}

/** The first way that full throttle reaches with this supply. */
export function wayAt(machine: Machine, ways: readonly Way[], supply: Supply, v: number): Way | undefined {
  for (const way of ways) if (spareIn(machine, way, supply, v) >= -FORCE_HAIR) return way;
  return undefined;
}

/** What the legs keep back where they carry it alone, N. */
const heldBack = (machine: Machine, { gear, riderN }: Way, v: number): number =>
  riderForce(machine.rider, gear, machine.chainEfficiency, v) - riderN;

/**
 * How much force is to spare where most is, N, by which a search for the fastest speed finds its way: that of full throttle,
 * and of the legs. Legs that could push do so: what they leave to the motor is least.
 */
export function spareAt(machine: Machine, supply: Supply, v: number, legs: Legs): number {
  const pushing = legs === 'helping';
  let most = -Infinity;
  for (const way of unsorted(machine, v, pushing ? 'pushing' : legs)) {
    const spare = spareIn(machine, way, supply, v);
    most = Math.max(most, pushing && way.phaseA === 0 ? spare + heldBack(machine, way, v) : spare);
  }
  return most;
}

/** What stops the machine from holding a speed: the limit in the gear that comes nearest. */
export function limitAt(machine: Machine, ways: readonly Way[], supply: Supply, v: number): Limit {
  let nearest = Infinity;
  let limit: Limit = 'no-motor';
  for (const way of ways) {
    const amps = batteryAmps(supply, way.batteryW);
    const point = operatingPoint(machine, way.gear, supply, v);
    const short = way.motorN - point.forceN;
    if (amps === Infinity && short <= FORCE_HAIR) return 'pack-power';
    // Strong enough: then it is the board that opens.
    if (short <= FORCE_HAIR && boardOpensAfter(supply, machine.limits.bmsA, amps) !== undefined)
      return 'pack-protection';
    if (short < nearest) {
      nearest = short;
      limit = amps === Infinity ? 'pack-power' : point.limit;
    }
  }
  return limit;
}
