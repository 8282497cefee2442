import type { BuildDocument } from '../document/document.ts';
import { knownBuild } from '../document/known.ts';
import { fullChargeVolts } from '../machine/battery.ts';
import { sameKind } from '../machine/joined-packs.ts';
import { assembleKnown, firstPack, secondPack, type Machine } from '../machine/machine.ts';
import { kmhToMs, msToKmh } from '../quantity/units.ts';
import { constantSpeedRange, onSecond } from '../ride/range.ts';
import { equalisingAmps, sharePower, type Sharing } from '../ride/two-packs.ts';
import { topSpeed } from '../ride/steady.ts';
import { STATED_CHARGE } from '../ride/stated.ts';

/** One of two packs by itself on this machine. */
interface PackAlone {
  readonly name: string;
  readonly fullV: number;
  readonly energyWh: number;
  readonly topKmh: number | undefined;
  /** At the brief's speed on the level, rider helping. */
  readonly rangeKm: number | undefined;
}

/** Two packs, each alone and together. */
export interface TwoPacks {
  readonly packs: readonly [PackAlone, PackAlone];
  readonly rangeBothKm: number | undefined;
  readonly sameKind: boolean;
  readonly equalisingA: number;
  /** Who feeds when, at the brief's speed on the level; undefined for packs used one at a time. */
  readonly sharing: Sharing | undefined;
  readonly watts: number;
}

function alone(name: string, one: Machine, nominalV: number, v: number, charge: number): PackAlone {
  const top = topSpeed(one, STATED_CHARGE);
  const range = constantSpeedRange(one, v, charge);
  return {
    name,
    fullV: fullChargeVolts(one.pack),
    energyWh: nominalV * one.pack.capacityAh,
    topKmh: top.moves ? msToKmh(top.v) : undefined,
    rangeKm: range.holds ? range.metres / 1000 : undefined,
  };
}

/** What a second pack does on this build; undefined where there is none. */
export function twoPackStudy(build: BuildDocument): TwoPacks | undefined {
  const known = knownBuild(build);
  const other = secondPack(build, known);
  const { join } = build.second;
  if (other === undefined || join === 'none') return undefined;
  const machine = assembleKnown(build, known);
  const first = firstPack(build, known);
  const v = kmhToMs(known.brief.cruiseSpeedKmh.value);
  const charges = [known.pack.chargeLimitPct.value / 100, known.second.chargedPct.value / 100] as const;
  const bmsA = known.second.bmsCurrentA.value;
  const onFirst: Machine = {
    ...machine,
    second: undefined,
    pack: first,
    limits: { ...machine.limits, bmsA: known.pack.bmsCurrentA.value },
  };
  const both = constantSpeedRange(machine, v, charges[0]);
  const steady = constantSpeedRange(onFirst, v, charges[0]);
  const watts = steady.holds ? steady.whPerKm * v * 3.6 : 0;
  const cutoff = machine.limits.lowVolts;
  return {
    packs: [
      alone(build.pack.name || 'First pack', onFirst, known.pack.nominalV.value, v, charges[0]),
      alone(
        build.second.name || 'Second pack',
        onSecond(onFirst, { join: 'switch', pack: other, bmsA, charge: charges[1] }),
        known.second.nominalV.value,
        v,
        charges[1],
      ),
    ],
    rangeBothKm: both.holds ? both.metres / 1000 : undefined,
    sameKind: sameKind(first, other),
    equalisingA: equalisingAmps(first, other, ...charges),
    sharing:
      join === 'switch' || watts === 0
        ? undefined
        : sharePower(first, other, watts, join, charges, (bus) => bus.openVolts > cutoff),
    watts,
  };
}
