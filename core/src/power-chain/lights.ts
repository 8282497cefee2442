import { firstOf } from '../quantity/first-of.ts';
import type { BuildDocument } from '../document/document.ts';
import type { KnownBuild } from '../document/known-build.ts';
import { knownBuild } from '../document/known.ts';
import { accessoryDraw, accessoryWatts, type AccessoryDraw } from '../machine/accessories.ts';
import { assembleKnown } from '../machine/assemble.ts';
import { firstPack } from '../machine/packs-aboard.ts';
import { wholeCapacityAh, supplyAt } from '../machine/battery.ts';
import { kmhToMs } from '../quantity/units.ts';
import { constantSpeedRange } from '../ride/range.ts';

/** What lamps, horn and outlets cost. */
export interface LightsVerdict {
  readonly draws: readonly AccessoryDraw[];
  /** On average over a ride, W from the pack. */
  readonly averageW: number;
  /** Range that they take at the brief's speed, m; undefined where the speed is not held. */
  readonly takesM: number | undefined;
  /** Charge left in the pack when the motor is cut off at the brief's speed, 0 to 1. */
  readonly leftCharge: number | undefined;
  /** How long the lights last on it, or on cells of their own, h; Infinity without lights, undefined where it is not known. */
  readonly lightsLastH: number | undefined;
}

/** Charge below which the pack's protection opens and the lights go out too. Common practice. */
const PROTECTION_OPENS = 0.02;

/** Hours of light on cells of their own: what is on together, all the while. */
const ownHours = ({ supply: { ownAh, ownV } }: KnownBuild, lightW: number): number | undefined =>
  ownAh.source === 'unknown' ? undefined : (ownAh.value * ownV.value) / lightW;

/** Accessories against range, and how long the lights burn after the motor has been cut off. */
export function lightsVerdict(build: BuildDocument): LightsVerdict {
  const known = knownBuild(build);
  const machine = assembleKnown(build, known);
  const averageW = accessoryWatts(build, known);
  const draws = build.supply.accessories.map((a) => accessoryDraw(build, known, a));
  const v = kmhToMs(known.brief.cruiseSpeedKmh.value);
  const charge = known.packs[0].chargeLimitPct.value / 100;
  const range = constantSpeedRange(machine, v, charge);
  const dark = { ...machine, limits: { ...machine.limits, standbyW: machine.limits.standbyW - averageW } };
  const without = constantSpeedRange(dark, v, charge);
  const pack = firstPack(build, known);
  const lights = draws.filter((d) => d.accessory.light);
  const ownCells = build.supply.means === 'own-cells';
  // Cells of their own give the lamps what they take, and the pack nothing.
  const lightW = lights.reduce((sum, d) => sum + (ownCells ? d.accessory.watts : d.onW), 0);
  const left = range.holds ? range.endCharge : undefined;
  const share = left === undefined ? 0 : Math.max(0, left - PROTECTION_OPENS);
  const wh = share * wholeCapacityAh(pack) * supplyAt(pack, (left ?? 0) / 2).openVolts;
  return {
    draws,
    averageW,
    takesM: range.holds && without.holds ? without.metres - range.metres : undefined,
    leftCharge: left,
    lightsLastH: firstOf(
      [
        [lightW > 0 && ownCells, ownHours(known, lightW)],
        [left === undefined, undefined],
        [lightW > 0, wh / lightW],
      ],
      Infinity,
    ),
  };
}
