import * as z from 'zod';
import { supplyMeans } from './choices.ts';
import { NO_DEFAULT, quantities, type QuantitySpec } from './quantity-spec.ts';

export const chargerSpecs = {
  volts: {
    label: 'Charger, end of charge',
    unit: 'V',
    min: 1,
    max: 300,
    plausible: [12, 120],
    step: 0.1,
    stays: true,
    fallback: 54.6,
    origin: NO_DEFAULT,
  },
  currentA: {
    label: 'Charger',
    unit: 'A',
    min: 0.1,
    max: 200,
    plausible: [1, 20],
    step: 0.5,
    fallback: 2,
    origin: 'common practice',
  },
  efficiencyPct: {
    label: 'Charger efficiency',
    unit: '%',
    min: 30,
    max: 100,
    plausible: [80, 96],
    step: 1,
    fallback: 88,
    origin: 'from memory',
  },
} as const satisfies Record<string, QuantitySpec>;

export const charger = z.strictObject({
  name: z.string().max(80).default(''),
  ...quantities(chargerSpecs),
});

export const supplySpecs = {
  ratedW: {
    label: 'Converter, rated',
    unit: 'W',
    min: 0.5,
    max: 3000,
    plausible: [5, 300],
    step: 5,
    stays: true,
    fallback: 36,
    origin: NO_DEFAULT,
  },
  maxInV: {
    label: 'Converter, highest input',
    unit: 'V',
    min: 3,
    max: 400,
    plausible: [30, 120],
    step: 1,
    stays: true,
    fallback: 60,
    origin: NO_DEFAULT,
  },
  ownAh: {
    label: 'Cells of their own',
    unit: 'Ah',
    min: 0.1,
    max: 200,
    plausible: [1, 20],
    step: 0.5,
    stays: true,
    fallback: 3,
    origin: NO_DEFAULT,
  },
  ownV: {
    label: 'Volts of those cells',
    unit: 'V',
    min: 1,
    max: 60,
    plausible: [3.6, 14.8],
    step: 0.1,
    fallback: 7.2,
    origin: 'common practice, two lithium cells',
  },
  efficiencyPct: {
    label: 'Converter efficiency',
    unit: '%',
    min: 20,
    max: 100,
    plausible: [75, 96],
    step: 1,
    fallback: 86,
    origin: 'from memory',
  },
} as const satisfies Record<string, QuantitySpec>;

/** Lamps, horn, outlets: by their own volts and watts, and the share of the ride that they are on. */
const accessory = z.strictObject({
  name: z.string().max(40),
  /** 0 stands for the pack's own volts. */
  volts: z
    .number()
    .min(0)
    .max(300)
    .refine((v) => v === 0 || v >= 1, { error: '0 for the pack’s own volts, or 1 V and more' }),
  watts: z.number().min(0).max(3000),
  onPct: z.number().min(0).max(100),
  light: z.boolean(),
});
export type Accessory = z.infer<typeof accessory>;

export const supply = z.strictObject({
  means: supplyMeans.default('unknown'),
  accessories: z.array(accessory).max(20).default([]),
  ...quantities(supplySpecs),
});
