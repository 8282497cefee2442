import { leastByGoldenSection } from '../quantity/numerics.ts';
import { RADIANS, type Point } from './point.ts';

/** A pack box from the side: centre, length along its own axis, height across it, and how it is turned. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly lengthMm: number;
  readonly heightMm: number;
  readonly angleDeg: number;
}

/** The four corners, anticlockwise. */
export function corners(box: Box): readonly [Point, Point, Point, Point] {
  const [co, si] = [Math.cos(box.angleDeg * RADIANS), Math.sin(box.angleDeg * RADIANS)];
  const corner = (u: number, v: number): Point => ({
    x: box.x + u * co - v * si,
    y: box.y + u * si + v * co,
  });
  const [a, b] = [box.lengthMm / 2, box.heightMm / 2];
  return [corner(-a, -b), corner(a, -b), corner(a, b), corner(-a, b)];
}

/**
 * Distance of points from the box in mm, negative inside: how far the nearest side is. This signed distance is
 * convex, and never grows when the box does. Derived.
 */
function distanceFrom(box: Box): (x: number, y: number) => number {
  const [co, si] = [Math.cos(box.angleDeg * RADIANS), Math.sin(box.angleDeg * RADIANS)];
  const [halfLength, halfHeight] = [box.lengthMm / 2, box.heightMm / 2];
  return (px, py) => {
    const [x, y] = [px - box.x, py - box.y];
    const u = Math.abs(x * co + y * si) - halfLength;
    const v = Math.abs(y * co - x * si) - halfHeight;
    return u > 0 && v > 0 ? Math.hypot(u, v) : Math.max(u, v);
  };
}

/** Signed distance of one point from the box, mm, negative inside. */
export const signedDistance = (box: Box, { x, y }: Point): number => distanceFrom(box)(x, y);

/** Golden section to within 0.62^40 of the segment: far below a micrometre on any bicycle. */
const STEPS = 40;

/** Least distance from zero of the numbers between two. */
const leastSize = (a: number, b: number): number => (a * b <= 0 ? 0 : Math.min(Math.abs(a), Math.abs(b)));

/** No point of a segment is nearer to the box than this, mm: its sides are looked at one by one. Derived. */
function distanceAtLeast(box: Box, a: Point, b: Point): number {
  const [co, si] = [Math.cos(box.angleDeg * RADIANS), Math.sin(box.angleDeg * RADIANS)];
  const along = ({ x, y }: Point): number => (x - box.x) * co + (y - box.y) * si;
  const across = ({ x, y }: Point): number => (y - box.y) * co - (x - box.x) * si;
  return Math.max(
    leastSize(along(a), along(b)) - box.lengthMm / 2,
    leastSize(across(a), across(b)) - box.heightMm / 2,
  );
}

/**
 * Least signed distance from the box to the points of a segment, mm. The signed distance is convex along a straight
 * line, so a golden-section search finds the one least value; where an end is as near as any point can be, there is
 * nothing to search for.
 */
export function distanceToSegment(box: Box, a: Point, b: Point): number {
  const distance = distanceFrom(box);
  const ends = Math.min(distance(a.x, a.y), distance(b.x, b.y));
  if (ends <= distanceAtLeast(box, a, b)) return ends;
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const at = (t: number): number => distance(a.x + dx * t, a.y + dy * t);
  return Math.min(leastByGoldenSection(at, 0, 1, STEPS), ends);
}

/** A round bar seen from the side, mm. */
interface Bar {
  readonly a: Point;
  readonly b: Point;
  readonly radius: number;
}

/** Room between the box and a round bar from `a` to `b`, mm; negative by how far they run into each other. */
export const clearance = (box: Box, a: Point, b: Point, radius: number): number =>
  distanceToSegment(box, a, b) - radius;

/** The bar with the least room to the box, the first of equals; undefined for none. Those that cannot be it are not searched along. */
export function nearestBar<B extends Bar>(
  box: Box,
  bars: readonly B[],
): { readonly bar: B; readonly mm: number } | undefined {
  const likeliest = bars
    .map((bar, i) => ({ bar, i, mm: distanceAtLeast(box, bar.a, bar.b) - bar.radius }))
    .sort((one, other) => one.mm - other.mm);
  let nearest: (typeof likeliest)[number] | undefined;
  for (const { bar, i, mm: atLeast } of likeliest) {
    if (nearest !== undefined && atLeast > nearest.mm) break;
    const mm = clearance(box, bar.a, bar.b, bar.radius);
    if (nearest === undefined || mm < nearest.mm || (mm === nearest.mm && i < nearest.i))
      nearest = { bar, i, mm };
  }
  return nearest;
}

/**
 * Least room between two boxes, mm; exact when they stand apart. When they overlap it is the greatest
 * overlap found from either box's corners and sides, as a negative number. Derived.
 */
export function boxDistance(first: Box, second: Box): number {
  const sides = (box: Box): readonly (readonly [Point, Point])[] => {
    const [a, b, c, d] = corners(box);
    return [
      [a, b],
      [b, c],
      [c, d],
      [d, a],
    ];
  };
  return Math.min(
    ...sides(second).map(([a, b]) => distanceToSegment(first, a, b)),
    ...sides(first).map(([a, b]) => distanceToSegment(second, a, b)),
  );
}
