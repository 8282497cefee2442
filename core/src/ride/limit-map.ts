import { supplyAt } from '../machine/battery.ts';
import type { Limit } from '../machine/limits.ts';
import type { Machine } from '../machine/machine.ts';
import { roadForce } from '../machine/road-load.ts';
import { airCooling, secondsTo } from '../machine/thermal.ts';
import { bearableC, heatOf } from './continuous.ts';
import { partThrottleAmps } from './operating-point.ts';
import { traction, type GearChoice } from './traction.ts';

/** One speed on one grade: whether it is to be had, what binds there, and how long the motor bears it. */
export interface MapCell {
  readonly v: number;
  readonly gradePct: number;
  readonly reached: boolean;
  readonly limit: Limit;
  /** Seconds from cold until the winding is too hot; undefined for as long as you like. */
  readonly bears: number | undefined;
}

/**
 * Speed against grade for a machine at a charge: row by row from the least grade, each from slow to fast. A speed is
 * reached where full help holds it; what it takes of the motor there decides how long it may last.
 */
export function limitMap(
  machine: Machine,
  charge: number,
  choice: GearChoice,
  speeds: readonly number[],
  grades: readonly number[],
): readonly MapCell[] {
  const supply = supplyAt(machine.pack, charge);
  const { thermal, airC } = machine;
  const cold = { windingC: airC, shellC: airC };
  const limitC = bearableC(machine);
  const pulls = speeds.map((v) => traction(machine, supply, v, choice));
  return grades.flatMap((gradePct) =>
    speeds.map((v, i): MapCell => {
      const pull = pulls[i];
      if (pull === undefined) throw new TypeError('a speed without its pull');
      const load = roadForce(machine.road, v, gradePct);
      const motorN = Math.max(0, load - pull.riderN);
      const phaseA = partThrottleAmps(machine, pull.gear, v, motorN);
      const reached = pull.totalN >= load;
      const heat = heatOf(machine, pull.gear, v, phaseA);
      return {
        v,
        gradePct,
        reached,
        limit: pull.limit,
        bears: reached ? secondsTo(limitC, thermal, cold, heat, airCooling(thermal, v), airC) : undefined,
      };
    }),
  );
}
