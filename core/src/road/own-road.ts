import { cleanedProfileOf } from '../route/drawn.ts';
import type { RoadSpan, Route } from '../route/route.ts';
import { riddenLengthM, routeLengthM } from '../route/profile.ts';
import type { Surface } from '../route/surface.ts';
import { readRoute } from '../route/read-route.ts';
import { quantiles } from '../quantity/numerics.ts';
import { msToKmh } from '../quantity/units.ts';
import { analyzeLog } from './analysis.ts';
import { distancesOf, speedsOf } from './log-columns.ts';
import type { Recording } from './channels.ts';

/** Rows of the road that is made of a recording lie this far apart at least, m, and there are at most so many. */
const SPACING_M = 10;
const MOST_NODES = 3000;
/** Heights of loggers wander: they are smoothed over this, m. */
const SMOOTH_M = 60;
/** Within this share of each other speeds are one wish; a stretch of one wish is at least so long, m. */
const ONE_WISH = 0.12;
const SHORTEST_M = 120;
const MOST_SPANS = 300;
/** Steeper than this the hill decides how fast it goes, not the wish, %. */
const HILL_PCT = 2;
const SLOWEST_KMH = 3;
/** A recording went along a route where their lengths are the same to this, as a share. */
export const SAME_LENGTH = 0.04;
/** Of the speeds on a bit, the wish is faster than this share: starts and stops are ridden below it. */
const WISH_SHARE = 0.7;

interface Bit {
  readonly fromM: number;
  readonly toM: number;
  readonly ms: number;
  readonly gradePct: number;
}

/** The way in short bits, each with how fast it was ridden and how steep it is. */
function bitsOf(r: Recording, metres: Float64Array): readonly Bit[] {
  const { seconds, columns } = r;
  const speeds = speedsOf(r, metres);
  const out: Bit[] = [];
  let from = 0;
  let ridden: number[] = [];
  for (let i = 1; i < seconds.length; i += 1) {
    ridden.push(speeds?.[i] ?? 0);
    const length = (metres[i] ?? 0) - (metres[from] ?? 0);
    if (length < SHORTEST_M) continue;
    const rise = (columns.elevation?.[i] ?? 0) - (columns.elevation?.[from] ?? 0);
    const { at } = quantiles(ridden, { wish: WISH_SHARE });
    out.push({ fromM: metres[from] ?? 0, toM: metres[i] ?? 0, ms: at.wish, gradePct: (100 * rise) / length });
    from = i;
    ridden = [];
  }
  return out;
}

/** Stretches of one wish; up a hill the wish of before goes on, since what it holds there is the machine's. */
function wishes(bits: readonly Bit[]): readonly RoadSpan[] {
  const out: { fromM: number; toM: number; ms: number }[] = [];
  const level = bits.filter((b) => b.gradePct <= HILL_PCT);
  const usual = level.length === 0 ? 0 : level.reduce((sum, b) => sum + b.ms, 0) / level.length;
  for (const bit of bits) {
    const last = out.at(-1);
    const ms = bit.gradePct > HILL_PCT ? Math.max(last?.ms ?? usual, bit.ms) : bit.ms;
    if (last !== undefined && (Math.abs(ms - last.ms) < ONE_WISH * last.ms || out.length >= MOST_SPANS)) {
      const [a, b] = [last.toM - last.fromM, bit.toM - bit.fromM];
      last.ms = (last.ms * a + ms * b) / (a + b);
      last.toM = bit.toM;
    } else out.push({ fromM: bit.fromM, toM: bit.toM, ms });
  }
  return out.map(({ fromM, toM, ms }) => ({
    fromM,
    toM,
    surface: 'paved',
    limitKmh: Math.min(150, Math.max(SLOWEST_KMH, msToKmh(ms))),
  }));
}

export interface Ground {
  readonly fromM: number;
  readonly toM: number;
  readonly surface: Surface;
}

/** What the ground of a route is, along everything that is ridden of it; nothing where a ride of another length was another road. */
export function groundOf(route: Route | undefined, riddenM: number): readonly Ground[] {
  if (route === undefined || Math.abs(riddenLengthM(route) / riddenM - 1) > SAME_LENGTH) return [];
  const once = routeLengthM(route);
  const there = route.spans.map(({ fromM, toM, surface }): Ground => ({ fromM, toM, surface }));
  const back = there.map((s) => ({ ...s, fromM: 2 * once - s.toM, toM: 2 * once - s.fromM }));
  const round = route.andBack ? [...there, ...back] : there;
  const length = riddenLengthM(route) / route.times;
  return Array.from({ length: route.times }, (_, i) =>
    round.map((s) => ({ ...s, fromM: s.fromM + i * length, toM: s.toM + i * length })),
  ).flat();
}

/** Wishes cut where the ground changes. */
const onGround = (spans: readonly RoadSpan[], ground: readonly Ground[]): readonly RoadSpan[] =>
  spans.flatMap((span) => {
    const cuts = ground
      .flatMap((g) => [g.fromM, g.toM])
      .filter((x) => x > span.fromM && x < span.toM)
      .sort((a, b) => a - b);
    const ends = [...cuts, span.toM];
    return ends.map((toM, i): RoadSpan => {
      const fromM = ends[i - 1] ?? span.fromM;
      const middle = (fromM + toM) / 2;
      const surface = ground.findLast((g) => g.fromM <= middle && g.toM >= middle)?.surface ?? span.surface;
      return { ...span, fromM, toM, surface };
    });
  });

/**
 * The road that a recording went along: its heights, the speed that its rider wished for, and where it stood. Undefined where no
 * height was recorded, or it hardly moved.
 * @param known the route that it is said to have gone along: what its ground is, where the lengths agree
 */
export function roadOfLog(name: string, r: Recording, known?: Route): Route | undefined {
  const { elevation } = r.columns;
  if (elevation === undefined) return undefined;
  const { metres } = distancesOf(r);
  const whole = metres.at(-1) ?? 0;
  if (whole < 2 * SHORTEST_M) return undefined;
  const spacing = Math.max(SPACING_M, whole / MOST_NODES);
  const points: { distanceM: number; elevationM: number }[] = [];
  for (let i = 0; i < metres.length; i += 1) {
    const [x, e] = [metres[i] ?? 0, elevation[i] ?? NaN];
    if (!Number.isNaN(e) && (points.length === 0 || x >= (points.at(-1)?.distanceM ?? 0) + spacing))
      points.push({ distanceM: x, elevationM: e });
  }
  if (points.length < 2) return undefined;
  const [first] = points;
  const start = first?.distanceM ?? 0;
  const shape = cleanedProfileOf(
    name === '' ? 'the ride’s own road' : name,
    points.map((p) => ({ ...p, distanceM: p.distanceM - start })),
    SMOOTH_M,
  );
  const end = shape.profile.at(-1)?.distanceM ?? 0;
  const ground = groundOf(known, whole);
  const read = readRoute({
    ...shape,
    spans: onGround(wishes(bitsOf(r, metres)), ground).filter((s) => s.fromM < end),
    stops: analyzeLog(r)
      .stops.filter((s) => s.atM > 1 && s.atM < end - 1)
      .map((s) => ({ atM: s.atM, waitS: Math.min(7200, s.seconds) })),
  });
  return read.ok ? read.value : undefined;
}
