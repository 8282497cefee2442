import type { Supply } from '../machine/battery.ts';
import { supplyOn } from '../machine/diodes.ts';
import type { Gear } from '../machine/driveline.ts';
import type { Machine } from '../machine/machine.ts';
import { coreDrag } from '../machine/motor.ts';
import { suitsLegs } from '../machine/rider.ts';
import { roadForce } from '../machine/road-load.ts';
import { illinois, lastTrue } from '../quantity/numerics.ts';
import { CLOSER, gearsAbout } from '../machine/ratios.ts';
import { partThrottleAmps } from './operating-point.ts';
import { traction, type GearChoice, type Traction } from './traction.ts';

/** The highest steady speed on a grade, or that there is none. */
export type SteadyOutcome =
  | { readonly moves: true; readonly v: number; readonly traction: Traction }
  | { readonly moves: false; readonly traction: Traction };

/** Search starts here (m/s) and comes down in steps; above it only a downhill or an error would be found. */
const FASTEST = 30;
const STEP = 2;
/** A machine that cannot hold this speed (m/s) is called stalled. */
const CRAWL = 0.3;
/** 1e-7 m/s: far below what any speed is shown to. */
const SPEED_TOLERANCE = 1e-7;

/** Forces this close (N) balance; a greater difference means that the force jumps at the root. */
const BALANCE_N = 1e-3;

/**
 * The outcome at a root. Where the force jumps (a speed limit without a fade, a gear that leaves the
 * cadence span) there is too much of it below and too little above: the machine then rides at the edge on
 * part throttle, held there by whatever takes over above.
 */
function balanced(
  machine: Machine,
  supply: Supply,
  gradePct: number,
  choice: GearChoice,
  low: number,
  root: number,
): SteadyOutcome {
  const here = traction(machine, supply, root, choice);
  if (Math.abs(here.totalN - roadForce(machine.road, root, gradePct)) <= BALANCE_N) {
    return { moves: true, v: root, traction: here };
  }
  const pulls = (u: number): boolean =>
    traction(machine, supply, u, choice).totalN >= roadForce(machine.road, u, gradePct);
  const v = lastTrue(pulls, low, root + SPEED_TOLERANCE, SPEED_TOLERANCE);
  const below = traction(machine, supply, v, choice);
  const above = traction(machine, supply, v + 2 * SPEED_TOLERANCE, choice);
  const load = roadForce(machine.road, v, gradePct);
  const riderN = Math.min(below.riderN, Math.max(0, load));
  const motorN = load - riderN;
  return {
    moves: true,
    v,
    traction: {
      ...below,
      riderN,
      motorN,
      totalN: load,
      phaseA: Math.min(below.phaseA, partThrottleAmps(machine, below.gear, v, motorN)),
      limit: above.gear === below.gear ? above.limit : 'cadence',
    },
  };
}

/** Just inside a gear's cadence span, where its force is whole, m/s. */
const INSIDE = 1e-6;

/**
 * Speeds to look at from the top down. A motor that follows the legs steps from gear to gear: each end of a gear's
 * cadence span may stand above its neighbours, in less width than a step: the lower one where the gears below it turn
 * the motor as fast as its volts reach.
 */
function lookedAt({ kind, control, rider, gears }: Machine): readonly number[] {
  const steps = Array.from({ length: Math.ceil((FASTEST - CRAWL) / STEP) }, (_, i) =>
    Math.max(CRAWL, FASTEST - STEP * (i + 1)),
  );
  if (kind !== 'mid-drive' || control !== 'pedals') return steps;
  const ends = gears
    .flatMap(({ crankRatio }) => [
      (rider.cadenceMaxRpm * Math.PI) / 30 / crankRatio - INSIDE,
      (rider.cadenceMinRpm * Math.PI) / 30 / crankRatio + INSIDE,
    ])
    .filter((v) => v > CRAWL && v < FASTEST);
  return [...steps, ...ends].sort((a, b) => b - a);
}

/** Speeds beyond one that was found, as close as gears below their span may take turns, m/s. */
const CLOSE = 0.1;

/** A core that takes this share of a motor's torque and more leaves clearly more of it where the motor turns slower. */
const CORE_TAKES = 0.2;

function coreTakes({ motor }: Machine, { gear, phaseA }: Traction, v: number): boolean {
  return coreDrag(motor, gear.motorRatio * v) > CORE_TAKES * motor.kt * phaseA;
}

/**
 * Of a motor that follows the legs and labours below their span, as its volts leave it or its own core holds it: a taller gear may
 * pull again a little faster, where those below it have come to their end. Speeds from the top of the tallest gear down to the one
 * that was found.
 */
function beyond(machine: Machine, found: SteadyOutcome): readonly number[] {
  const { kind, control, rider, gears } = machine;
  if (kind !== 'mid-drive' || control !== 'pedals') return [];
  const { gear, limit } = found.traction;
  const v = found.moves ? found.v : 0;
  if (suitsLegs(rider, gear, v) >= 1) return [];
  if (limit !== 'voltage' && !coreTakes(machine, found.traction, v)) return [];
  const least = Math.min(...gears.map(({ crankRatio }) => crankRatio));
  const most = Math.min(FASTEST, (rider.cadenceMaxRpm * Math.PI) / 30 / least);
  const steps = Math.max(0, Math.floor((most - v) / CLOSE));
  return Array.from({ length: steps }, (_, i) => v + CLOSE * (steps - i));
}

/** Most force at `v` m/s in any ratio of a gearing that nobody has read: ever closer about the best that was tried. */
export function tractionInAnyRatio(machine: Machine, supply: Supply, v: number, tried: Traction): Traction {
  const { anyRatio } = machine;
  if (anyRatio === undefined) return tried;
  return CLOSER.reduce((best, within) => {
    const one = traction({ ...machine, gears: gearsAbout(anyRatio, best.gear, within) }, supply, v, 'best');
    return one.totalN > best.totalN ? one : best;
  }, tried);
}

/** So often the speed is found in the ratio that pulls hardest at the one before. */
const ROUNDS = 3;

/** Highest steady speed on `gradePct` with all the help there is; of a gearing that nobody has read, in the best that it may have. */
export function steadySpeed(
  machine: Machine,
  supply: Supply,
  gradePct: number,
  choice: GearChoice,
): SteadyOutcome {
  let best = steadyIn(machine, supply, gradePct, choice, lookedAt(machine));
  const more = choice === 'best' ? beyond(machine, best) : [];
  if (more.length > 0) {
    const faster = steadyIn(machine, supply, gradePct, choice, more);
    if (faster.moves) best = faster;
  }
  if (machine.anyRatio === undefined || choice !== 'best') return best;
  for (let i = 0; i < ROUNDS; i += 1) {
    const v = best.moves ? best.v : CRAWL;
    const { gear } = tractionInAnyRatio(machine, supply, v, best.traction);
    const found = steadyIn(machine, supply, gradePct, gear, lookedAt(machine));
    if (!found.moves || (best.moves && found.v - best.v < SPEED_TOLERANCE)) return best;
    best = found;
  }
  return best;
}

/** Looks at speeds from the fastest down for the first where force exceeds load, then by the Illinois method above it. */
function steadyIn(
  machine: Machine,
  supply: Supply,
  gradePct: number,
  choice: GearChoice,
  speeds: readonly number[],
): SteadyOutcome {
  const surplus = (v: number): number =>
    traction(machine, supply, v, choice).totalN - roadForce(machine.road, v, gradePct);
  let high = FASTEST;
  for (const low of speeds) {
    if (surplus(low) > 0) {
      const root = illinois(surplus, low, high, SPEED_TOLERANCE);
      return balanced(machine, supply, gradePct, choice, low, root.found ? root.x : high);
    }
    high = low;
  }
  return { moves: false, traction: traction(machine, supply, 0, choice) };
}

/** Top speed on the level at a state of charge 0 to 1. */
export const topSpeed = (machine: Machine, charge: number): SteadyOutcome =>
  steadySpeed(machine, supplyOn(machine, charge), 0, 'best');

/** Gears that turn the motor alike are one gear to a motor that drives alone. */
const toMotor = (gears: readonly Gear[]): readonly Gear[] => [
  ...new Map(gears.map((gear) => [gear.motorRatio, gear])).values(),
];

/**
 * The same machine ridden by the motor alone: the rider gives nothing, and the throttle is open even
 * where the build has none, so that the result bounds what the motor could do.
 */
export const motorAlone = (machine: Machine, massKg: number): Machine => ({
  ...machine,
  control: 'throttle',
  gears: toMotor(machine.gears),
  rider: { ...machine.rider, powerW: 0 },
  limits: { ...machine.limits, assistW: 0, handCutoff: machine.limits.cutoff },
  road: { ...machine.road, massKg, headwind: 0 },
});
