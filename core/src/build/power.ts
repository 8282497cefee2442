import * as z from 'zod';
import { answer, chemistry, packPlace } from './choices.ts';
import { quantities, type FallbackContext, type QuantitySpec } from './quantity-spec.ts';

/** Usual low-voltage cut-off under load, volts a cell (lead-acid: per 2 V cell). Common practice. */
const CUTOFF_PER_CELL = { nmc: 3.1, lfp: 2.7, 'lead-acid': 1.75 } as const;

/** Volts that a label counts per cell: "48 V" is 13 lithium cells, "52 V" 14, "60 V" 16, "72 V" 20. Common practice. */
export const LABEL_V_PER_CELL = { nmc: 3.65, lfp: 3.2, 'lead-acid': 2 } as const;

export const packSpecs = {
  nominalV: {
    label: 'Nominal volts',
    unit: 'V',
    min: 3,
    max: 200,
    plausible: [24, 84],
    step: 1,
    fallback: (c: FallbackContext) => c.nominalV,
    origin: 'worked from the cells in series',
  },
  cellsInSeries: {
    label: 'Cells in series',
    unit: 'S',
    min: 1,
    max: 60,
    plausible: [7, 24],
    step: 1,
    fallback: (c: FallbackContext) => c.cellsInSeries,
    origin: 'worked from the nominal volts',
  },
  capacityAh: {
    label: 'Capacity',
    unit: 'Ah',
    min: 0.5,
    max: 400,
    plausible: [5, 60],
    step: 0.5,
    fallback: 13,
    origin: 'common practice',
  },
  bmsCurrentA: {
    label: 'Pack protection, continuous',
    unit: 'A',
    min: 1,
    max: 500,
    plausible: [12, 100],
    step: 1,
    fallback: 30,
    origin: 'common practice',
  },
  wiringMohm: {
    label: 'Leads, plugs and protection',
    unit: 'mohm',
    min: 0,
    max: 1000,
    plausible: [10, 60],
    step: 1,
    fallback: 25,
    origin: 'from memory, 20 to 30 mohm',
  },
  healthPct: {
    label: 'Capacity left by age',
    unit: '%',
    min: 20,
    max: 105,
    plausible: [60, 100],
    step: 1,
    fallback: 95,
    origin: 'common practice, a young pack',
  },
  chargeLimitPct: {
    label: 'Charged to',
    unit: '%',
    min: 20,
    max: 100,
    plausible: [70, 100],
    step: 5,
    fallback: 100,
    origin: 'a full charge',
  },
  massKg: {
    label: 'Pack',
    unit: 'kg',
    min: 0.3,
    max: 150,
    plausible: [1.5, 60],
    step: 0.1,
    fallback: (c: FallbackContext) => (c.chemistry === 'lead-acid' ? 16 : c.chemistry === 'lfp' ? 6 : 3.8),
    origin: 'from memory',
  },
  boxLengthMm: {
    label: 'Box length',
    unit: 'mm',
    min: 30,
    max: 1500,
    plausible: [60, 600],
    step: 5,
    fallback: 360,
    origin: 'common practice',
  },
  boxHeightMm: {
    label: 'Box height',
    unit: 'mm',
    min: 20,
    max: 600,
    plausible: [50, 250],
    step: 1,
    fallback: 90,
    origin: 'common practice',
  },
  boxWidthMm: {
    label: 'Box width',
    unit: 'mm',
    min: 20,
    max: 600,
    plausible: [50, 250],
    step: 1,
    fallback: 90,
    origin: 'common practice',
  },
} as const satisfies Record<string, QuantitySpec>;

/** A box of the pack: where it is mounted, and its centre where it was put by hand (null: the place's own). */
const packBox = z.strictObject({
  place: packPlace,
  at: z
    .strictObject({
      xMm: z.number().min(-2000).max(5000),
      yMm: z.number().min(-200).max(3000),
      angleDeg: z.number().min(-180).max(180),
    })
    .nullable(),
});

export const pack = z.strictObject({
  name: z.string().max(80),
  chemistry,
  /** Boxes of one size that share the pack's mass equally. */
  boxes: z.array(packBox).min(1).max(4),
  ...quantities(packSpecs),
});

export const controllerSpecs = {
  batteryCurrentA: {
    label: 'Battery current limit',
    unit: 'A',
    min: 1,
    max: 500,
    plausible: [8, 100],
    step: 1,
    fallback: 20,
    origin: 'common practice',
  },
  phaseCurrentA: {
    label: 'Phase current limit',
    unit: 'A',
    min: 1,
    max: 1000,
    plausible: [15, 250],
    step: 1,
    fallback: 50,
    origin: 'common practice, about 2.5 times the battery limit',
  },
  powerLimitW: {
    label: 'Power limit, from the pack',
    unit: 'W',
    min: 50,
    max: 30000,
    plausible: [250, 5000],
    step: 50,
    fallback: 1000,
    origin: 'common practice',
  },
  lowVoltageCutoffV: {
    label: 'Low-voltage cut-off',
    unit: 'V',
    min: 1,
    max: 250,
    plausible: [18, 65],
    step: 0.5,
    fallback: (c: FallbackContext) => Math.round(CUTOFF_PER_CELL[c.chemistry] * c.cellsInSeries * 10) / 10,
    origin: 'common practice: 3.1 V a lithium cell, 2.7 V LFP, 1.75 V lead-acid',
  },
  assistCutoffKmh: {
    label: 'Motor has stopped helping at',
    unit: 'km/h',
    min: 3,
    max: 150,
    plausible: [15, 50],
    step: 0.1,
    fallback: 25,
    origin: 'common practice',
  },
  assistTaperKmh: {
    label: 'Help fades over the last',
    unit: 'km/h',
    min: 0,
    max: 20,
    plausible: [0.5, 5],
    step: 0.1,
    fallback: 1,
    origin: 'common practice',
  },
  standbyW: {
    label: 'Electronics and display',
    unit: 'W',
    min: 0,
    max: 100,
    plausible: [1, 15],
    step: 0.5,
    fallback: 3,
    origin: 'from memory',
  },
  resistanceMohm: {
    label: 'Controller resistance',
    unit: 'mohm',
    min: 0,
    max: 500,
    plausible: [2, 40],
    step: 1,
    fallback: 10,
    origin: 'from memory',
  },
  massKg: {
    label: 'Controller, leads and fittings',
    unit: 'kg',
    min: 0,
    max: 30,
    plausible: [0.3, 6],
    step: 0.1,
    fallback: 1.2,
    origin: 'from memory',
  },
} as const satisfies Record<string, QuantitySpec>;

export const controller = z.strictObject({
  name: z.string().max(80),
  limitsSpeed: z.boolean(),
  /** Brakes with the motor and charges the pack: the torque on the axle turns round. */
  regenerates: answer,
  limitsPower: z.boolean(),
  ...quantities(controllerSpecs),
});
