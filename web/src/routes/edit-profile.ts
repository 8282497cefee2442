import {
  cleanedProfile,
  pieces,
  profileOf,
  routeLengthM,
  type ProfilePoint,
  type Route,
  type Stretch,
} from '@apple-cart/core';

/** Spans and stops that lie beyond the end of the road go with it. */
function fitted(route: Route): Route {
  const length = routeLengthM(route);
  return {
    ...route,
    spans: route.spans
      .filter((s) => s.fromM < length)
      .map((s) => (s.toM > length ? { ...s, toM: length } : s)),
    stops: route.stops.filter((s) => s.atM <= length),
  };
}

/** The road as stretches. */
export const stretchesOf = ({ profile }: Route): readonly Stretch[] =>
  pieces(profile).map(({ lengthM, gradePct, bearingDeg }) => ({ lengthM, gradePct, bearingDeg }));

/** The road made of other stretches, from the same height. A drawn road is no longer the recorded one. */
export function withStretches(route: Route, stretches: readonly Stretch[]): Route {
  if (stretches.length === 0) return route;
  const profile = profileOf(stretches, route.profile[0]?.elevationM ?? 0);
  return fitted({ ...route, profile: [...profile], recorded: null });
}

/** The least a stretch may be, m, and what a road may be. */
const LEAST_M = 5;
const LOWEST_M = -450;
const HIGHEST_M = 8900;

/** One node moved, kept between its neighbours; the first one only up and down. */
export function movedNode(
  route: Route,
  index: number,
  to: Pick<ProfilePoint, 'distanceM' | 'elevationM'>,
): Route {
  const { profile } = route;
  const node = profile[index];
  if (node === undefined) return route;
  const [before, after] = [profile[index - 1], profile[index + 1]];
  const low = before === undefined ? 0 : before.distanceM + LEAST_M;
  const end = after === undefined ? Infinity : after.distanceM - LEAST_M;
  const high = before === undefined ? 0 : end;
  const round = (value: number): number => Math.round(value * 10) / 10;
  const moved: ProfilePoint = {
    ...node,
    distanceM: round(Math.min(high, Math.max(low, to.distanceM))),
    elevationM: round(Math.min(HIGHEST_M, Math.max(LOWEST_M, to.elevationM))),
  };
  return fitted({ ...route, profile: profile.map((p, i) => (i === index ? moved : p)), recorded: null });
}

/** A node more, in the middle of a stretch. */
export function splitStretch(route: Route, index: number): Route {
  const all = stretchesOf(route);
  const stretch = all[index];
  if (stretch === undefined || stretch.lengthM < 2 * LEAST_M) return route;
  const half = { ...stretch, lengthM: stretch.lengthM / 2 };
  return withStretches(route, all.toSpliced(index, 1, half, half));
}

/** The heights smoothed anew from the recording. */
export function smoothedAnew(route: Route, smoothM: number): Route {
  if (route.recorded === null) return route;
  const { profile } = cleanedProfile(route.recorded, smoothM);
  return fitted({ ...route, profile: [...profile], recorded: { ...route.recorded, smoothM } });
}
