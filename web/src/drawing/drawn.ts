import { crank, hub, motor, sprocketRadius, wheel } from './bicycle-parts.ts';
import { INK, type Point, type Sketch } from './sketch.tsx';

/** What a drawing needs of a build, mm. */
export interface Drawn {
  readonly wheelbase: number;
  /** Radius of the driven wheel with its tyre. */
  readonly radius: number;
  readonly tyre: number;
  readonly ringTeeth: number;
  readonly motorAt: 'front' | 'rear' | 'middle';
  readonly directDrive: boolean;
  readonly lead: boolean;
}

export type DrawStyle = (s: Sketch, b: Drawn) => void;

export const COG = 20;

export const hubRadius = (b: Drawn): number => (b.directDrive ? 112 : 78);

/** Wheels, hubs and, for a hub motor, the motor; the motor's flange carries the spokes. */
export function wheels(s: Sketch, b: Drawn, rear: Point, front: Point): void {
  const flange = (place: Drawn['motorAt']): number => (b.motorAt === place ? hubRadius(b) : 26);
  const lacing = (place: Drawn['motorAt']): number => (b.motorAt === place ? 1 : 3);
  wheel(s, rear, { radius: b.radius, tyre: b.tyre, flange: flange('rear'), crosses: lacing('rear') });
  wheel(s, front, { radius: b.radius, tyre: b.tyre, flange: flange('front'), crosses: lacing('front') });
  for (const [place, axle] of [
    ['rear', rear],
    ['front', front],
  ] as const) {
    if (b.motorAt === place) motor(s, axle, hubRadius(b));
    else hub(s, axle);
  }
}

/** Ring, crank and, for a mid-drive, the motor ahead of the bottom bracket. */
export function cranks(s: Sketch, b: Drawn, bracket: Point, degrees = 20): void {
  if (b.motorAt === 'middle') motor(s, [bracket[0] + 38, bracket[1] + 6], 98);
  s.circle(bracket, sprocketRadius(b.ringTeeth), { fill: 'none', stroke: INK, strokeWidth: s.line * 1.1 });
  crank(s, bracket, degrees);
}
