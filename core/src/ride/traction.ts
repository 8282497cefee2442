import type { Supply } from '../machine/battery.ts';
import type { Gear } from '../machine/driveline.ts';
import type { Limit } from '../machine/limits.ts';
import type { Machine } from '../machine/machine.ts';
import { riderForce, suitsLegs } from '../machine/rider.ts';
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

/**
 * Most force at the tyre at `v` m/s. Where the rider pedals, the gear whose force, by how well it suits the legs, is most:
 * a hub motor does not feel the cogs, and leaves the gear to the legs alone. When none suits (very slow or very fast), all
 * are tried.
 */
export function traction(machine: Machine, supply: Supply, v: number, choice: GearChoice): Traction {
  if (choice !== 'best') return tractionIn(machine, choice, supply, v);
  const pedals = machine.rider.powerW > 0 || machine.control === 'pedals';
  const feels = machine.kind === 'mid-drive';
  // What does not feel the cogs is worked out once; help that follows the torque at the cranks feels them.
  const byTorque = machine.assistOf === 'torque';
  let turned: { readonly motorRatio: number; readonly point: OperatingPoint } | undefined;
  let best: Traction | undefined;
  let bestSuits = -1;
  let bestN = -Infinity;
  for (const gear of machine.gears) {
    const suits = pedals ? suitsLegs(machine.rider, gear, v) : 0;
    // Behind a motor that does not feel it no gear is worth labouring in.
    const counts = feels ? Math.sign(suits) : Math.floor(suits);
    if (counts < bestSuits) continue;
    const { motorRatio } = gear;
    if (turned?.motorRatio !== motorRatio || byTorque)
      turned = { motorRatio, point: operatingPoint(machine, gear, supply, v) };
    const tried = tractionIn(machine, gear, supply, v, turned.point);
    const worth = feels && suits > 0 ? tried.totalN * suits : tried.totalN;
    if (counts > bestSuits || worth > bestN) {
      best = tried;
      bestSuits = counts;
      bestN = worth;
    }
  }
  if (best === undefined) throw new TypeError('a machine has at least one gear');
  return best;
}
