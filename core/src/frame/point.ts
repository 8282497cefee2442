/** Side view in millimetres: x forward of the rear axle, y above the ground. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

export const RADIANS = Math.PI / 180;

/** The point `mm` away from another, in a direction in degrees from forward, upwards positive. */
export const toward = (from: Point, degrees: number, mm: number): Point => ({
  x: from.x + Math.cos(degrees * RADIANS) * mm,
  y: from.y + Math.sin(degrees * RADIANS) * mm,
});

export const shifted = (from: Point, x: number, y: number): Point => ({ x: from.x + x, y: from.y + y });

export const distance = (a: Point, b: Point): number => Math.hypot(b.x - a.x, b.y - a.y);

/** The point a share `t` of the way from `a` to `b`. */
export const between = (a: Point, b: Point, t: number): Point => ({
  x: a.x + (b.x - a.x) * t,
  y: a.y + (b.y - a.y) * t,
});

/** The point `mm` from `a` towards `b`; `a` itself when the two coincide. */
export const along = (a: Point, b: Point, mm: number): Point => {
  const length = distance(a, b);
  return length === 0 ? a : between(a, b, mm / length);
};

/** Direction from `a` to `b` in degrees, -180 to 180. */
export const directionDeg = (a: Point, b: Point): number => Math.atan2(b.y - a.y, b.x - a.x) / RADIANS;

/** `point` turned about `centre` by degrees, anticlockwise positive. */
export const turned = (point: Point, centre: Point, degrees: number): Point => {
  const [co, si] = [Math.cos(degrees * RADIANS), Math.sin(degrees * RADIANS)];
  const [x, y] = [point.x - centre.x, point.y - centre.y];
  return { x: centre.x + x * co - y * si, y: centre.y + x * si + y * co };
};

/** Where along the segment from `a` to `b` a point stands nearest: its share 0 to 1 and its distance, mm. */
export function nearestOn(
  a: Point,
  b: Point,
  point: Point,
): { readonly share: number; readonly distance: number } {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const square = dx * dx + dy * dy;
  const raw = square === 0 ? 0 : ((point.x - a.x) * dx + (point.y - a.y) * dy) / square;
  const share = Math.min(1, Math.max(0, raw));
  return { share, distance: distance(point, between(a, b, share)) };
}
