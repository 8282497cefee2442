import * as z from 'zod';
import * as choice from './choices.ts';
import type { DonorStyle } from './choices.ts';
import { donorFitSpecs, donorFrameSpecs } from './donor-measures.ts';
import { POINT_NAMES } from '../frame/names.ts';
import { DRAG_ADD_NAMES, POSTURE_NAMES, TYRE_NAMES } from './road-presets.ts';
import { quantities, type FallbackContext, type QuantitySpec } from './quantity-spec.ts';

interface StyleDefaults {
  readonly massKg: number;
  readonly wheelbaseMm: number;
}

/** Typical values by style, from memory. */
const STYLE: Readonly<Record<DonorStyle, StyleDefaults>> = {
  diamond: { massKg: 15, wheelbaseMm: 1050 },
  'step-through': {
    massKg: 17,
    wheelbaseMm: 1080,
  },
  'small-wheel': {
    massKg: 16,
    wheelbaseMm: 1020,
  },
  fat: { massKg: 19, wheelbaseMm: 1120 },
  folding: { massKg: 13, wheelbaseMm: 1020 },
  'full-suspension': { massKg: 16, wheelbaseMm: 1190 },
  recumbent: { massKg: 18, wheelbaseMm: 1300 },
  tandem: { massKg: 21, wheelbaseMm: 1790 },
  longtail: { massKg: 26, wheelbaseMm: 1400 },
  trike: { massKg: 38, wheelbaseMm: 1400 },
  carriage: { massKg: 70, wheelbaseMm: 1700 },
};

/** Usual wheelbase of a style, mm. */
export const wheelbaseOf = (style: DonorStyle): number => STYLE[style].wheelbaseMm;

const byStyle = (key: keyof StyleDefaults) => (context: FallbackContext) => STYLE[context.style][key];

/** The bicycle being converted. */
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
  pressurePct: {
    label: 'Tyre pressure, of the right one',
    unit: '%',
    min: 10,
    max: 200,
    plausible: [50, 130],
    step: 5,
    fallback: 100,
    origin: 'common practice, pumped as the load asks; a gauge tells',
  },
  crr: {
    label: 'Rolling resistance',
    unit: '1',
    min: 0.001,
    max: 0.1,
    plausible: [0.003, 0.03],
    step: 0.0005,
    fallback: (c: FallbackContext) => c.rolling.value,
    origin: 'follows from the tyre and the wheel, or from the style, from memory',
    because: (c: FallbackContext) => `usual for ${c.rolling.of}, from memory`,
    spread: (c: FallbackContext) => c.rolling.spread,
  },
  cdaM2: {
    label: 'Drag area',
    unit: 'm2',
    min: 0.1,
    max: 4,
    plausible: [0.2, 2],
    step: 0.01,
    fallback: (c: FallbackContext) => c.drag.value,
    origin: 'follows from posture and bags, or from the style, from memory',
    because: (c: FallbackContext) => `usual for ${c.drag.of}, from memory`,
    spread: (c: FallbackContext) => c.drag.spread,
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
  widthMm: {
    label: 'Width over all',
    unit: 'mm',
    min: 300,
    max: 2000,
    plausible: [400, 1200],
    step: 5,
    fallback: (c: FallbackContext) => (c.style === 'trike' || c.style === 'carriage' ? 850 : 650),
    origin: 'common practice, a usual handlebar or track',
  },
  massHeightMm: {
    label: 'Centre of mass, height',
    unit: 'mm',
    min: 200,
    max: 1800,
    plausible: [500, 1300],
    step: 10,
    // Replaced by the one worked from the masses; this value only serves a lone default.
    fallback: 1000,
    origin: 'worked from the masses and their places',
  },
  massAheadMm: {
    label: 'Centre of mass, ahead of rear axle',
    unit: 'mm',
    min: 50,
    max: 3000,
    plausible: [300, 1200],
    step: 10,
    // Replaced by the one worked from the masses; this value only serves a lone default.
    fallback: 450,
    origin: 'worked from the masses and their places',
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
    // Between 0.58 and 0.82 on a dry paved road.
    spread: () => 0.07,
  },
  ...donorFrameSpecs,
  ...donorFitSpecs,
} as const satisfies Record<string, QuantitySpec>;

const point = z.strictObject({
  xMm: z.number().min(-2000).max(5000),
  yMm: z.number().min(-200).max(3000),
});

/** A threaded pair of holes for a bottle cage, by its lower hole along a tube from the bracket. */
const boss = z.strictObject({
  tube: z.enum(['down-tube', 'seat-tube']),
  alongMm: z.number().min(0).max(2000),
});

/** What may stay of a machine that was electric already. */
export const KEPT_PARTS = [
  'motor',
  'pack',
  'charger',
  'controller',
  'display',
  'leads',
  'levers',
  'sensors',
  'throttle',
] as const;

export const donor = z.strictObject({
  name: z.string().max(80),
  style: choice.donorStyle,
  wheelCount: z.union([z.literal(2), z.literal(3), z.literal(4)]),
  operablePedals: choice.answer,
  /** How one sits on it, what it carries in the wind, and what it rolls on: the usual drag and rolling follow. */
  posture: z.enum([...POSTURE_NAMES, 'unknown']).default('unknown'),
  carries: z.array(z.enum(DRAG_ADD_NAMES)).max(DRAG_ADD_NAMES.length).default([]),
  tyre: z.enum([...TYRE_NAMES, 'unknown']).default('unknown'),
  frameMaterial: choice.material.default('unknown'),
  forkMaterial: choice.material.default('unknown'),
  forkKind: choice.forkKind.default('unknown'),
  axle: choice.axleKind.default('unknown'),
  shell: choice.shellKind.default('unknown'),
  brakeFront: choice.brakeKind.default('unknown'),
  brakeRear: choice.brakeKind.default('unknown'),
  /** Of a machine with more than two wheels: whether those side by side have a brake and a lever each. */
  pairBrakes: choice.pairBrakes.default('unknown'),
  levers: choice.leverKind.default('unknown'),
  cranks: choice.crankKind.default('unknown'),
  cogBody: choice.cogBody.default('unknown'),
  /** Seats, and sets of cranks that drive it. */
  seats: z.number().int().min(1).max(4).default(1),
  crankSets: z.number().int().min(1).max(4).default(1),
  /** Parts of an earlier electric machine that stay on; empty on a bicycle that was none, or where all of them go. */
  keeps: z.array(z.enum(KEPT_PARTS)).max(KEPT_PARTS.length).default([]),
  /** A rear end that swings, of any style: a full-suspension frame has one whatever is said here. */
  sprung: choice.answer.default('unknown'),
  /** The other wheel has another rim than the frame was made for as well. */
  bothRims: z.boolean().default(false),
  /** How the outline of the frame was come by: as a whole, because it is taken off in one go. */
  outline: z.enum(['measured', 'assumed', 'unknown']).default('unknown'),
  /** Points moved from the preset of the style, mm ahead of the rear axle and above the ground. */
  points: z.partialRecord(z.enum(POINT_NAMES), point).default({}),
  /** Bottle bosses; null when nobody has looked. */
  bosses: z.array(boss).max(12).nullable().default(null),
  ...quantities(donorSpecs),
});
