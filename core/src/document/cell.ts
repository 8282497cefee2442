import { firstOf } from '../quantity/first-of.ts';
import * as z from 'zod';
import { nesting } from './choices.ts';
import { AMPS_PER_AH } from './per-cell.ts';
import { quantities, type FallbackContext, type QuantitySpec } from './quantity-spec.ts';

/** Amp-hours of one usual body: a round lithium cell, or a sealed lead-acid block. Common practice. */
const usualAh = ({ chemistry }: FallbackContext): number =>
  ({ nmc: 3.4, 'nmc-power': 2.5, lmo: 2.2, lfp: 6, 'lead-acid': 12 })[chemistry];

const amps =
  (kind: 'continuous' | 'peak' | 'charge') =>
  (c: FallbackContext): number =>
    AMPS_PER_AH[c.chemistry][kind] * usualAh(c);

/** Usual bodies, mm and g: the 18 by 65 round cell; 32 by 70 for iron phosphate; a 12 V 12 Ah block. Common practice. */
const body =
  (round: number, iron: number, block: number) =>
  ({ chemistry }: FallbackContext): number =>
    firstOf(
      [
        [chemistry === 'lead-acid', block],
        [chemistry === 'lfp', iron],
      ],
      round,
    );

const USUAL = 'common practice, the usual body of the chemistry';

/** One cell, or one block of cells in a body, that a pack is made from, and how many stand side by side. */
export const cellSpecs = {
  capacityAh: {
    label: 'One cell',
    unit: 'Ah',
    min: 0.05,
    max: 400,
    plausible: [1.5, 40],
    step: 0.1,
    fallback: usualAh,
    origin: USUAL,
  },
  parallel: {
    label: 'Cells side by side',
    unit: 'P',
    min: 1,
    max: 100,
    plausible: [1, 20],
    step: 1,
    fallback: 4,
    origin: 'common practice',
  },
  resistanceMohm: {
    label: 'Resistance, direct current',
    unit: 'mohm',
    min: 0.1,
    max: 1000,
    plausible: [3, 80],
    step: 1,
    fallback: 35,
    origin: 'the usual resistance of the chemistry is used',
  },
  continuousA: {
    label: 'Continuous',
    unit: 'A',
    min: 0.1,
    max: 1000,
    plausible: [3, 60],
    step: 0.5,
    fallback: amps('continuous'),
    origin: 'common practice: so many amps per amp-hour of the chemistry',
  },
  peakA: {
    label: 'For ten seconds',
    unit: 'A',
    min: 0.1,
    max: 2000,
    plausible: [5, 120],
    step: 0.5,
    fallback: amps('peak'),
    origin: 'common practice: so many amps per amp-hour of the chemistry',
  },
  chargeA: {
    label: 'On charge, most',
    unit: 'A',
    min: 0.05,
    max: 500,
    plausible: [0.5, 20],
    step: 0.1,
    fallback: amps('charge'),
    origin: 'common practice: so many amps per amp-hour of the chemistry',
  },
  massG: {
    label: 'Mass of a cell',
    unit: 'g',
    min: 5,
    max: 50_000,
    plausible: [40, 6000],
    step: 1,
    fallback: body(47, 140, 3900),
    origin: USUAL,
  },
  widthMm: {
    label: 'Diameter, or width',
    unit: 'mm',
    min: 5,
    max: 400,
    plausible: [14, 200],
    step: 0.5,
    fallback: body(18.4, 32.2, 151),
    origin: USUAL,
  },
  depthMm: {
    label: 'Depth of a block',
    unit: 'mm',
    min: 5,
    max: 400,
    plausible: [10, 200],
    step: 0.5,
    fallback: body(18.4, 32.2, 98),
    origin: USUAL,
  },
  heightMm: {
    label: 'Height',
    unit: 'mm',
    min: 5,
    max: 500,
    plausible: [50, 200],
    step: 0.5,
    fallback: body(65.2, 70.5, 100),
    origin: USUAL,
  },
  rows: {
    label: 'Rows in the box',
    unit: '1',
    min: 1,
    max: 60,
    plausible: [1, 20],
    step: 1,
    fallback: 4,
    origin: 'as many as stand side by side',
  },
  gapMm: {
    label: 'Holder, gap between cells',
    unit: 'mm',
    min: 0,
    max: 30,
    plausible: [0, 4],
    step: 0.1,
    fallback: ({ chemistry }: FallbackContext) => (chemistry === 'lead-acid' ? 2 : 1.6),
    origin: 'common practice',
  },
  caseMm: {
    label: 'Case, wall and padding',
    unit: 'mm',
    min: 0,
    max: 40,
    plausible: [1, 10],
    step: 0.5,
    fallback: 4,
    origin: 'common practice',
  },
} as const satisfies Record<string, QuantitySpec>;

/** A measured used cell: its name on the bench, and what it gave. */
const usedCell = z.strictObject({
  name: z.string().max(20),
  mah: z.number().positive().max(400_000),
  mohm: z.number().min(0).max(10_000).nullable(),
});
export type UsedCell = z.infer<typeof usedCell>;

/** Most that one cell, or one block, is priced at. */
export const MOST_CELL_PRICE = 100_000;

export const cell = z.strictObject({
  name: z.string().max(80).default(''),
  /** Cells in one body: 1, or 6 for a 12 V lead-acid block. */
  inBody: z.number().int().min(1).max(24).default(1),
  round: z.boolean().default(true),
  nesting: nesting.default('square'),
  /** Price of one, in the build's currency; null is not known. */
  price: z.number().min(0).max(MOST_CELL_PRICE).nullable().default(null),
  used: z.array(usedCell).max(1000).default([]),
  ...quantities(cellSpecs),
});
