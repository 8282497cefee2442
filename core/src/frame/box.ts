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
 * Distance of a point from the box in mm, negative inside: how far the nearest side is. This signed
 * distance is convex, and never grows when the box does. Derived.
 */
export function signedDistance(box: Box, point: Point): number {
  const [co, si] = [Math.cos(box.angleDeg * RADIANS), Math.sin(box.angleDeg * RADIANS)];
  const [x, y] = [point.x - box.x, point.y - box.y];
  const u = Math.abs(x * co + y * si) - box.lengthMm / 2;
  const v = Math.abs(y * co - x * si) - box.heightMm / 2;
  return Math.hypot(Math.max(u, 0), Math.max(v, 0)) + Math.min(Math.max(u, v), 0);
}

const GOLDEN = (Math.sqrt(5) - 1) / 2;
/** Golden section to within 0.62^40 of the segment: far below a micrometre on any bicycle. */
const STEPS = 40;

/**
 * Least signed distance from the box to the points of a segment, mm. The signed distance is convex along a
 * straight line, so a golden-section search finds the one least value (Kiefer, Sequential minimax search
 * for a maximum, Proc. Amer. Math. Soc. 4, 1953). Both ends are looked at as well.
 */
export function distanceToSegment(box: Box, a: Point, b: Point): number {
  const at = (t: number): number =>
    signedDistance(box, { x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t });
  let [low, high] = [0, 1];
  let [t1, t2] = [1 - GOLDEN, GOLDEN];
  let [f1, f2] = [at(t1), at(t2)];
  for (let i = 0; i < STEPS; i += 1) {
    if (f1 <= f2) {
      high = t2;
      t2 = t1;
      f2 = f1;
      t1 = high - GOLDEN * (high - low);
      f1 = at(t1);
    } else {
      low = t1;
      t1 = t2;
      f1 = f2;
      t2 = low + GOLDEN * (high - low);
      f2 = at(t2);
    }
  }
  return Math.min(f1, f2, at(0), at(1));
}

/** Room between the box and a round bar from `a` to `b`, mm; negative by how far they run into each other. */
export const clearance = (box: Box, a: Point, b: Point, radius: number): number =>
  distanceToSegment(box, a, b) - radius;

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
