import { supplyOn } from '../machine/diodes.ts';
import type { Balance, Machine } from '../machine/machine.ts';
import { gradeHeldPct } from '../machine/road-load.ts';
import { firstOf } from '../quantity/first-of.ts';
import { orNull } from '../quantity/or-null.ts';
import { traction, type GearChoice } from './traction.ts';

/** Steepest grade the machine can move off on from rest, and which of three things decides it. */
export interface StartGrade {
  readonly gradePct: number;
  readonly decides: 'force' | 'grip' | 'front-lift';
  /** Null where the force would lift the machine up a wall. */
  readonly byForcePct: number | null;
  /** Null where the driven tyre does not slip before the front wheel lifts: beyond that there is no balance that it could be told of. */
  readonly byGripPct: number | null;
  readonly byLiftPct: number;
  readonly forceN: number;
}

/**
 * Grade in % at which a driven tyre slips in steady climbing, from statics: with the mass `a` ahead of the rear contact, at
 * height `h`, on wheelbase `L`, and grip `mu`, rear drive: tan = mu (L - a) / (L - mu h); front drive: tan = mu a / (L + mu h).
 * A trailer of `q` times the mass pulls back at its hitch, at height `z`: L becomes L (1 + q), and mu h becomes mu (h + q z).
 * Equal motors in both wheels ask half of the pull of each, so that mu counts twice; the wheel that slips first decides.
 * A mass ahead of the front wheel (a > L) leaves nothing on the rear one, and no more than all of it on the front.
 */
export function gripGradePct(b: Balance): number {
  const long = b.wheelbase * (1 + b.towed);
  const grip = b.drivenWheel === 'both' ? 2 * b.grip : b.grip;
  const high = grip * tippingHeight(b);
  const ahead = Math.min(b.massAhead, b.wheelbase);
  const front = (100 * grip * ahead) / (long + high);
  const rear = long <= high ? Infinity : (100 * grip * (b.wheelbase - ahead)) / (long - high);
  switch (b.drivenWheel) {
    case 'front':
      return front;
    case 'rear':
      return rear;
    case 'both':
      return Math.min(front, rear);
  }
}

/** Grade in % at which the front wheel carries nothing: tan = a / h, whatever wheel drives (statics); h as above. */
export const liftGradePct = (b: Balance): number => (100 * b.massAhead) / tippingHeight(b);

/** Height at which the grade pulls back, a trailer's share at its hitch, over the machine's own mass, m. */
const tippingHeight = (b: Balance): number => b.massHeight + b.towed * b.hitchHeight;

/**
 * Steepest starting grade at a state of charge: the least of what the force at standstill holds (rider's
 * push included), what the tyre grips, and where the front lifts. At that grade nothing is left over to
 * gather speed with. Rolling resistance counts, wind does not.
 */
export function startGrade(machine: Machine, charge: number, choice: GearChoice): StartGrade {
  const start = traction(machine, supplyOn(machine, charge), 0, choice);
  const still = { ...machine.road, headwind: 0 };
  const byForcePct = Math.max(0, gradeHeldPct(still, 0, start.totalN));
  const byGripPct = gripGradePct(machine.balance);
  const byLiftPct = liftGradePct(machine.balance);
  const gradePct = Math.min(byForcePct, byGripPct, byLiftPct);
  const decides = firstOf(
    [
      [gradePct === byForcePct, 'force'],
      [gradePct === byGripPct, 'grip'],
    ],
    'front-lift',
  );
  return {
    gradePct,
    decides,
    byForcePct: orNull(byForcePct),
    byGripPct: byGripPct > byLiftPct ? null : byGripPct,
    byLiftPct,
    forceN: start.totalN,
  };
}

/**
 * What rear and front tyres carry at rest on the level, kg, with the mass `a` ahead of the rear contact on
 * a wheelbase `L` (moments about the rear contact, statics): front = m a / L.
 */
export function axleLoadsKg(massKg: number, b: Balance): { readonly rear: number; readonly front: number } {
  const front = (massKg * b.massAhead) / b.wheelbase;
  return { rear: massKg - front, front };
}
