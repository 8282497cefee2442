import type { GradePoint, Limit } from '@apple-cart/core';

export interface Segment {
  readonly limit: Limit;
  readonly points: readonly GradePoint[];
}

/** Splits a curve where its binding limit changes; neighbours share the joint, so that no gap shows. */
export function segments(points: readonly GradePoint[]): readonly Segment[] {
  const out: { limit: Limit; points: GradePoint[] }[] = [];
  for (const point of points) {
    const last = out.at(-1);
    if (last?.limit === point.limit) {
      last.points.push(point);
      continue;
    }
    last?.points.push(point);
    out.push({ limit: point.limit, points: [point] });
  }
  return out;
}

const STEPS = [1, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10];

/** The next round number at or above a positive value, for the end of an axis. */
export function niceMax(value: number): number {
  if (!(value > 0)) return 1;
  const decade = 10 ** Math.floor(Math.log10(value));
  const step = STEPS.find((s) => s * decade >= value - 1e-9) ?? 10;
  return step * decade;
}

/** The point of a curve at a grade, by straight lines between its points; undefined beyond its ends. */
export function atGrade(points: readonly GradePoint[], gradePct: number): GradePoint | undefined {
  for (let i = 1; i < points.length; i += 1) {
    const [a, b] = [points[i - 1], points[i]];
    if (a === undefined || b === undefined) continue;
    const [low, high] = a.gradePct < b.gradePct ? [a, b] : [b, a];
    if (gradePct < low.gradePct || gradePct > high.gradePct || high.gradePct === low.gradePct) continue;
    const t = (gradePct - low.gradePct) / (high.gradePct - low.gradePct);
    return {
      ...high,
      gradePct,
      v: low.v + t * (high.v - low.v),
      forceN: low.forceN + t * (high.forceN - low.forceN),
    };
  }
  return undefined;
}

/** The steepest grade of a curve. */
export const steepest = (points: readonly GradePoint[]): number =>
  points.reduce((most, point) => Math.max(most, point.gradePct), 0);
