import { evenly, smoothed } from './clean.ts';
import { riseOf } from './profile.ts';
import { ROUTE_VERSION, type ProfilePoint, type Route } from './route.ts';

const MOST_NODES = 4000;
const SPACING_M = 10;

const rounded = (value: number): number => Math.round(value * 100) / 100;

/** A route of nothing but a profile. */
export const drawnRoute = (name: string, profile: readonly ProfilePoint[]): Route => ({
  schemaVersion: ROUTE_VERSION,
  name,
  note: '',
  sample: false,
  profile: [...profile],
  spans: [],
  stops: [],
  times: 1,
  andBack: false,
  recorded: null,
});

/** A route from distances and elevations, from 0 on; smoothed over a width in m where one is given. */
export function cleanedProfileOf(
  name: string,
  points: readonly { readonly distanceM: number; readonly elevationM: number }[],
  smoothM: number,
): Route {
  const from = points[0]?.distanceM ?? 0;
  const distances = points.map((p) => p.distanceM - from);
  const elevations = points.map((p) => p.elevationM);
  const length = distances.at(-1) ?? 0;
  const count = Math.max(1, Math.min(MOST_NODES, Math.round(length / SPACING_M)));
  const even = smoothM > 0 || points.length > MOST_NODES;
  const used = even ? smoothed(evenly(distances, elevations, count), length / count, smoothM) : elevations;
  return drawnRoute(
    name,
    used.map((e, i) => ({
      distanceM: rounded(even ? (length * i) / count : (distances[i] ?? 0)),
      elevationM: rounded(e),
      bearingDeg: null,
    })),
  );
}

/** One stretch as a person writes it down. */
export interface Stretch {
  readonly lengthM: number;
  readonly gradePct: number;
  readonly bearingDeg: number | null;
}

/** A profile from stretches one after the other, from an elevation on. */
export function profileOf(stretches: readonly Stretch[], startM: number): readonly ProfilePoint[] {
  let [distanceM, elevationM] = [0, startM];
  const first = { distanceM, elevationM, bearingDeg: stretches[0]?.bearingDeg ?? null };
  return [
    first,
    ...stretches.map((s, i): ProfilePoint => {
      distanceM += s.lengthM;
      elevationM += riseOf(s.lengthM, s.gradePct);
      return {
        distanceM: rounded(distanceM),
        elevationM: rounded(elevationM),
        bearingDeg: (stretches[i + 1] ?? s).bearingDeg,
      };
    }),
  ];
}

/** A route whose ends lie apart in height is ridden there and back for its range: else it would climb for ever. */
const LEVEL_M = 5;

export function asRound(route: Route): Route {
  const [first, last] = [route.profile[0], route.profile.at(-1)];
  const apart = Math.abs((last?.elevationM ?? 0) - (first?.elevationM ?? 0));
  return route.andBack || apart <= LEVEL_M ? route : { ...route, andBack: true };
}
