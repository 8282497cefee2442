import type { BuildDocument } from '../../document/document.ts';
import { knownBuild } from '../../document/known.ts';
import type { KnownBuild } from '../../document/known-build.ts';
import { assembleKnown } from '../../machine/assemble.ts';
import { fullChargeVolts, wholeCapacityAh, type Supply } from '../../machine/battery.ts';
import { supplyOn } from '../../machine/diodes.ts';
import type { Machine } from '../../machine/machine.ts';
import { roadForce } from '../../machine/road-load.ts';
import { STANDARD_GRAVITY } from '../../quantity/constants.ts';
import { kmhToMs, msToKmh } from '../../quantity/units.ts';
import { constantSpeedRange } from '../../ride/range.ts';
import { heldMetres } from '../../ride/range-outcome.ts';
import { MIXED_RIDING, STATED_CHARGE } from '../../ride/stated.ts';
import { steadySpeed } from '../../ride/steady.ts';
import { traction } from '../../ride/traction.ts';
import type { Held } from './asked.ts';

/** The brief in the units of the physics. */
export interface Asked {
  readonly held: Held;
  readonly hillV: number | undefined;
  readonly gradePct: number;
  readonly cruiseV: number;
  readonly reserve: number;
}

/** A machine with what a check of it wants ready. */
export interface Ready {
  readonly machine: Machine;
  readonly supply: Supply;
  readonly known: KnownBuild;
  readonly charged: number;
}

export function ready(build: BuildDocument): Ready {
  const known = knownBuild(build);
  const machine = assembleKnown(build, known);
  return {
    machine,
    known,
    supply: supplyOn(machine, STATED_CHARGE),
    charged: known.packs[0].chargeLimitPct.value / 100,
  };
}

export const askedOf = (held: Held, { brief }: KnownBuild): Asked => ({
  held,
  hillV: held.hillKmh === null ? undefined : kmhToMs(held.hillKmh),
  gradePct: brief.hillGradePct.value,
  cruiseV: kmhToMs(brief.cruiseSpeedKmh.value),
  reserve: brief.reservePct.value / 100,
});

/** Full help holds a speed on a grade: one working point of the motor a gear, no root. */
export const holds = (machine: Machine, supply: Supply, v: number, gradePct: number): boolean =>
  traction(machine, supply, v, machine.heldGear ?? 'best').totalN >= roadForce(machine.road, v, gradePct);

/**
 * The battery's watts at rest volts, no loss anywhere, with the legs' cannot hold it: nothing can. Exact as a bound, since what
 * leaves the motor is less than what enters it.
 */
export function beyondPower(
  { limits, rider, road }: Machine,
  { openVolts }: Supply,
  v: number,
  gradePct: number,
): boolean {
  const battery = Math.min(limits.batteryA * openVolts, limits.powerW);
  return battery + rider.powerW < roadForce(road, v, gradePct) * v;
}

/**
 * The near end of the range if rolling were all that resists and nothing were lost, km: more than it can be, unless a tailwind
 * pushes.
 */
export function mostRangeKm({ pack, others, road }: Machine, charged: number, reserve: number): number {
  if (road.headwind < 0) return Infinity;
  const whole = (one: Machine['pack'], charge: number): number =>
    wholeCapacityAh(one) * charge * fullChargeVolts(one);
  const wh = whole(pack, charged) + others.reduce((sum, o) => sum + whole(o.pack, o.charge), 0);
  const newtons = road.massKg * STANDARD_GRAVITY * road.crr;
  return newtons <= 0 ? Infinity : ((wh * 3600) / newtons / 1000) * (1 - reserve) * MIXED_RIDING;
}

export const hillKmhOf = (
  { machine, supply }: Pick<Ready, 'machine' | 'supply'>,
  gradePct: number,
): number | undefined => {
  const steady = steadySpeed(machine, supply, gradePct, machine.heldGear ?? 'best');
  return steady.moves ? msToKmh(steady.v) : undefined;
};

export const rangeKmOf = (machine: Machine, charged: number, { cruiseV, reserve }: Asked): number =>
  (heldMetres(constantSpeedRange(machine, cruiseV, charged, 'resting')) * (1 - reserve) * MIXED_RIDING) /
  1000;
