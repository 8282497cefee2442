import type { Supply } from '../machine/battery.ts';
import type { Gear } from '../machine/driveline.ts';
import type { Limit } from '../machine/limits.ts';
import type { Machine } from '../machine/machine.ts';
import { opensAfter } from '../machine/trips.ts';
import { riderForce } from '../machine/rider.ts';
import { roadForce } from '../machine/road-load.ts';
import {
  batteryAmps,
  electricalWatts,
  handShare,
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
  const most = Math.min(legs === 'helping' ? machine.rider.ease * all : all, Math.max(0, load));
  if (legs !== 'resting') return most;
  return Math.min(most, machine.assistRatio === Infinity ? 0 : load / (1 + machine.assistRatio));
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
  legs === 'helping' && machine.rider.ease < 1
    ? [...waysWith(machine, v, legs), ...waysWith(machine, v, 'pushing')]
    : waysWith(machine, v, legs);

function waysWith(machine: Machine, v: number, legs: Given): readonly Way[] {
  const load = roadForce(machine.road, v, 0);
  const ways = machine.gears.map((gear): Way => {
    const way = wayIn(machine, gear, v, load, riderShare(machine, gear, v, load, legs));
    return legs === 'resting' ? mixedWay(machine, gear, v, load, way) : way;
  });
  ways.sort((a, b) => a.batteryW - b.batteryW);
  return machine.kind === 'mid-drive' ? ways : ways.slice(0, 1);
}

/** The first way that full throttle reaches with this supply. */
export function wayAt(machine: Machine, ways: readonly Way[], supply: Supply, v: number): Way | undefined {
  return ways.find((way) => {
    // Lamps and standby take their share even where the motor rests.
    const amps = batteryAmps(supply, way.batteryW);
    // Held for long, what opens the board after seconds is not held at all.
    if (amps === Infinity || opensAfter(machine.limits.bmsA, amps) !== undefined) return false;
    if (way.phaseA === 0) return true;
    return operatingPoint(machine, way.gear, supply, v).forceN >= way.motorN - FORCE_HAIR;
  });
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
    if (short <= FORCE_HAIR && opensAfter(machine.limits.bmsA, amps) !== undefined) return 'pack-protection';
    if (short < nearest) {
      nearest = short;
      limit = amps === Infinity ? 'pack-power' : point.limit;
    }
  }
  return limit;
}
