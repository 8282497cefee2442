import { supplyOn } from '../machine/diodes.ts';
import type { GearId } from '../machine/driveline.ts';
import type { Limit } from '../machine/limits.ts';
import type { Machine } from '../machine/machine.ts';
import { gradeHeldPct } from '../machine/road-load.ts';
import { lastTrue } from '../quantity/numerics.ts';
import { steadySpeed } from './steady.ts';
import { traction, type GearChoice } from './traction.ts';

/** One point of speed against grade, with what binds there. */
export interface GradePoint extends GearId {
  readonly v: number;
  readonly gradePct: number;
  /** Motor and rider together at the tyre, N. */
  readonly forceN: number;
  readonly limit: Limit;
}

/** Slowest speed of the curve, m/s: walking pace, below which no one rides. */
const SLOWEST = 0.8;
const POINTS = 40;
/** Limits change over within this much speed, m/s. */
const EDGE = 1e-3;
/** Limits that may change between two neighbouring points. */
const MOST_CHANGES = 6;

function pointAt(machine: Machine, charge: number, choice: GearChoice, v: number): GradePoint {
  const t = traction(machine, supplyOn(machine, charge), v, choice);
  return {
    v,
    gradePct: gradeHeldPct(machine.road, v, t.totalN),
    forceN: t.totalN,
    limit: t.limit,
    cogTeeth: t.gear.cogTeeth,
    hubGear: t.gear.hubGear,
  };
}

/**
 * Speed against grade from the level to walking pace, fastest first. Each point is closed form (the grade
 * that the force at that speed holds), so nothing is searched; where the binding limit changes between
 * neighbours the change is found by bisection and both sides are kept, so that the curve splits exactly.
 */
export function gradeCurve(machine: Machine, charge: number, choice: GearChoice): readonly GradePoint[] {
  const top = steadySpeed(machine, supplyOn(machine, charge), 0, choice);
  if (!top.moves) return [];
  const fastest = Math.max(top.v, SLOWEST);
  const points: GradePoint[] = [];
  for (let i = 0; i <= POINTS; i += 1) {
    const v = fastest + ((SLOWEST - fastest) * i) / POINTS;
    const point = pointAt(machine, charge, choice, v);
    let before = points.at(-1);
    // A third limit may bind for a short way between two points.
    for (let n = 0; n < MOST_CHANGES && before !== undefined && before.limit !== point.limit; n += 1) {
      const { limit, v: from } = before;
      const same = (u: number): boolean => pointAt(machine, charge, choice, u).limit === limit;
      const edge = lastTrue(same, from, v, EDGE);
      points.push(pointAt(machine, charge, choice, edge));
      if (edge - EDGE <= v) break;
      before = pointAt(machine, charge, choice, edge - EDGE);
      points.push(before);
    }
    points.push(point);
  }
  // A force that would hold a wall belongs to no road.
  return points.filter((point) => Number.isFinite(point.gradePct));
}
