import { evenly, noiseM, smoothed, usualSmoothM, withoutSpikes } from './clean.ts';
import { drawnRoute } from './drawn.ts';
import { fail, ok, type Result } from '../quantity/result.ts';
import { hop } from './geodesy.ts';
import { totalClimb } from './profile.ts';
import { lengthIssue, readRoute } from './read-route.ts';
import type { ProfilePoint, Recorded, Route } from './route.ts';

/** Positions as they come from a file. */
export type Positions = Omit<Recorded, 'smoothM'>;

/** Elevations over distances along the ground, both in m. */
export interface Track {
  readonly distanceM: readonly number[];
  readonly elevationM: readonly number[];
}

/** What cleaning found and did. */
export interface Cleaning {
  readonly points: number;
  readonly spikes: number;
  readonly noiseM: number;
  readonly smoothM: number;
  readonly rawUpM: number;
  readonly usedUpM: number;
}

/** Even points lie this far apart at least, and there are at most so many pieces. */
const SPACING_M = 10;
const MOST_PIECES = 4000;
/** Nearer than this two positions are one: a recorder at rest wanders. */
const SAME_PLACE_M = 0.5;

/** A longitude as it follows another the short way round, beyond 180 degrees where it has to be. */
const goingOn = (before: number, lonDeg: number): number =>
  lonDeg + 360 * Math.round((before - lonDeg) / 360);
/** A longitude as maps have it, from -180 to 180. */
const onTheMap = (lonDeg: number): number => lonDeg - 360 * Math.round(lonDeg / 360);

interface Moving extends Positions {
  readonly distanceM: readonly number[];
}

/** The positions that move on, with their distances along the ground; longitudes go on over the date line. */
function moving({ latDeg, lonDeg, elevationM }: Positions): Moving {
  const out = {
    distanceM: [0],
    latDeg: latDeg.slice(0, 1),
    lonDeg: lonDeg.slice(0, 1),
    elevationM: elevationM.slice(0, 1),
  };
  let [lat, lon, metres] = [latDeg[0] ?? 0, lonDeg[0] ?? 0, 0];
  for (let i = 1; i < latDeg.length; i += 1) {
    const nextLat = latDeg[i] ?? 0;
    const nextLon = goingOn(lon, lonDeg[i] ?? 0);
    const step = hop(lat, lon, nextLat, nextLon).metres;
    if (step < SAME_PLACE_M) continue;
    metres += step;
    out.distanceM.push(metres);
    out.latDeg.push(nextLat);
    out.lonDeg.push(nextLon);
    out.elevationM.push(elevationM[i] ?? 0);
    [lat, lon] = [nextLat, nextLon];
  }
  return out;
}

/** The profile as it was recorded. */
export function rawTrack(positions: Positions): Track {
  const { distanceM, elevationM } = moving(positions);
  return { distanceM, elevationM };
}

/** Positions of the nodes of a profile by their share of the whole way. */
export function placesAlong(
  positions: Positions,
  shares: readonly number[],
): readonly { readonly latDeg: number; readonly lonDeg: number }[] {
  const { distanceM, latDeg, lonDeg } = moving(positions);
  const length = distanceM.at(-1) ?? 0;
  let i = 1;
  return shares.map((share) => {
    const x = length * share;
    while (i < distanceM.length - 1 && (distanceM[i] ?? 0) < x) i += 1;
    const [x0 = 0, x1 = 1] = [distanceM[i - 1], distanceM[i]];
    const t = x1 > x0 ? Math.min(1, Math.max(0, (x - x0) / (x1 - x0))) : 0;
    const between = (of: readonly number[]): number =>
      (of[i - 1] ?? 0) * (1 - t) + (of[i] ?? of[i - 1] ?? 0) * t;
    return { latDeg: between(latDeg), lonDeg: onTheMap(between(lonDeg)) };
  });
}

const rounded = (value: number, digits: number): number => Number(value.toFixed(digits));

/**
 * Profile of recorded positions: spikes out, even points, smoothed over `smoothM` (undefined: by the noise found),
 * and distances along the sloping road rather than along the ground.
 */
export function cleanedProfile(
  positions: Positions,
  smoothM?: number,
): { readonly profile: readonly ProfilePoint[]; readonly cleaning: Cleaning } {
  const raw = moving(positions);
  const length = raw.distanceM.at(-1) ?? 0;
  const count = Math.max(1, Math.min(MOST_PIECES, Math.round(length / SPACING_M)));
  const spacing = length / count;
  const even = (values: readonly number[]): readonly number[] => evenly(raw.distanceM, values, count);
  const { elevations, replaced } = withoutSpikes(raw.elevationM, raw.distanceM);
  const plain = even(elevations);
  const noise = noiseM(plain);
  const width = smoothM ?? usualSmoothM(noise);
  const used = smoothed(plain, spacing, width);
  const [north, east] = [even(raw.latDeg), even(raw.lonDeg)];
  let roadM = 0;
  const profile = used.map((elevationM, i): ProfilePoint => {
    if (i > 0) roadM += Math.hypot(spacing, elevationM - (used[i - 1] ?? 0));
    const from = Math.min(i, count - 1);
    const { bearingDeg } = hop(north[from] ?? 0, east[from] ?? 0, north[from + 1] ?? 0, east[from + 1] ?? 0);
    return {
      distanceM: rounded(roadM, 2),
      elevationM: rounded(elevationM, 2),
      bearingDeg: rounded(bearingDeg, 1),
    };
  });
  return {
    profile,
    cleaning: {
      points: positions.latDeg.length,
      spikes: replaced,
      noiseM: noise,
      smoothM: width,
      rawUpM: totalClimb(raw.elevationM).upM,
      usedUpM: totalClimb(profile.map((p) => p.elevationM)).upM,
    },
  };
}

/** A route from recorded positions, cleaned; refused where nobody could ride it, or keep it. */
export function routeFromPositions(
  name: string,
  positions: Positions,
  smoothM?: number,
): Result<{ readonly route: Route; readonly cleaning: Cleaning }> {
  const wrong = lengthIssue(rawTrack(positions).distanceM.at(-1) ?? 0);
  if (wrong !== undefined) return fail(wrong);
  const { profile, cleaning } = cleanedProfile(positions, smoothM);
  const read = readRoute({
    ...drawnRoute(name, profile),
    recorded: { ...positions, smoothM: cleaning.smoothM },
  });
  return read.ok ? ok({ route: read.value, cleaning }) : read;
}
