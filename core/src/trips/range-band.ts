import { specAt, type BuildDocument, type QuantityPath } from '../document/document.ts';
import type { Known } from '../document/known-build.ts';
import { knownBuild } from '../document/known.ts';
import type { Route } from '../route/route.ts';
import { normals, quantiles, rankCorrelation } from '../quantity/numerics.ts';
import { ridePlan } from './ride-plan.ts';
import { knownAt, withValue } from '../document/quantity-at.ts';
import { chancesOf, type Chance } from './uncertain.ts';

/** Draws stay within this many standard deviations: beyond them is another ride. */
const CUT = 2.5;
/** A value is never drawn below this share of itself. */
const LEAST_SHARE = 0.1;

/** One chance, and how much of the band it brings about. */
export interface Cause {
  readonly name: string;
  readonly known: Known;
  /** All values that this one chance moves; the first of them is `known`. */
  readonly together: readonly Known[];
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

/** Values drawn for one ride, within what the quantity may be. */
const within = (path: QuantityPath, value: number): number => {
  const { min, max } = specAt(path);
  return Math.min(max, Math.max(min, value));
};

const cut = (z: number): number => Math.max(-CUT, Math.min(CUT, z));

/** One number a chance, in standard deviations; those that go with an earlier one lean on it. */
function chosen(chances: readonly Chance[], normal: () => number): readonly number[] {
  const zs: number[] = [];
  for (const { with: link } of chances) {
    const own = normal();
    zs.push(
      cut(link === undefined ? own : link.rho * (zs[link.chance] ?? 0) + Math.sqrt(1 - link.rho ** 2) * own),
    );
  }
  return zs;
}

/** A build with everything uncertain as chance has it. What follows from a drawn value is worked out from it, then drawn. */
function drawnBuild(build: BuildDocument, chances: readonly Chance[], zs: readonly number[]): BuildDocument {
  const all = chances.flatMap(({ moves }, i) => moves.map((one) => ({ ...one, z: zs[i] ?? 0 })));
  const first = all
    .filter((one) => !one.follows)
    .reduce(
      (b, { known, deviation, z }) =>
        withValue(b, known.path, within(known.path, known.value + z * deviation)),
      build,
    );
  const following = all.filter((one) => one.follows);
  if (following.length === 0) return first;
  const then = knownBuild(first);
  return following.reduce((b, { known, share, z }) => {
    const value = knownAt(then, known.path).value * Math.max(LEAST_SHARE, 1 + z * share);
    return withValue(b, known.path, within(known.path, value));
  }, first);
}

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
  const chances = chancesOf(build);
  const normal = normals(seed);
  const draws: number[][] = chances.map(() => []);
  const km: number[] = [];
  for (let i = 0; i < rides; i += 1) {
    const zs = chosen(chances, normal);
    zs.forEach((z, k) => draws[k]?.push(z));
    const plan = ridePlan(drawnBuild(build, chances, zs), route, 'cruise');
    const ride = plan.ride({ again: true });
    km.push((ride.metres * (1 - plan.reserve)) / 1000);
    if ((i + 1) % every === 0 && i + 1 < rides) yield { done: i + 1, of: rides, band: bandOf(km) };
  }
  const parts = chances.map(({ name, moves }, k): Cause => {
    const correlation = rankCorrelation(draws[k] ?? [], km);
    const [{ known, deviation }] = moves;
    return {
      name,
      known,
      deviation,
      together: moves.map((one) => one.known),
      share: correlation ** 2,
      further: correlation > 0,
    };
  });
  const whole = parts.reduce((sum, part) => sum + part.share, 0);
  return {
    band: bandOf(km),
    causes: parts
      .map((part) => ({ ...part, share: whole > 0 ? part.share / whole : 0 }))
      .sort((a, b) => b.share - a.share),
  };
}
