import { climbRidden, elevationAt, riddenLengthM, routeLengthM, steepestRidden } from './profile.ts';
import type { Route } from './route.ts';

/** What a list shows of a route. */
export interface RouteSummary {
  readonly name: string;
  readonly note: string;
  readonly sample: boolean;
  /** One way, and everything that is ridden. */
  readonly lengthM: number;
  readonly riddenM: number;
  /** In everything that is ridden. */
  readonly upM: number;
  readonly downM: number;
  readonly steepestPct: number;
  readonly stops: number;
  readonly recorded: boolean;
  /** Elevations at even distances, for a silhouette. */
  readonly outline: readonly number[];
}

const OUTLINE = 80;

/** Sums a route up for a list. */
export function routeSummary(route: Route): RouteSummary {
  const length = routeLengthM(route);
  const { upM, downM } = climbRidden(route);
  return {
    name: route.name,
    note: route.note,
    sample: route.sample,
    lengthM: length,
    riddenM: riddenLengthM(route),
    upM,
    downM,
    steepestPct: steepestRidden(route).gradePct,
    stops: route.stops.length,
    recorded: route.recorded !== null,
    outline: Array.from(
      { length: OUTLINE + 1 },
      (_, i) => Math.round(elevationAt(route.profile, (length * i) / OUTLINE) * 10) / 10,
    ),
  };
}
