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

export const INK = 'var(--ink)';
export const SOFT = 'var(--ink3)';
/** What the conversion adds. */
export const ADDED = 'var(--slate)';

const round = (n: number): number => Math.round(n * 10) / 10;
export const rad = (degrees: number): number => (degrees * Math.PI) / 180;

/** The point at a distance from another in a direction (radians). */
export const toward = ([x, y]: Point, angle: number, distance: number): Point => [
  x + Math.cos(angle) * distance,
  y + Math.sin(angle) * distance,
];

export const straight = (a: Point, b: Point): readonly Command[] => ['M', a, 'L', b];

/** Collects SVG shapes at one scale; `line` is the pen's width in pixels. */
export class Sketch {
  readonly nodes: ReactNode[] = [];
  readonly scale: number;
  readonly #originX: number;
  readonly #originY: number;
  readonly paper: string;
  readonly line: number;

  constructor(scale: number, origin: Point, paper = 'var(--sheet)', line = 1) {
    this.scale = scale;
    this.#originX = origin[0];
    this.#originY = origin[1];
    this.paper = paper;
    this.line = line;
  }

  at([x, y]: Point): Point {
    return [round(this.#originX + x * this.scale), round(this.#originY - y * this.scale)];
  }

  d(commands: readonly Command[]): string {
    return commands.map((c) => (typeof c === 'string' ? c : `${this.at(c).join(' ')} `)).join('');
  }

  #push(node: (key: number) => ReactNode): void {
    this.nodes.push(node(this.nodes.length));
  }

  shape(commands: readonly Command[], props: React.SVGProps<SVGPathElement>): void {
    this.#push((key) => <path key={key} d={this.d(commands)} strokeLinejoin="round" {...props} />);
  }

  stroke(a: Point, b: Point, width = 1, color = INK): void {
    this.shape(straight(a, b), { fill: 'none', stroke: color, strokeWidth: width });
  }

  circle(center: Point, radius: number, props: React.SVGProps<SVGCircleElement>): void {
    const [cx, cy] = this.at(center);
    this.#push((key) => <circle key={key} cx={cx} cy={cy} r={round(radius * this.scale)} {...props} />);
  }

  /** All outlines first, then all fills, so that joints look welded. */
  tubes(list: readonly Tube[]): void {
    const layer = (color: string, width: (pixels: number) => number): void => {
      for (const tube of list) {
        this.shape(tube.along, {
          fill: 'none',
          stroke: color,
          strokeWidth: round(width(tube.width * this.scale)),
          strokeLinecap: tube.square === true ? 'square' : 'round',
        });
      }
    };
    layer(INK, (w) => Math.max(w, this.line * 2 + 0.6));
    layer(this.paper, (w) => Math.max(w - this.line * 2, 0.6));
  }

  solid(along: readonly Command[], width: number, color = INK): void {
    this.shape(along, {
      fill: 'none',
      stroke: color,
      strokeWidth: round(width * this.scale),
      strokeLinecap: 'round',
    });
  }

  /** A box of a size about its centre, turned by degrees. */
  box(
    [cx, cy]: Point,
    width: number,
    height: number,
    degrees: number,
    props: React.SVGProps<SVGPathElement>,
  ): void {
    const co = Math.cos(rad(degrees));
    const si = Math.sin(rad(degrees));
    const corner = (u: number, v: number): Point => [cx + u * co - v * si, cy + u * si + v * co];
    const [w, h] = [width / 2, height / 2];
    this.shape(['M', corner(-w, -h), 'L', corner(w, -h), 'L', corner(w, h), 'L', corner(-w, h), 'Z'], props);
  }
}
