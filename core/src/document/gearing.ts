import * as z from 'zod';
import { answer, plannedAnswer } from './choices.ts';
import { NO_DEFAULT, quantities, type FallbackContext, type QuantitySpec } from './quantity-spec.ts';

export const gearingSpecs = {
  ringTeeth: {
    label: 'Chainring',
    unit: 'T',
    min: 8,
    max: 80,
    plausible: [22, 60],
    step: 1,
    fallback: 42,
    origin: 'common practice',
  },
  chainEfficiency: {
    label: 'Chain efficiency',
    unit: '1',
    min: 0.5,
    max: 1,
    plausible: [0.9, 0.99],
    step: 0.01,
    fallback: 0.96,
    origin: 'from memory, a clean chain',
  },
} as const satisfies Record<string, QuantitySpec>;

const teeth = z.number().int().min(7).max(80);

export const gearing = z.strictObject({
  cogTeeth: z.array(teeth).min(1).max(14),
  /** The cog held on the test hill; null lets the best cog be chosen. */
  heldCogTeeth: teeth.nullable(),
  /** Ratios of a hub gear or a two-speed change, wheel turns per cog turn; empty without one. */
  hubRatios: z.array(z.number().min(0.2).max(5)).max(14).default([]),
  /** The hub gear held on the test hill, counted from 1; null lets the best be chosen. */
  heldHubGear: z.number().int().min(1).max(14).nullable().default(null),
  /** Power passes through a shift sensor that eases the motor while the chain moves. */
  shiftSensor: answer.default('unknown'),
  ...quantities(gearingSpecs),
});

export const controlsSpecs = {
  assistRatio: {
    label: 'Most motor help per rider watt',
    unit: '1',
    min: 0.1,
    max: 20,
    plausible: [0.5, 6],
    step: 0.1,
    fallback: 3,
    origin: 'common practice',
  },
  leastRatio: {
    label: 'Help per rider watt, lowest level',
    unit: '1',
    min: 0.05,
    max: 20,
    plausible: [0.2, 1.5],
    step: 0.1,
    fallback: 0.5,
    origin: 'common practice',
  },
  throttleSharePct: {
    label: 'Of the way by the throttle',
    unit: '%',
    min: 0,
    max: 100,
    plausible: [0, 100],
    step: 5,
    fallback: ({ throttled, sensed }: FallbackContext) => {
      if (!throttled) return 0;
      return sensed ? 20 : 100;
    },
    origin: 'common practice: a fifth where throttle and pedal help are both fitted',
  },
  throttleCutoffKmh: {
    label: 'Throttle drives it up to',
    unit: 'km/h',
    min: 1,
    max: 150,
    plausible: [6, 45],
    step: 0.1,
    stays: true,
    fallback: 25,
    origin: NO_DEFAULT,
  },
  walkCutoffKmh: {
    label: 'Walk help ends at',
    unit: 'km/h',
    min: 0,
    max: 50,
    plausible: [3, 6],
    step: 0.5,
    fallback: 6,
    origin: 'common practice',
  },
  labelSpeedKmh: {
    label: 'Top speed the label states',
    unit: 'km/h',
    min: 1,
    max: 150,
    plausible: [6, 50],
    step: 0.1,
    stays: true,
    fallback: 25,
    origin: NO_DEFAULT,
  },
  labelPowerW: {
    label: 'Power the label states',
    unit: 'W',
    min: 10,
    max: 20000,
    plausible: [180, 3000],
    step: 10,
    stays: true,
    fallback: 250,
    origin: NO_DEFAULT,
  },
} as const satisfies Record<string, QuantitySpec>;

export const controls = z.strictObject({
  assistSensor: z.enum(['none', 'cadence', 'torque']),
  /** `pedalling`: works only while the pedals turn, so that it never drives the machine alone. */
  throttle: z.enum(['none', 'walk', 'pedalling', 'full']),
  /** The throttle's own speed limit, below or above the one at which help from the pedals ends. */
  throttleLimited: z.boolean().default(false),
  /** The speed at which help from the pedals ends holds a throttle without a limit of its own too. */
  limitHoldsThrottle: plannedAnswer.default('unknown'),
  /** What the hand holds; walk help may be a key at the display, and then nothing is fitted for it. */
  throttleKind: z.enum(['thumb', 'half-grip', 'twist', 'display', 'unknown']).default('unknown'),
  /** Of the help by the pedals alone: whether the motor can run with the pedals still follows from the throttle. */
  /** Levels of help that the rider chooses among; 0 where nobody has said how many. */
  levels: z.number().int().min(0).max(9).default(0),
  levelsBy: z.enum(['ratio', 'amps', 'watts', 'speed', 'unknown']).default('unknown'),
  /** What help in proportion follows: the legs' power, or the push on the pedals; nobody has said: taken as power. */
  helpFollows: z.enum(['power', 'torque', 'unknown']).default('unknown'),
  pedalHelpStops: plannedAnswer.default('unknown'),
  brakeCutoffs: plannedAnswer.default('unknown'),
  speedometer: plannedAnswer.default('unknown'),
  classLabel: answer.default('unknown'),
  ...quantities(controlsSpecs),
});
