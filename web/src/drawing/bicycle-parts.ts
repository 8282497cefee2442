import { CHAIN_PITCH_MM, type Tone } from '@apple-cart/core';
import { rad, straight, toward, type Command, type Point, type Sketch } from './sketch.tsx';

/** Pitch radius of a sprocket in mm, near enough for a drawing: the chain's length wound into a circle. */
export const sprocketRadius = (teeth: number): number => (teeth * CHAIN_PITCH_MM) / (2 * Math.PI);

interface WheelInput {
  readonly radius: number;
  readonly tyre: number;
  readonly spokes?: number;
  readonly flange?: number;
  readonly crosses?: number;
}

/** Tyre, rim and laced spokes. */
export function wheel(
  s: Sketch,
  axle: Point,
  { radius, tyre, spokes = 28, flange = 26, crosses = 3 }: WheelInput,
): void {
  const middle = radius - tyre / 2;
  s.circle(axle, middle, { stroke: 'ink', width: tyre * s.scale });
  s.circle(axle, middle, {
    stroke: 'paper',
    width: Math.max(tyre * s.scale - s.line * 2, 0.5),
  });
  const rim = radius - tyre - 16;
  const offset = (crosses * 4 * Math.PI) / spokes;
  const lines: Command[] = [];
  for (let i = 0; i < spokes; i += 1) {
    const a = (i * 2 * Math.PI) / spokes;
    const h = a + (Math.floor(i / 2) % 2 === 0 ? -1 : 1) * offset * 0.93;
    lines.push('M', toward(axle, h, flange), 'L', toward(axle, a, rim));
  }
  s.shape(lines, { stroke: 'soft', width: s.line * 0.45 });
  s.circle(axle, rim, { stroke: 'ink', width: s.line * 0.75 });
}

/** Chain as the two outer tangents of two sprockets. */
export function chain(
  s: Sketch,
  a: Point,
  teethA: number,
  b: Point,
  teethB: number,
  stroke: Tone = 'ink',
): void {
  const [ra, rb] = [sprocketRadius(teethA), sprocketRadius(teethB)];
  const direction = Math.atan2(b[1] - a[1], b[0] - a[0]);
  const lean = Math.acos((ra - rb) / Math.hypot(b[0] - a[0], b[1] - a[1]));
  for (const side of [1, -1]) {
    const t = direction + side * lean;
    s.stroke(toward(a, t, ra), toward(b, t, rb), s.line * 1.1, stroke);
  }
}

export function crank(s: Sketch, axle: Point, degrees: number, length = 170): void {
  const end = toward(axle, rad(degrees), length);
  s.tubes([{ along: straight(axle, end), width: 22 }]);
  s.circle(axle, 15, { fill: 'paper', stroke: 'ink', width: s.line });
  const [x, y] = end;
  s.shape(['M', [x - 52, y + 10], 'L', [x + 52, y + 10], 'L', [x + 52, y - 10], 'L', [x - 52, y - 10], 'Z'], {
    fill: 'paper',
    stroke: 'ink',
    width: s.line,
  });
}

export function saddle(s: Sketch, [x, y]: Point): void {
  const p = (a: number, b: number): Point => [x + a, y + b];
  s.stroke(p(-62, 6), p(52, 10), 1.1);
  s.shape(
    [
      'M',
      p(-140, 46),
      'C',
      p(-118, 62),
      p(-70, 52),
      p(-20, 46),
      'C',
      p(40, 40),
      p(96, 46),
      p(128, 40),
      'C',
      p(138, 36),
      p(136, 27),
      p(124, 26),
      'C',
      p(80, 25),
      p(36, 24),
      p(0, 12),
      'C',
      p(-40, -2),
      p(-104, -6),
      p(-130, 16),
      'C',
      p(-146, 28),
      p(-148, 40),
      p(-140, 46),
      'Z',
    ],
    { fill: 'ink' },
  );
}

/** Stem and a swept bar with its grip. */
export function bars(s: Sketch, stem: Point): void {
  const clamp: Point = [stem[0] + 60, stem[1] + 34];
  s.tubes([{ along: straight(stem, clamp), width: 24 }]);
  s.solid(
    [
      'M',
      clamp,
      'C',
      [clamp[0] + 44, clamp[1] + 30],
      [clamp[0] + 20, clamp[1] + 64],
      [clamp[0] - 40, clamp[1] + 60],
      'L',
      [clamp[0] - 70, clamp[1] + 54],
    ],
    15,
  );
  s.solid(straight([clamp[0] - 60, clamp[1] + 56], [clamp[0] - 156, clamp[1] + 36]), 30);
}

export const hub = (s: Sketch, axle: Point): void => {
  s.circle(axle, 16, { fill: 'ink' });
};

/** The motor: a disc in the colour of what is added. */
export function motor(s: Sketch, axle: Point, radius: number): void {
  s.circle(axle, radius, { fill: 'added' });
  s.circle(axle, radius * 0.45, { stroke: 'paper', width: 0.9 });
}

export function pack(s: Sketch, center: Point, length: number, height: number, degrees: number): void {
  s.box(center, length, height, degrees, { fill: 'added', stroke: 'added', width: 0.5 });
}
