import { pieces, routeLengthM } from '../route/profile.ts';
import type { Piece } from '../route/profile.ts';
import type { Route } from '../route/route.ts';
import { SURFACE_DATA } from '../route/surface.ts';
import { kmhToMs } from '../quantity/units.ts';

/** Wind as it blows over the land: m/s, and where it comes from; without a direction it is ahead all the way. */
export interface Wind {
  readonly speed: number;
  readonly fromDeg: number | undefined;
}

/** How a rider rides, SI. */
export interface Pace {
  /** Speed wanted on the level and uphill; Infinity for all that there is. */
  readonly cruise: number;
  /** Rolled up to downhill without the brakes. */
  readonly descent: number;
  /** Accelerations wanted and braked with, m/s2, and borne in bends. */
  readonly accelerate: number;
  readonly brake: number;
  readonly sideways: number;
}

/** Comfortable values of everyday riding. Common practice, no source. */
export const EVERYDAY = { accelerate: 0.8, brake: 1.2, sideways: 2 } as const;

/** A route made ready to be ridden: straight pieces one after the other, in arrays, SI. */
export interface Course {
  readonly count: number;
  /** Distance at which each piece ends. */
  readonly end: Float64Array;
  readonly sine: Float64Array;
  readonly cosine: Float64Array;
  /** Rolling coefficient that the ground adds for a tyre of 50 mm. */
  readonly soft: Float64Array;
  /** Wind against the rider and across. */
  readonly ahead: Float64Array;
  readonly across: Float64Array;
  /** Fastest on the piece, and fastest at its end so that what follows can be braked for. */
  readonly limit: Float64Array;
  readonly endLimit: Float64Array;
  /** Standing still at its end, s; NaN for none. */
  readonly wait: Float64Array;
  readonly metres: number;
}

interface Leg extends Piece {
  readonly soft: number;
  readonly limit: number;
  /** Speed through the bend at its beginning. */
  bend: number;
  wait: number;
}

/** Breakpoints nearer than this are one, m. */
const SAME_M = 0.01;

/** One way along a route, cut at every change of grade, surface, limit and at every stop. */
function oneWay(route: Route, sideways: number): readonly Leg[] {
  const length = routeLengthM(route);
  const cuts = [
    ...route.profile.map((p) => p.distanceM),
    ...route.spans.flatMap((s) => [s.fromM, s.toM]),
    ...route.stops.map((s) => s.atM),
  ]
    .filter((x) => x >= 0 && x <= length)
    .sort((a, b) => a - b)
    .filter((x, i, all) => i === 0 || x - (all[i - 1] ?? 0) > SAME_M);
  const straight = pieces(route.profile);
  const legs: Leg[] = [];
  let at = 0;
  for (let i = 1; i < cuts.length; i += 1) {
    const [from = 0, to = 0] = [cuts[i - 1], cuts[i]];
    const middle = (from + to) / 2;
    while (at < straight.length - 1 && (straight[at + 1]?.fromM ?? Infinity) <= middle) at += 1;
    const piece = straight[at];
    if (piece === undefined) continue;
    const span = route.spans.findLast((s) => s.fromM <= middle && s.toM >= middle);
    const stop = route.stops.find((s) => Math.abs(s.atM - to) <= SAME_M);
    legs.push({
      ...piece,
      fromM: from,
      lengthM: to - from,
      soft: SURFACE_DATA[span?.surface ?? 'paved'].adds,
      limit: span?.limitKmh === null || span === undefined ? Infinity : kmhToMs(span.limitKmh),
      bend: Infinity,
      wait: stop?.waitS ?? NaN,
    });
  }
  if (route.recorded !== null) setBends(legs, sideways);
  return legs;
}

/** Recorded roads bend: radius = half of both neighbours over the turn, speed = sqrt(a R) (circular motion). */
function setBends(legs: readonly Leg[], sideways: number): void {
  for (let i = 1; i < legs.length; i += 1) {
    const [before, leg] = [legs[i - 1], legs[i]];
    if (before === undefined || leg === undefined || before.bearingDeg === null || leg.bearingDeg === null)
      continue;
    const turn = Math.abs(((leg.bearingDeg - before.bearingDeg + 540) % 360) - 180) * (Math.PI / 180);
    if (turn > 0.02) leg.bend = Math.sqrt((sideways * (before.lengthM + leg.lengthM)) / 2 / turn);
  }
}

/** The same way back: order, grades and bearings turn round; a stop stays where it is. */
function turned(legs: readonly Leg[]): readonly Leg[] {
  return legs.map((_, k): Leg => {
    const i = legs.length - 1 - k;
    const leg = legs[i];
    if (leg === undefined) throw new TypeError('a leg is missing');
    return {
      ...leg,
      gradePct: -leg.gradePct,
      bearingDeg: leg.bearingDeg === null ? null : (leg.bearingDeg + 180) % 360,
      bend: legs[i + 1]?.bend ?? Infinity,
      wait: legs[i - 1]?.wait ?? NaN,
    };
  });
}

/** A bend is never so tight that it stops a rider, m/s. */
const SLOWEST_BEND = 2;

/** Everything that is ridden: there, back where it comes back, as often as it is ridden. */
export function courseOf(route: Route, wind: Wind, pace: Pace): Course {
  const there = oneWay(route, pace.sideways);
  const round = route.andBack ? [...there, ...turned(there)] : there;
  const legs = Array.from({ length: route.times }, () => round).flat();
  const column = (of: (leg: Leg) => number): Float64Array => new Float64Array(legs.map(of));
  let metres = 0;
  const tangent = (leg: Leg): number => leg.gradePct / 100;
  const angle = (leg: Leg): number | undefined =>
    wind.fromDeg === undefined || leg.bearingDeg === null
      ? undefined
      : ((wind.fromDeg - leg.bearingDeg) * Math.PI) / 180;
  const limit = column((leg) => leg.limit);
  const endLimit = new Float64Array(legs.length).fill(Infinity);
  // From the end backwards: what a piece is left with at most, so that braking is enough for all that follows.
  let next = Infinity;
  for (let i = legs.length - 1; i >= 0; i -= 1) {
    const leg = legs[i];
    if (leg === undefined) continue;
    const after = Math.min(
      next,
      Math.max(SLOWEST_BEND, legs[i + 1]?.bend ?? Infinity),
      legs[i + 1]?.limit ?? Infinity,
    );
    const allowed = Number.isNaN(leg.wait) ? after : 0;
    endLimit[i] = allowed;
    next = Math.min(leg.limit, Math.sqrt(allowed * allowed + 2 * pace.brake * leg.lengthM));
  }
  return {
    count: legs.length,
    end: column((leg) => (metres += leg.lengthM)),
    sine: column((leg) => tangent(leg) / Math.sqrt(1 + tangent(leg) ** 2)),
    cosine: column((leg) => 1 / Math.sqrt(1 + tangent(leg) ** 2)),
    soft: column((leg) => leg.soft),
    ahead: column((leg) => wind.speed * Math.cos(angle(leg) ?? 0)),
    across: column((leg) => wind.speed * Math.sin(angle(leg) ?? 0)),
    limit,
    endLimit,
    wait: column((leg) => leg.wait),
    metres,
  };
}
