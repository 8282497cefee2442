import type { MeasurePicture } from '@apple-cart/core';

interface Drawing {
  /** Ink lines of the part. */
  readonly part: string;
  /** Dashed lines: middle planes and the like. */
  readonly dashed?: string;
  /** From and to of the dimension; none where a label or scales are read. */
  readonly dim?: readonly [number, number, number, number];
}

const SLOT = 'M14 6H58V26Q58 42 42 42V24a6 6 0 0 0-12 0V42Q14 42 14 26Z';
const AXLE = 'M24 14H48M24 34H48M24 14a14 14 0 0 0 0 20M48 14a14 14 0 0 1 0 20';
const SHELL = 'M8 12H28V36H8Z';
const BOX = 'M14 14H58V34H14Z M14 34h44 M22 34v4h28v-4';

/** A line drawing for each thing that is measured, 72 x 48. */
const DRAWINGS: Readonly<Record<MeasurePicture, Drawing>> = {
  dropouts: { part: 'M14 8V42M20 8V42M52 8V42M58 8V42', dim: [20, 25, 52, 25] },
  'slot-width': { part: SLOT, dim: [30, 34, 42, 34] },
  'slot-depth': { part: SLOT, dim: [36, 18, 36, 42] },
  plate: { part: 'M31 6H41V42H31Z M41 14h12v20h-12', dim: [31, 24, 41, 24] },
  'caliper-gap': { part: 'M8 6H28V42H8Z M42 10H62V28H42Z M48 10V28M28 34H58', dim: [28, 19, 42, 19] },
  bead: {
    part: 'M36 3a21 21 0 1 1 0 42a21 21 0 1 1 0-42M36 9a15 15 0 1 1 0 30a15 15 0 1 1 0-30',
    dim: [21, 24, 51, 24],
  },
  tyre: {
    part: 'M24 34c-8-16 0-26 12-26s20 10 12 26M22 34h8M42 34h8M30 34c0 6 12 6 12 0',
    dim: [20, 22, 52, 22],
  },
  rollout: {
    part: 'M14 18a11 11 0 1 1 0 22a11 11 0 1 1 0-22M4 40H70M60 18a11 11 0 1 1 0 22',
    dim: [14, 44, 60, 44],
  },
  'shell-width': { part: 'M16 12H56V36H16Z M20 12V36M52 12V36', dim: [16, 24, 56, 24] },
  'shell-bore': {
    part: 'M36 4a20 20 0 1 1 0 40a20 20 0 1 1 0-40M36 10a14 14 0 1 1 0 28a14 14 0 1 1 0-28',
    dim: [22, 24, 50, 24],
  },
  'stay-reach': {
    part: 'M4 30H24V46H4Z M24 30V4 M14 30C34 28 40 18 40 2 M20 30C28 26 33 18 33 2',
    dashed: 'M24 30V2',
    dim: [24, 12, 39, 12],
  },
  chainline: { part: 'M42 12V38M47 9V41M52 6V44M57 4V46', dashed: 'M14 2V46', dim: [14, 24, 50, 24] },
  chain: {
    part: 'M10 24a4 4 0 1 1 0 .1M26 24a4 4 0 1 1 0 .1M42 24a4 4 0 1 1 0 .1M58 24a4 4 0 1 1 0 .1M10 18H26M10 30H26M26 19H42M26 29H42M42 18H58M42 30H58',
    dim: [10, 38, 58, 38],
  },
  'bracket-height': {
    part: 'M36 10a7 7 0 1 1 0 14a7 7 0 1 1 0-14M6 44H66M36 17L14 4M36 17L62 6',
    dim: [36, 17, 36, 44],
  },
  chainstay: {
    part: 'M16 10a14 14 0 1 1 0 28a14 14 0 1 1 0-28M56 20a6 6 0 1 1 0 12a6 6 0 1 1 0-12M16 24L56 26',
    dim: [16, 42, 56, 42],
  },
  wheelbase: {
    part: 'M16 18a11 11 0 1 1 0 22a11 11 0 1 1 0-22M56 18a11 11 0 1 1 0 22a11 11 0 1 1 0-22M16 29L30 12H50L56 29',
    dim: [16, 44, 56, 44],
  },
  spindle: {
    part: 'M36 12a12 12 0 1 1 0 24a12 12 0 1 1 0-24M36 17a7 7 0 1 1 0 14a7 7 0 1 1 0-14',
    dim: [29, 24, 43, 24],
  },
  crank: {
    part: 'M14 18a6 6 0 1 1 0 12a6 6 0 1 1 0-12M14 18L58 20V28L14 30M56 16v16h10v-16z',
    dim: [14, 40, 60, 40],
  },
  'bar-clamp': {
    part: 'M36 10a14 14 0 1 1 0 28a14 14 0 1 1 0-28M36 13a11 11 0 1 1 0 22a11 11 0 1 1 0-22',
    dim: [22, 24, 50, 24],
  },
  'bar-room': { part: 'M4 20H68V28H4Z M50 17H68V31H50Z M14 20V34H20V28', dim: [22, 38, 48, 38] },
  cable: { part: 'M30 4H42V44H30Z M36 12C66 12 66 34 44 34', dim: [50, 8, 62, 24] },
  shock: { part: 'M10 18H40V30H10Z M40 21H60V27H40Z M10 24H4M60 24H68', dim: [40, 36, 60, 36] },
  scales: { part: 'M10 30H62V36H10Z M22 36V42H50V36M36 30V22M26 22a10 10 0 0 1 20 0zM36 22L41 16' },
  label: { part: 'M10 14H46L60 24L46 34H10Z M50 24h.1M16 20H40M16 24H34M16 28H40' },
  'motor-width': {
    part: 'M4 22H68V26H4Z M16 18H20V30H16Z M52 18H56V30H52Z M22 8H50V40H22Z',
    dim: [20, 44, 52, 44],
  },
  'motor-axle': { part: AXLE, dim: [19, 24, 53, 24] },
  'motor-flats': { part: AXLE, dim: [36, 14, 36, 34] },
  gearbox: { part: `${SHELL} M42 6H64V42H42Z M28 20H42M28 28H42`, dim: [28, 12, 42, 12] },
  'ring-line': { part: `${SHELL} M48 2V46M51 2V46 M28 20H48M28 28H48`, dim: [28, 12, 48, 12] },
  'body-drop': {
    part: 'M36 8a6 6 0 1 1 0 12a6 6 0 1 1 0-12M20 14C16 30 24 42 36 42S58 30 50 10',
    dim: [36, 14, 36, 42],
  },
  'box-length': { part: BOX, dim: [14, 8, 58, 8] },
  'box-height': { part: BOX, dim: [64, 14, 64, 38] },
  'box-width': { part: 'M26 8H46V40H26Z M26 14H46M33 40v4h6v-4', dim: [26, 26, 46, 26] },
};

/** Arrowheads at both ends of a line, drawn inwards. */
function arrows([x1, y1, x2, y2]: readonly [number, number, number, number]): string {
  const length = Math.hypot(x2 - x1, y2 - y1);
  const [ux, uy] = [(x2 - x1) / length, (y2 - y1) / length];
  const head = (x: number, y: number, d: number): string => {
    const [bx, by] = [x + ux * 4 * d, y + uy * 4 * d];
    return `M${String(bx - uy * 2.4)} ${String(by + ux * 2.4)}L${String(x)} ${String(y)}L${String(bx + uy * 2.4)} ${String(by - ux * 2.4)}`;
  };
  return `M${String(x1)} ${String(y1)}L${String(x2)} ${String(y2)}${head(x1, y1, 1)}${head(x2, y2, -1)}`;
}

/** What to measure, as a small line drawing: the part in ink, the measure in blue. */
export function MeasureDrawing({ picture, width = 60 }: { picture: MeasurePicture; width?: number }) {
  const { part, dashed, dim } = DRAWINGS[picture];
  return (
    <svg viewBox="0 0 72 48" width={width} height={(width * 48) / 72} className="shrink-0" aria-hidden>
      <path d={part} fill="none" stroke="var(--ink)" strokeWidth="1.3" strokeLinejoin="round" />
      {dashed !== undefined && <path d={dashed} stroke="var(--ink)" strokeDasharray="5 2 1 2" fill="none" />}
      {dim !== undefined && <path d={arrows(dim)} stroke="var(--slate-fill)" strokeWidth="1.8" fill="none" />}
    </svg>
  );
}
