import * as z from 'zod';
import { answer, donorStyle, type DonorStyle } from './choices.ts';
import { quantities, type FallbackContext, type QuantitySpec } from './quantity-spec.ts';

interface StyleDefaults {
  readonly massKg: number;
  readonly crr: number;
  readonly cdaM2: number;
  readonly wheelbaseMm: number;
  readonly massHeightMm: number;
  readonly massAheadMm: number;
}

/**
 * Typical values by style, from memory: drag area and rolling resistance as usual for the posture and
 * tyre; wheelbase and the centre of mass of bicycle and rider together, ahead of the rear contact.
 */
const STYLE: Readonly<Record<DonorStyle, StyleDefaults>> = {
  diamond: { massKg: 15, crr: 0.008, cdaM2: 0.55, wheelbaseMm: 1050, massHeightMm: 1000, massAheadMm: 450 },
  'step-through': {
    massKg: 17,
    crr: 0.008,
    cdaM2: 0.55,
    wheelbaseMm: 1080,
    massHeightMm: 1000,
    massAheadMm: 440,
  },
  'small-wheel': {
    massKg: 16,
    crr: 0.009,
    cdaM2: 0.55,
    wheelbaseMm: 1020,
    massHeightMm: 950,
    massAheadMm: 420,
  },
  fat: { massKg: 19, crr: 0.013, cdaM2: 0.55, wheelbaseMm: 1120, massHeightMm: 1020, massAheadMm: 470 },
  recumbent: { massKg: 18, crr: 0.0065, cdaM2: 0.28, wheelbaseMm: 1300, massHeightMm: 650, massAheadMm: 600 },
  tandem: { massKg: 21, crr: 0.007, cdaM2: 0.65, wheelbaseMm: 1790, massHeightMm: 1000, massAheadMm: 800 },
  longtail: { massKg: 26, crr: 0.009, cdaM2: 0.7, wheelbaseMm: 1400, massHeightMm: 900, massAheadMm: 500 },
  trike: { massKg: 38, crr: 0.01, cdaM2: 0.9, wheelbaseMm: 1400, massHeightMm: 850, massAheadMm: 700 },
  carriage: { massKg: 70, crr: 0.01, cdaM2: 1.6, wheelbaseMm: 1700, massHeightMm: 850, massAheadMm: 800 },
};

const byStyle = (key: keyof StyleDefaults) => (context: FallbackContext) => STYLE[context.style][key];

/** The bicycle being converted: what the first slice needs of it. Fit measurements come with the fit checks. */
export const donorSpecs = {
  massKg: {
    label: 'Donor, as weighed',
    unit: 'kg',
    min: 3,
    max: 250,
    plausible: [7, 120],
    step: 0.5,
    fallback: byStyle('massKg'),
    origin: 'from memory, usual for the style',
  },
  beadMm: {
    label: 'Driven wheel, bead diameter',
    unit: 'mm',
    min: 150,
    max: 700,
    plausible: [203, 635],
    step: 1,
    fallback: 622,
    origin: 'ISO 5775-1, the 622 mm size',
  },
  tyreMm: {
    label: 'Tyre width',
    unit: 'mm',
    min: 15,
    max: 150,
    plausible: [20, 130],
    step: 1,
    fallback: 42,
    origin: 'common practice',
  },
  rolloutMm: {
    label: 'Roll-out, loaded',
    unit: 'mm',
    min: 500,
    max: 2800,
    plausible: [900, 2400],
    step: 1,
    // Replaced by the roll-out worked from bead and tyre; this value only serves a lone default.
    fallback: 2200,
    origin: 'worked from bead and tyre (ISO 5775)',
  },
  crr: {
    label: 'Rolling resistance',
    unit: '1',
    min: 0.001,
    max: 0.1,
    plausible: [0.003, 0.03],
    step: 0.0005,
    fallback: byStyle('crr'),
    origin: 'from memory, usual for the tyre and style',
  },
  cdaM2: {
    label: 'Drag area',
    unit: 'm2',
    min: 0.1,
    max: 4,
    plausible: [0.2, 2],
    step: 0.01,
    fallback: byStyle('cdaM2'),
    origin: 'from memory, usual for the posture',
  },
  wheelbaseMm: {
    label: 'Wheelbase',
    unit: 'mm',
    min: 500,
    max: 3500,
    plausible: [850, 2200],
    step: 5,
    fallback: byStyle('wheelbaseMm'),
    origin: 'from memory, usual for the style',
  },
  massHeightMm: {
    label: 'Centre of mass, height',
    unit: 'mm',
    min: 200,
    max: 1800,
    plausible: [500, 1300],
    step: 10,
    fallback: byStyle('massHeightMm'),
    origin: 'from memory, with the rider on',
  },
  massAheadMm: {
    label: 'Centre of mass, ahead of rear axle',
    unit: 'mm',
    min: 50,
    max: 3000,
    plausible: [300, 1200],
    step: 10,
    fallback: byStyle('massAheadMm'),
    origin: 'from memory, with the rider on',
  },
  tyreGrip: {
    label: 'Tyre grip on the hill',
    unit: '1',
    min: 0.05,
    max: 1.2,
    plausible: [0.2, 0.9],
    step: 0.05,
    fallback: 0.7,
    origin: 'from memory, dry asphalt',
  },
} as const satisfies Record<string, QuantitySpec>;

export const donor = z.strictObject({
  name: z.string().max(80),
  style: donorStyle,
  wheelCount: z.union([z.literal(2), z.literal(3), z.literal(4)]),
  operablePedals: answer,
  ...quantities(donorSpecs),
});
