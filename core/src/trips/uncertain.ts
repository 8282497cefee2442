import type { BuildDocument, QuantityPath } from '../document/document.ts';
import type { Known, KnownSource } from '../document/known-build.ts';
import { inUse, knownBuild } from '../document/known.ts';
import { knownAt } from '../document/quantity-at.ts';

/** Standard deviation of a value by where it comes from, as a share of it. Common practice, no source. */
type Spread = Readonly<Record<KnownSource, number>>;
const evenly = (share: number): Spread => ({
  measured: share,
  label: share,
  assumed: share,
  unknown: share,
  worked: share,
});
const bySource = (measured: number, label: number, assumed: number, unknown: number): Spread => ({
  measured,
  label,
  assumed,
  unknown,
  worked: label,
});
const CORE_DRAG = bySource(0.05, 0.1, 0.2, 0.3);
const HEALTH = bySource(0.01, 0.03, 0.05, 0.06);
const CHARGE = bySource(0.02, 0.05, 0.07, 0.15);
const CELL_CHARGE = bySource(0.02, 0.04, 0.07, 0.12);

/**
 * What a ride is uncertain about, in the order of drawing. People and loads vary whatever was entered; parts by how well
 * they are known. A default that says how wide it is counts by that instead.
 */
const SHARES: Partial<Record<QuantityPath, Spread>> = {
  'brief.riderMassKg': bySource(0.01, 0.03, 0.05, 0.1),
  'brief.loadMassKg': evenly(0.15),
  'brief.trailerLoadKg': evenly(0.15),
  'brief.trailerKg': bySource(0.005, 0.02, 0.05, 0.1),
  'brief.trailerCrr': bySource(0.05, 0.1, 0.15, 0.2),
  'brief.trailerCdaM2': bySource(0.08, 0.15, 0.2, 0.25),
  'brief.riderPowerW': evenly(0.2),
  'brief.cruiseSpeedKmh': evenly(0.05),
  // The surface of a day: from memory, 40 %, whatever was said of it.
  'brief.groundPct': bySource(0.15, 0.4, 0.4, 0.4),
  'donor.cdaM2': bySource(0.04, 0.08, 0.1, 0.15),
  'donor.crr': bySource(0.05, 0.1, 0.15, 0.2),
  'donor.massKg': bySource(0.005, 0.02, 0.05, 0.1),
  'drive.massKg': bySource(0.005, 0.02, 0.1, 0.3),
  'drive.kvRpmPerV': bySource(0.01, 0.03, 0.05, 0.1),
  'drive.resistanceOhm': bySource(0.03, 0.08, 0.12, 0.2),
  'drive.efficiency': bySource(0.01, 0.02, 0.03, 0.04),
  'drive.hysteresisNm': CORE_DRAG,
  'drive.eddyNms': CORE_DRAG,
  'controller.resistanceMohm': bySource(0.05, 0.1, 0.2, 0.3),
  'gearing.chainEfficiency': bySource(0.005, 0.01, 0.015, 0.02),
  'packs.0.capacityAh': CHARGE,
  'packs.1.capacityAh': CHARGE,
  'packs.2.capacityAh': CHARGE,
  'packs.3.capacityAh': CHARGE,
  'packs.0.cell.capacityAh': CELL_CHARGE,
  'packs.1.cell.capacityAh': CELL_CHARGE,
  'packs.2.cell.capacityAh': CELL_CHARGE,
  'packs.3.cell.capacityAh': CELL_CHARGE,
  'packs.0.healthPct': HEALTH,
  'packs.1.healthPct': HEALTH,
  'packs.2.healthPct': HEALTH,
  'packs.3.healthPct': HEALTH,
};
/** Weather, in the quantity's own unit: one draw of it a ride. Common practice, no source. */
const STEPS: Partial<Record<QuantityPath, number>> = {
  'brief.headwindMs': 1.5,
  'brief.temperatureC': 4,
};
const UNCERTAIN = [...Object.keys(SHARES), ...Object.keys(STEPS)] as readonly QuantityPath[];

/** One value that is drawn. */
interface Drawn {
  readonly known: Known;
  /** Standard deviation in the quantity's unit. */
  readonly deviation: number;
  /** The same as a share of the value; of a default that follows from others it is drawn about what then follows. */
  readonly share: number;
  readonly follows: boolean;
}

/** What one chance moves: a value alone, or several together. */
export interface Chance {
  readonly name: string;
  readonly moves: readonly [Drawn, ...Drawn[]];
  /** An earlier chance that it goes with, and how closely, -1 to 1. */
  readonly with: { readonly chance: number; readonly rho: number } | undefined;
}

/** Defaults of the motor that are worked out again once its mass and Kv are drawn. */
const FOLLOWING: readonly QuantityPath[] = ['drive.resistanceOhm', 'drive.hysteresisNm', 'drive.eddyNms'];

/** What moves as one, by the name that the ranking gives it. */
const TOGETHER: readonly { readonly name: string; readonly paths: readonly QuantityPath[] }[] = [
  { name: 'Core drag of the motor', paths: ['drive.hysteresisNm', 'drive.eddyNms'] },
  {
    name: 'Health of the packs',
    paths: ['packs.0.healthPct', 'packs.1.healthPct', 'packs.2.healthPct', 'packs.3.healthPct'],
  },
];

/** Values that go with others without being one. A coast-down gives drag and rolling as a pair, hardly one without the other. */
const GOES_WITH: readonly {
  readonly path: QuantityPath;
  readonly with: QuantityPath;
  readonly rho: number;
  readonly when: (a: Known, b: Known) => boolean;
}[] = [
  {
    path: 'donor.cdaM2',
    with: 'brief.riderMassKg',
    rho: 0.4,
    when: (cda) => cda.source !== 'measured',
  },
  {
    path: 'donor.crr',
    with: 'donor.cdaM2',
    rho: -0.95,
    when: (crr, cda) => crr.source === 'measured' && cda.source === 'measured',
  },
  { path: 'brief.cruiseSpeedKmh', with: 'brief.riderPowerW', rho: 0.3, when: () => true },
];

/** How far a value may be off, as a share of it: what it says itself, else what is usual of its kind; undefined of what is not drawn. */
export const shareOff = (known: Known): number | undefined =>
  known.spread ?? SHARES[known.path]?.[known.source];

function drawn(known: Known): Drawn | undefined {
  const step = STEPS[known.path];
  const share = shareOff(known) ?? 0;
  const deviation = step ?? Math.abs(known.value) * share;
  if (!(deviation > 0)) return undefined;
  return { known, deviation, share, follows: known.source === 'unknown' && FOLLOWING.includes(known.path) };
}

/**
 * What is drawn for each ride: the values in use that are uncertain at all, those together that move together.
 * @param softGround whether the road that is ridden gives way anywhere: elsewhere it does not matter how soft it is
 */
export function chancesOf(build: BuildDocument, softGround = false): readonly Chance[] {
  const known = knownBuild(build);
  const out: Chance[] = [];
  const at = (path: QuantityPath): number => out.findIndex(({ moves }) => moves[0].known.path === path);
  for (const path of UNCERTAIN) {
    if (path === 'brief.groundPct' ? !softGround : !inUse(build, path)) continue;
    const one = drawn(knownAt(known, path));
    if (one === undefined) continue;
    const group = TOGETHER.find((g) => g.paths.includes(path));
    const same = group === undefined ? -1 : out.findIndex((c) => group.paths.includes(c.moves[0].known.path));
    const before = out[same];
    if (group !== undefined && before !== undefined) {
      out[same] = { ...before, name: group.name, moves: [...before.moves, one] };
      continue;
    }
    const pair = GOES_WITH.find((g) => g.path === path);
    const chance = pair !== undefined && pair.when(one.known, knownAt(known, pair.with)) ? at(pair.with) : -1;
    out.push({
      name: path === 'drive.massKg' && one.known.source === 'unknown' ? 'Size of the motor' : one.known.label,
      moves: [one],
      with: pair === undefined || chance < 0 ? undefined : { chance, rho: pair.rho },
    });
  }
  return out;
}
