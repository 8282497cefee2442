import type { DrawnShape, Tone } from '@apple-cart/core';
import type { ReactNode } from 'react';

/** Side-view drawing in millimetres: x forward from the rear axle, y up from the ground. */
export type Point = readonly [number, number];
export type Command = 'M' | 'L' | 'C' | 'Z' | Point;

export interface Tube {
  /** Outline from a to b, or along a path. */
  readonly along: readonly Command[];
  readonly width: number;
  /** Square ends, for sleeves and head tubes. */
  readonly square?: boolean;
}

/** What a shape is drawn with: its colours by what they stand for. */
type Pen = Partial<Omit<DrawnShape, 'd'>>;

/** Colours of the page, by what they stand for; paper is what the drawing lies on. */
const COLOURS: Readonly<Record<Exclude<Tone, 'paper'>, string>> = {
  none: 'none',
  ink: 'var(--ink)',
  soft: 'var(--ink3)',
  added: 'var(--slate)',
};

/** Shapes as they stand on a page. */
export const drawnNodes = (shapes: readonly DrawnShape[], paper = 'var(--sheet)'): readonly ReactNode[] => {
  const colour = (tone: Tone): string => (tone === 'paper' ? paper : COLOURS[tone]);
  return shapes.map(({ d, fill, stroke, width, cap }, i) => (
    <path
      key={i}
      d={d}
      fill={colour(fill)}
      stroke={colour(stroke)}
      strokeWidth={width}
      strokeLinecap={cap}
      strokeLinejoin="round"
    />
  ));
};

const round = (n: number): number => Math.round(n * 10) / 10;
export const rad = (degrees: number): number => (degrees * Math.PI) / 180;

/** The point at a distance from another in a direction (radians). */
export const toward = ([x, y]: Point, angle: number, distance: number): Point => [
  x + Math.cos(angle) * distance,
  y + Math.sin(angle) * distance,
];

export const straight = (a: Point, b: Point): readonly Command[] => ['M', a, 'L', b];

/** Collects shapes at one scale; `line` is the pen's width in pixels. */
export class Sketch {
  readonly shapes: DrawnShape[] = [];
  readonly scale: number;
  readonly #originX: number;
  readonly #originY: number;
  readonly line: number;

  constructor(scale: number, origin: Point, line = 1) {
    this.scale = scale;
    this.#originX = origin[0];
    this.#originY = origin[1];
    this.line = line;
  }

  at([x, y]: Point): Point {
    return [round(this.#originX + x * this.scale), round(this.#originY - y * this.scale)];
  }

  d(commands: readonly Command[]): string {
    return commands.map((c) => (typeof c === 'string' ? c : `${this.at(c).join(' ')} `)).join('');
  }

  #push(d: string, pen: Pen): void {
    const width = Math.round((pen.width ?? 0) * 100) / 100;
    this.shapes.push({ fill: 'none', stroke: 'none', cap: 'butt', ...pen, width, d });
  }

  shape(commands: readonly Command[], pen: Pen): void {
    this.#push(this.d(commands), pen);
  }

  stroke(a: Point, b: Point, width = 1, stroke: Tone = 'ink'): void {
    this.shape(straight(a, b), { stroke, width });
  }

  circle(center: Point, radius: number, pen: Pen): void {
    const [cx, cy] = this.at(center);
    const r = round(radius * this.scale);
    const [half, back] = [String(2 * r), String(-2 * r)];
    const arc = (over: string): string => `a${String(r)} ${String(r)} 0 1 0 ${over} 0`;
    this.#push(`M${String(round(cx - r))} ${String(cy)}${arc(half)}${arc(back)}Z`, pen);
  }

  /** The ground that a machine stands on, across a picture of a width in px. */
  ground(width: number): void {
    this.#push(`M0 ${String(this.#originY)}H${String(width)}`, { stroke: 'ink', width: 1.5 });
  }

  /** All outlines first, then all fills, so that joints look welded. */
  tubes(list: readonly Tube[]): void {
    const layer = (stroke: Tone, width: (pixels: number) => number): void => {
      for (const tube of list) {
        this.shape(tube.along, {
          stroke,
          width: width(tube.width * this.scale),
          cap: tube.square === true ? 'square' : 'round',
        });
      }
    };
    layer('ink', (w) => Math.max(w, this.line * 2 + 0.6));
    layer('paper', (w) => Math.max(w - this.line * 2, 0.6));
  }

  solid(along: readonly Command[], width: number): void {
    this.shape(along, { stroke: 'ink', width: width * this.scale, cap: 'round' });
  }

  /** A box of a size about its centre, turned by degrees. */
  box([cx, cy]: Point, width: number, height: number, degrees: number, pen: Pen): void {
    const co = Math.cos(rad(degrees));
    const si = Math.sin(rad(degrees));
    const corner = (u: number, v: number): Point => [cx + u * co - v * si, cy + u * si + v * co];
    const [w, h] = [width / 2, height / 2];
    this.shape(['M', corner(-w, -h), 'L', corner(w, -h), 'L', corner(w, h), 'L', corner(-w, h), 'Z'], pen);
  }
}
