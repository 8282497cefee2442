import { supplyAt, wholeCapacityAh } from '../machine/battery.ts';
import { meanPowerOver } from '../machine/rider.ts';
import type { Machine } from '../machine/machine.ts';
import { onePackRange, type Unridden } from './one-pack-range.ts';
import type { RangeOutcome } from './range-outcome.ts';
import type { RideOn } from './ride-on.ts';
import { combinedRange, switchedRange } from './several-packs-range.ts';
import { waysToHold, type Legs } from './ways.ts';

function outcomeOf({ held, not, on }: Unridden): RangeOutcome {
  const fields = held ?? not;
  if (fields === undefined) throw new TypeError('a range is held or it is not');
  let ridden: { readonly on: RideOn | undefined } | undefined;
  return {
    ...fields,
    get on() {
      ridden ??= { on: on() };
      return ridden.on;
    },
  };
}

/** Nobody rides for longer than this at a stretch, h. */
const LONGEST_H = 12;

/** The machine with the legs of a ride as long as the charge lasts at its speed: their mean over it, found in one step. */
function tired(machine: Machine, v: number, startCharge: number): Machine {
  const { rider } = machine;
  if (rider.powerW === 0) return machine;
  const watts = Math.max(1, waysToHold(machine, v, 'helping')[0]?.batteryW ?? 1);
  const packs = [machine.pack, ...machine.others.map((other) => other.pack)];
  const wh = packs.reduce(
    (sum, pack) => sum + wholeCapacityAh(pack) * supplyAt(pack, startCharge / 2).openVolts,
    0,
  );
  const share = meanPowerOver(Math.min(LONGEST_H, (wh * startCharge) / watts));
  return share === 1 ? machine : { ...machine, rider: { ...rider, powerW: rider.powerW * share } };
}

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
  // Where nothing asks for its help the legs ride alone: that is no range of a motor.
  if (machine.control === 'none') return { holds: false, v, wakes: true, limit: 'no-motor', on: undefined };
  const ridden = legs === 'helping' ? tired(machine, v, startCharge) : machine;
  if (machine.others.length === 0) return outcomeOf(onePackRange(ridden, v, startCharge, legs));
  const joined = machine.join === 'switch' ? switchedRange : combinedRange;
  return outcomeOf(joined(ridden, v, startCharge, legs));
}
