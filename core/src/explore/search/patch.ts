import type { BuildDocument } from '../../document/document.ts';
import type { KnownBuild } from '../../document/known-build.ts';
import { towedBy } from '../../machine/assemble.ts';
import { sameGear } from '../../machine/driveline.ts';
import type { Machine } from '../../machine/machine.ts';
import { tyreWarmth } from '../../machine/road-load.ts';

/** What a trailer rolls with, kg: its mass times its coefficient at the day's temperature; 0 without one. */
export function towedRolling(build: BuildDocument, known: KnownBuild): number {
  const { kg, crr } = towedBy(build, known);
  return kg * crr * tyreWarmth(known.brief.temperatureC.value);
}

/** Motor turns per turn of what it drives: the cranks of a mid-drive, the wheel of the others. */
const reductionOf = ({ kind, gears: [lowest], wheelRadius }: Machine): number =>
  (lowest?.motorRatio ?? 0) / (kind === 'mid-drive' ? (lowest?.crankRatio ?? 1) : 1 / wheelRadius);

/** A machine whose tyre, ring and cogs are those of another. */
export interface Regeared {
  readonly gears: Machine['gears'];
  readonly heldGear: Machine['heldGear'];
  readonly thermal: Machine['thermal'];
  readonly efficiency: number;
}

/**
 * The motor of one assembly in the gears of another.
 * @param paired assembled with the wanted motor
 * @param geared assembled with the wanted tyre, ring and cogs
 */
export function regeared(paired: Machine, geared: Machine): Regeared {
  const mid = paired.kind === 'mid-drive';
  const reduction = reductionOf(paired);
  const list = geared.gears.map((gear) => ({
    ...gear,
    motorRatio: mid ? reduction * gear.crankRatio : reduction / geared.wheelRadius,
  }));
  const { heldGear } = geared;
  const [before, after] = [paired.gears[0]?.motorRatio ?? 1, list[0]?.motorRatio ?? 1];
  const { fans } = paired.thermal;
  return {
    gears: list,
    heldGear: heldGear === null ? null : (list.find((g) => sameGear(g, heldGear)) ?? null),
    thermal: fans === undefined ? paired.thermal : { ...paired.thermal, fans: (fans * after) / before },
    // A motor that pulls on the chain loses what the chain does.
    efficiency: mid
      ? (paired.efficiency * geared.chainEfficiency) / paired.chainEfficiency
      : paired.efficiency,
  };
}

/**
 * A machine put together of two assemblies instead of assembling it: a search does so a hundred thousand times a second. Equal to
 * the assembled machine in everything but the balance, which hangs on where a pack sits and how long the wheelbase is.
 * @param paired assembled with the wanted motor, pack and controller, and any tyre, ring and cogs
 * @param geared assembled with the wanted tyre, ring and cogs, and any of the others
 * @param own the motor's part of it, `regeared(paired, geared)`: alike for all pairs of a motor
 * @param towed what a trailer rolls with, kg
 */
export const patched = (paired: Machine, geared: Machine, own: Regeared, towed: number): Machine => ({
  ...paired,
  gears: own.gears,
  heldGear: own.heldGear,
  thermal: own.thermal,
  efficiency: own.efficiency,
  chainEfficiency: geared.chainEfficiency,
  wheelRadius: geared.wheelRadius,
  // What the display was told of the wheel moves where its limit lies on the road.
  limits: { ...paired.limits, cutoff: geared.limits.cutoff, handCutoff: geared.limits.handCutoff },
  road: roadOf(geared, paired, towed),
});

/** A trailer's own rolling does not grow with the machine. */
function roadOf(geared: Machine, paired: Machine, towed: number): Machine['road'] {
  const { massKg } = paired.road;
  if (towed === 0) return { ...geared.road, massKg };
  const own = geared.road.massKg - geared.towedKg;
  const ownCrr = (geared.road.crr * geared.road.massKg - towed) / own;
  return { ...geared.road, massKg, crr: (ownCrr * (massKg - paired.towedKg) + towed) / massKg };
}
