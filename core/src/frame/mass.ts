import type { Point } from './point.ts';

/** Something that weighs, as a point. */
export interface MassPoint extends Point {
  readonly name: string;
  readonly kg: number;
}

/** Centre of mass of points, mm; undefined when nothing weighs anything. Statics: sum of m r over sum of m. */
export function centreOfMass(points: readonly MassPoint[]): (Point & { readonly kg: number }) | undefined {
  const kg = points.reduce((sum, p) => sum + p.kg, 0);
  if (!(kg > 0)) return undefined;
  return {
    kg,
    x: points.reduce((sum, p) => sum + p.kg * p.x, 0) / kg,
    y: points.reduce((sum, p) => sum + p.kg * p.y, 0) / kg,
  };
}
