import type { BuildDocument } from '../document/document.ts';
import type { Route } from '../route/route.ts';
import { givesWay } from '../route/surface.ts';
import { quantiles } from '../quantity/numerics.ts';
import { drawingOf, type Cause } from './drawing.ts';
import { knownBuild } from '../document/known.ts';
import type { Wind } from '../ride/course.ts';
import { isEven, ridePlan } from './ride-plan.ts';

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

/**
 * How a wind is met that is drawn: as its direction has it, ahead where one was stated so, else from all sides; and whether it
 * counts by its strength alone.
 */
function drawnWind(
  build: BuildDocument,
  route: Route,
): { readonly otherwise: Wind['otherwise']; readonly unsigned: boolean } {
  const isLaid =
    build.brief.windFromDeg.source !== 'unknown' && route.profile.some((p) => p.bearingDeg !== null);
  const isAhead = isEven(route) && knownBuild(build).brief.headwindMs.value !== 0;
  return { otherwise: isAhead ? 'ahead' : 'all-sides', unsigned: !isLaid && !isAhead };
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
  const { otherwise, unsigned } = drawnWind(build, route);
  const drawing = drawingOf(build, seed, {
    softGround: givesWay(route.spans),
    ...(unsigned ? { unsigned: 'brief.headwindMs' } : {}),
  });
  const km: number[] = [];
  for (let i = 0; i < rides; i += 1) {
    const plan = ridePlan(drawing.next(), route, 'cruise', 'helping', otherwise);
    const ride = plan.ride({ again: true });
    km.push((ride.metres * (1 - plan.reserve)) / 1000);
    if ((i + 1) % every === 0 && i + 1 < rides) yield { done: i + 1, of: rides, band: bandOf(km) };
  }
  return { band: bandOf(km), causes: drawing.causes(km) };
}
