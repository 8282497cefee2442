import { specAt, type BuildDocument, type QuantityPath } from '../document/document.ts';
import type { Known, KnownSource } from '../document/known-build.ts';
import { inUse, knownBuild } from '../document/known.ts';
import type { Route } from '../route/route.ts';
import { normals, quantiles, rankCorrelation } from '../quantity/numerics.ts';
import { ridePlan } from './ride-plan.ts';
import { knownAt, withValue } from '../document/quantity-at.ts';

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

/** What a ride is uncertain about. People and loads vary whatever was entered; parts by how well they are known. */
const SHARES: Partial<Record<QuantityPath, Spread>> = {
  'brief.riderMassKg': bySource(0.01, 0.03, 0.05, 0.1),
  'brief.loadMassKg': evenly(0.15),
  'brief.riderPowerW': evenly(0.2),
  'brief.cruiseSpeedKmh': evenly(0.05),
  'donor.crr': bySource(0.05, 0.1, 0.15, 0.2),
  'donor.cdaM2': bySource(0.04, 0.08, 0.1, 0.15),
  'donor.massKg': bySource(0.005, 0.02, 0.05, 0.1),
  'drive.kvRpmPerV': bySource(0.01, 0.03, 0.05, 0.1),
  'drive.resistanceOhm': bySource(0.03, 0.08, 0.12, 0.2),
  'drive.efficiency': bySource(0.01, 0.02, 0.03, 0.04),
  'drive.hysteresisNm': bySource(0.05, 0.1, 0.2, 0.3),
  'drive.eddyNms': bySource(0.05, 0.1, 0.2, 0.3),
  'gearing.chainEfficiency': bySource(0.005, 0.01, 0.015, 0.02),
  'packs.0.capacityAh': bySource(0.02, 0.05, 0.07, 0.15),
  'packs.0.cell.capacityAh': bySource(0.02, 0.04, 0.07, 0.12),
  'packs.0.healthPct': bySource(0.01, 0.03, 0.05, 0.06),
};
/** Weather, in the quantity's own unit. Common practice, no source. */
const STEPS: Partial<Record<QuantityPath, number>> = {
  'brief.headwindMs': 1.5,
  'brief.temperatureC': 4,
};
const UNCERTAIN = [...Object.keys(SHARES), ...Object.keys(STEPS)] as readonly QuantityPath[];
/** Draws stay within this many standard deviations: beyond them is another ride. */
const CUT = 2.5;

/** One uncertain value, and how much of the band it brings about. */
export interface Cause {
  readonly known: Known;
  /** Standard deviation in the quantity's unit. */
  readonly deviation: number;
  /** Its part of the band, 0 to 1; all parts make 1. */
  readonly share: number;
  /** True where more of it means further. */
  readonly further: boolean;
}

/** How far rides come, km, from the least lucky of twenty to the luckiest of twenty. */
export interface Band {
  readonly rides: number;
  readonly p05: number;
  readonly p25: number;
  readonly p50: number;
  readonly p75: number;
  readonly p95: number;
  /** All of them, the shortest first. */
  readonly km: readonly number[];
}

export interface BandProgress {
  readonly done: number;
  readonly of: number;
  readonly band: Band;
}

export interface BandOutcome {
  readonly band: Band;
  readonly causes: readonly Cause[];
}

const SHARES_OF_RIDES = { p05: 0.05, p25: 0.25, p50: 0.5, p75: 0.75, p95: 0.95 } as const;

function bandOf(unsorted: readonly number[]): Band {
  const { sorted, at } = quantiles(unsorted, SHARES_OF_RIDES);
  return { rides: sorted.length, ...at, km: sorted };
}

/** What is drawn for each ride: the values in use that are uncertain at all. */
function uncertain(build: BuildDocument): readonly { known: Known; deviation: number }[] {
  const known = knownBuild(build);
  return UNCERTAIN.filter((path) => inUse(build, path)).flatMap((path) => {
    const one = knownAt(known, path);
    const deviation = STEPS[path] ?? Math.abs(one.value) * (SHARES[path]?.[one.source] ?? 0);
    return deviation > 0 ? [{ known: one, deviation }] : [];
  });
}

/** Values drawn for one ride, within what the quantity may be. */
const within = (path: QuantityPath, value: number): number => {
  const { min, max } = specAt(path);
  return Math.min(max, Math.max(min, value));
};

/**
 * Rides a route again and again to the end of the charge, less the reserve, each time with other values of what is
 * uncertain, drawn by a seed: the same seed gives the same band. Yields now and then; causes are ranked by their
 * squared rank correlation with the distance.
 * @param rides how many, 1 or more
 */
export function* rangeBand(
  build: BuildDocument,
  route: Route,
  rides: number,
  seed: number,
  every = 10,
): Generator<BandProgress, BandOutcome> {
  const open = uncertain(build);
  const normal = normals(seed);
  const draws: number[][] = open.map(() => []);
  const km: number[] = [];
  for (let i = 0; i < rides; i += 1) {
    let drawn = build;
    open.forEach(({ known, deviation }, k) => {
      const z = Math.max(-CUT, Math.min(CUT, normal()));
      draws[k]?.push(z);
      drawn = withValue(drawn, known.path, within(known.path, known.value + z * deviation));
    });
    const plan = ridePlan(drawn, route, 'cruise');
    const ride = plan.ride({ again: true });
    km.push((ride.metres * (1 - plan.reserve)) / 1000);
    if ((i + 1) % every === 0 && i + 1 < rides) yield { done: i + 1, of: rides, band: bandOf(km) };
  }
  const parts = open.map(({ known, deviation }, k) => {
    const correlation = rankCorrelation(draws[k] ?? [], km);
    return { known, deviation, share: correlation ** 2, further: correlation > 0 };
  });
  const whole = parts.reduce((sum, part) => sum + part.share, 0);
  return {
    band: bandOf(km),
    causes: parts
      .map((part) => ({ ...part, share: whole > 0 ? part.share / whole : 0 }))
      .sort((a, b) => b.share - a.share),
  };
}
