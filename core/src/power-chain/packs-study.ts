import type { BuildDocument } from '../document/document.ts';
import type { KnownPack } from '../document/known-build.ts';
import { knownBuild } from '../document/known.ts';
import { fullChargeVolts } from '../machine/battery.ts';
import { allAlike } from '../machine/joined-packs.ts';
import { assembleKnown } from '../machine/assemble.ts';
import { packsAboard } from '../machine/packs-aboard.ts';
import type { Machine, PackAboard } from '../machine/machine.ts';
import { kmhToMs, msToKmh } from '../quantity/units.ts';
import { constantSpeedRange } from '../ride/range.ts';
import { onPack } from '../ride/several-packs-range.ts';
import { equalisingAmps, sharePower, type Sharing } from '../ride/packs-together.ts';
import { topSpeed } from '../ride/steady.ts';
import { STATED_CHARGE } from '../ride/stated.ts';

/** One pack by itself on this machine. */
interface PackAlone {
  readonly name: string;
  readonly fullV: number;
  readonly energyWh: number;
  readonly topKmh: number | undefined;
  /** At the brief's speed on the level, rider helping; undefined where it is not held. */
  readonly rangeKm: number | undefined;
  /** Ridden on more slowly from there, km. */
  readonly thenKm: number;
}

/** Several packs, each alone and together. */
export interface PacksStudy {
  readonly packs: readonly PackAlone[];
  readonly rangeTogetherKm: number | undefined;
  readonly thenTogetherKm: number;
  readonly sameKind: boolean;
  /** The most that flows from one into another when they are joined directly, A. */
  readonly equalisingA: number;
  /** Who feeds when, at the brief's speed on the level; undefined for packs used one at a time. */
  readonly sharing: Sharing | undefined;
  readonly watts: number;
}

function alone(
  name: string,
  one: Machine,
  { nominalV, capacityAh }: KnownPack,
  v: number,
  charge: number,
): PackAlone {
  const top = topSpeed(one, STATED_CHARGE);
  const range = constantSpeedRange(one, v, charge);
  return {
    name,
    fullV: fullChargeVolts(one.pack),
    energyWh: nominalV.value * capacityAh.value,
    topKmh: top.moves ? msToKmh(top.v) : undefined,
    rangeKm: range.holds ? range.metres / 1000 : undefined,
    thenKm: (range.on?.metres ?? 0) / 1000,
  };
}

/** The most that flows between any two packs at the touch, A. */
const mostEqualising = (aboard: readonly PackAboard[]): number =>
  Math.max(
    ...aboard.flatMap((a, i) =>
      aboard.slice(i + 1).map((b) => equalisingAmps(a.pack, b.pack, a.charge, b.charge)),
    ),
  );

/** What several packs do on this build; undefined where there is one. */
export function packsStudy(build: BuildDocument): PacksStudy | undefined {
  if (build.packs.length === 1) return undefined;
  const known = knownBuild(build);
  const { how } = build.joining;
  const aboard = packsAboard(build, known);
  const [first] = aboard;
  const machine = assembleKnown(build, known);
  const v = kmhToMs(known.brief.cruiseSpeedKmh.value);
  const whole = constantSpeedRange(machine, v, first.charge);
  const steady = constantSpeedRange(onPack(machine, first), v, first.charge);
  const watts = steady.holds ? steady.whPerKm * v * 3.6 : 0;
  const cutoff = machine.limits.lowVolts;
  return {
    packs: aboard.map((one, i) =>
      alone(
        build.packs[i]?.name || `Pack ${String(i + 1)}`,
        onPack(machine, one),
        known.packs[i] ?? known.packs[0],
        v,
        one.charge,
      ),
    ),
    rangeTogetherKm: whole.holds ? whole.metres / 1000 : undefined,
    thenTogetherKm: (whole.on?.metres ?? 0) / 1000,
    sameKind: allAlike(aboard.map(({ pack }) => pack)),
    equalisingA: mostEqualising(aboard),
    sharing:
      how === 'switch' || watts === 0
        ? undefined
        : sharePower(
            aboard,
            (bus) => (bus.openVolts > cutoff ? { watts, v } : undefined),
            how,
            machine.diodeV,
          ),
    watts,
  };
}
