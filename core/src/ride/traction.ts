import type { Supply } from '../machine/battery.ts';
import { cadenceRpm, type Gear } from '../machine/driveline.ts';
import type { Limit } from '../machine/limits.ts';
import type { Machine } from '../machine/machine.ts';
import { riderForce } from '../machine/rider.ts';
import { operatingPoint, type OperatingPoint } from './operating-point.ts';

/** Motor and rider together at one speed, in the gear chosen for it. */
export interface Traction {
  readonly totalN: number;
  readonly motorN: number;
  readonly riderN: number;
  readonly phaseA: number;
  readonly limit: Limit;
  readonly gear: Gear;
}

/** How the gear is chosen: the one of most force within the cadence span, or one held. */
export type GearChoice = 'best' | Gear;

function tractionIn(
  machine: Machine,
  gear: Gear,
  supply: Supply,
  v: number,
  motor: OperatingPoint = operatingPoint(machine, gear, supply, v),
): Traction {
  const riderN = riderForce(machine.rider, gear, machine.chainEfficiency, v);
  return {
    totalN: motor.forceN + riderN,
    motorN: motor.forceN,
    riderN,
    phaseA: motor.phaseA,
    limit: motor.limit,
    gear,
  };
}

const inSpan = (machine: Machine, gear: Gear, v: number): boolean => {
  const cadence = cadenceRpm(gear, v);
  return cadence >= machine.rider.cadenceMinRpm && cadence <= machine.rider.cadenceMaxRpm;
};

/**
 * Most force at the tyre at `v` m/s. Where the rider pedals, gears inside the cadence span come first;
 * when none is (very slow or very fast), all are tried.
 */
export function traction(machine: Machine, supply: Supply, v: number, choice: GearChoice): Traction {
  if (choice !== 'best') return tractionIn(machine, choice, supply, v);
  const pedals = machine.rider.powerW > 0 || machine.control === 'pedals';
  const lowest = machine.gears[0];
  // A hub motor does not feel the cogs: its point is worked out once and only the rider's gear is chosen.
  const hub =
    machine.kind === 'mid-drive' || lowest === undefined
      ? undefined
      : operatingPoint(machine, lowest, supply, v);
  let best: Traction | undefined;
  let bestInSpan = false;
  for (const gear of machine.gears) {
    const spanned = pedals && inSpan(machine, gear, v);
    if (bestInSpan && !spanned) continue;
    const tried = tractionIn(machine, gear, supply, v, hub);
    if (best === undefined || (spanned && !bestInSpan) || tried.totalN > best.totalN) {
      best = tried;
      bestInSpan = spanned;
    }
  }
  if (best === undefined) throw new TypeError('a machine has at least one gear');
  return best;
}
