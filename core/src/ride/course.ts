import { pieces, routeLengthM } from '../route/profile.ts';
import type { Piece } from '../route/profile.ts';
import type { RoadSpan, Route } from '../route/route.ts';
import { SURFACE_DATA } from '../route/surface.ts';
import { kmhToMs } from '../quantity/units.ts';

/** Wind as it blows over the land. */
export interface Wind {
  /** m/s; below 0 from behind, where it is ahead. */
  readonly speed: number;
  /** Where it comes from; undefined where nobody has said. */
  readonly fromDeg: number | undefined;
  /** What it is where its direction, or that of the road, is not known: ahead all the way, or the mean over all sides. */
  readonly otherwise: 'ahead' | 'all-sides';
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
  /** Wind of which nobody knows from where, m/s: then there is none ahead and none across. */
  readonly allSides: Float64Array;
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

/** What lies along a route where one goes on and never back: of those that lie over each other, the one written last. */
function spansAlong(spans: Route['spans']): (at: number) => RoadSpan | undefined {
  const waiting = spans.map((span, order) => ({ span, order })).sort((a, b) => a.span.fromM - b.span.fromM);
  let [next, open] = [0, [] as typeof waiting];
  return (at) => {
    for (let one = waiting[next]; one !== undefined && one.span.fromM <= at; one = waiting[next]) {
      open.push(one);
      next += 1;
    }
    if (open.some(({ span }) => span.toM < at)) open = open.filter(({ span }) => span.toM >= at);
    return open.reduce<(typeof waiting)[number] | undefined>(
      (last, one) => (last === undefined || one.order > last.order ? one : last),
      undefined,
    )?.span;
  };
}

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
  const spanAt = spansAlong(route.spans);
  const stops = route.stops.toSorted((a, b) => a.atM - b.atM);
  let ahead = 0;
  const legs: Leg[] = [];
  let at = 0;
  for (let i = 1; i < cuts.length; i += 1) {
    const [from = 0, to = 0] = [cuts[i - 1], cuts[i]];
    const middle = (from + to) / 2;
    while (at < straight.length - 1 && (straight[at + 1]?.fromM ?? Infinity) <= middle) at += 1;
    const piece = straight[at];
    if (piece === undefined) continue;
    const span = spanAt(middle);
    while ((stops[ahead]?.atM ?? Infinity) < to - SAME_M) ahead += 1;
    const stop = stops[ahead];
    legs.push({
      ...piece,
      fromM: from,
      lengthM: to - from,
      soft: SURFACE_DATA[span?.surface ?? 'paved'].adds,
      limit: span?.limitKmh === null || span === undefined ? Infinity : kmhToMs(span.limitKmh),
      bend: Infinity,
      wait: stop !== undefined && stop.atM <= to + SAME_M ? stop.waitS : NaN,
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

/** What a course is whatever blows: the legs one after the other, as columns, and how fast their bends are taken. */
interface Ground extends Pick<
  Course,
  'count' | 'end' | 'sine' | 'cosine' | 'soft' | 'limit' | 'wait' | 'metres'
> {
  readonly sideways: number;
  readonly bearing: readonly (number | null)[];
  readonly bend: Float64Array;
  readonly lengthM: Float64Array;
}

function groundOf(route: Route, sideways: number): Ground {
  const there = oneWay(route, sideways);
  const round = route.andBack ? [...there, ...turned(there)] : there;
  const legs = Array.from({ length: route.times }, () => round).flat();
  const column = (of: (leg: Leg) => number): Float64Array => Float64Array.from(legs, of);
  let metres = 0;
  const cosine = column(({ gradePct }) => 1 / Math.sqrt(1 + (gradePct / 100) ** 2));
  return {
    sideways,
    count: legs.length,
    end: column((leg) => (metres += leg.lengthM)),
    sine: column(({ gradePct }) => gradePct / 100 / Math.sqrt(1 + (gradePct / 100) ** 2)),
    cosine,
    soft: column((leg) => leg.soft),
    limit: column((leg) => leg.limit),
    wait: column((leg) => leg.wait),
    metres,
    bearing: legs.map((leg) => leg.bearingDeg),
    bend: column((leg) => leg.bend),
    lengthM: column((leg) => leg.lengthM),
  };
}

/** The ground of a route as it was last asked for: a road is ridden many times, in other winds and by other machines. */
const grounds = new WeakMap<Route, Ground>();

function groundAlong(route: Route, sideways: number): Ground {
  const had = grounds.get(route);
  if (had?.sideways === sideways) return had;
  const made = groundOf(route, sideways);
  grounds.set(route, made);
  return made;
}

/** From the end backwards: what a piece is left with at most, so that braking is enough for all that follows. */
function endLimits({ count, bend, limit, wait, lengthM }: Ground, brake: number): Float64Array {
  const ends = new Float64Array(count);
  let next = Infinity;
  for (let i = count - 1; i >= 0; i -= 1) {
    const after = Math.min(next, Math.max(SLOWEST_BEND, bend[i + 1] ?? Infinity), limit[i + 1] ?? Infinity);
    const allowed = Number.isNaN(wait[i] ?? NaN) ? after : 0;
    ends[i] = allowed;
    next = Math.min(limit[i] ?? Infinity, Math.sqrt(allowed * allowed + 2 * brake * (lengthM[i] ?? 0)));
  }
  return ends;
}

/** Everything that is ridden: there, back where it comes back, as often as it is ridden. */
export function courseOf(route: Route, wind: Wind, pace: Pace): Course {
  const ground = groundAlong(route, pace.sideways);
  const { fromDeg, speed, otherwise } = wind;
  const isKnown = (bearing: number | null): bearing is number => fromDeg !== undefined && bearing !== null;
  const angle = (bearing: number | null): number =>
    isKnown(bearing) ? (((fromDeg ?? 0) - bearing) * Math.PI) / 180 : 0;
  const unsaid = (bearing: number | null): boolean => otherwise === 'all-sides' && !isKnown(bearing);
  const blows = (of: (angle: number) => number): Float64Array =>
    Float64Array.from(ground.bearing, (bearing) => (unsaid(bearing) ? 0 : speed * of(angle(bearing))));
  return {
    ...ground,
    endLimit: endLimits(ground, pace.brake),
    ahead: blows(Math.cos),
    across: blows(Math.sin),
    allSides: Float64Array.from(ground.bearing, (bearing) => (unsaid(bearing) ? Math.abs(speed) : 0)),
  };
}
