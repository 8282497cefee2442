import type { Supply } from '../machine/battery.ts';
import { supplyOn } from '../machine/diodes.ts';
import type { Gear } from '../machine/driveline.ts';
import type { Limit } from '../machine/limits.ts';
import type { Machine } from '../machine/machine.ts';
import { withMagnetsAt } from '../machine/magnets.ts';
import { roadForce } from '../machine/road-load.ts';
import { caseCooling, caseSettles } from '../machine/controller-heat.ts';
import { airCooling, secondsTo, warmthAfter, type SteadyHeat } from '../machine/thermal.ts';
import { circuitAt } from './circuit.ts';
import { bearableC, heatOf } from './continuous.ts';
import { easeAt, partThrottleAmps } from './operating-point.ts';
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

const sooner = (a: number | undefined, b: number | undefined): number | undefined =>
  a === undefined || b === undefined ? (a ?? b) : Math.min(a, b);

/** Longer than any ride, s. */
const LONGEST_S = 6 * 3600;

/**
 * Seconds of an even load until the controller folds back by its own heat, from the air's temperature; undefined where it
 * does not in six hours. In the motor's shell it follows the shell, which its loss warms as well.
 */
function foldsAfter(machine: Machine, v: number, watts: number, heat: SteadyHeat): number | undefined {
  const { controllerHeat: h, airC, thermal } = machine;
  const cooling = caseCooling(h, v);
  const rate = (cooling + h.shellWK) / h.heatJK;
  if (h.shellWK === 0) {
    const end = caseSettles(h, watts, cooling, airC, airC);
    if (end <= h.foldStartC) return undefined;
    const seconds = Math.log((end - airC) / (end - h.foldStartC)) / rate;
    return seconds < LONGEST_S ? seconds : undefined;
  }
  const air = airCooling(thermal, v);
  const cold = { windingC: airC, shellC: airC };
  const caseAt = (seconds: number): number =>
    warmthAfter(thermal, cold, heat, air, airC, seconds).shellC +
    (watts / h.shellWK) * (1 - Math.exp(-rate * seconds));
  if (!(caseAt(LONGEST_S) >= h.foldStartC)) return undefined;
  let [low, high] = [0, LONGEST_S];
  while (high - low > 1) {
    const middle = (low + high) / 2;
    if (caseAt(middle) < h.foldStartC) low = middle;
    else high = middle;
  }
  return high;
}

/** How long a part of the throttle is borne, from cold, and how warm the shell is half-way there, or in the end. */
interface Borne {
  readonly seconds: number | undefined;
  readonly shellC: number;
}

function borneFor(machine: Machine, gear: Gear, v: number, motorN: number, supply: Supply): Borne {
  const { thermal, airC } = machine;
  const cold = { windingC: airC, shellC: airC };
  const phaseA = partThrottleAmps(machine, gear, v, motorN);
  const caseW = circuitAt(machine, gear, v, phaseA, supply).controllerW;
  const own = heatOf(machine, gear, v, phaseA);
  const heat = machine.controllerHeat.shellWK === 0 ? own : { ...own, shellW: own.shellW + caseW };
  const cooling = airCooling(thermal, v);
  const seconds = sooner(
    secondsTo(bearableC(machine), thermal, cold, heat, cooling, airC),
    foldsAfter(machine, v, caseW, heat),
  );
  const { shellC } = warmthAfter(
    thermal,
    cold,
    heat,
    cooling,
    airC,
    seconds === undefined ? LONGEST_S : seconds / 2,
  );
  return { seconds, shellC };
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
  const supply = supplyOn(machine, charge);
  const pulls = speeds.map((v) => traction(machine, supply, v, choice));
  return grades.flatMap((gradePct) =>
    speeds.map((v, i): MapCell => {
      const pull = pulls[i];
      if (pull === undefined) throw new TypeError('a speed without its pull');
      const load = roadForce(machine.road, v, gradePct);
      // Legs ease off while the motor has force to spare.
      const motorN = Math.max(0, Math.min(pull.motorN, load - easeAt(machine, v) * pull.riderN));
      const reached = pull.totalN >= load;
      const bears = (at: Machine): Borne => borneFor(at, pull.gear, v, motorN, supply);
      return {
        v,
        gradePct,
        reached,
        limit: pull.limit,
        // Magnets that warm on the way ask for more amps: they are taken as they are half-way.
        bears: reached ? bears(withMagnetsAt(machine, bears(machine).shellC)).seconds : undefined,
      };
    }),
  );
}
