import type { DriveKind } from './choices.ts';
import type { FallbackContext, QuantitySpec } from './quantity-spec.ts';

interface HeatDefaults {
  /** The motor these were estimated for, kg. */
  readonly massKg: number;
  readonly windingHeatJK: number;
  readonly shellHeatJK: number;
  readonly coupleWK: number;
  readonly coolStillWK: number;
  readonly coolMovingWK: number;
}

/** Two-node heat of a common motor of each kind: estimates from memory, to be fitted from a log. */
const KIND: Readonly<Record<DriveKind, HeatDefaults>> = {
  'geared-hub': {
    massKg: 4.2,
    windingHeatJK: 900,
    shellHeatJK: 1500,
    coupleWK: 1.6,
    coolStillWK: 1.5,
    coolMovingWK: 1.1,
  },
  'direct-drive-hub': {
    massKg: 6.8,
    windingHeatJK: 1600,
    shellHeatJK: 2200,
    coupleWK: 3,
    coolStillWK: 2,
    coolMovingWK: 1.6,
  },
  'mid-drive': {
    massKg: 4.6,
    windingHeatJK: 600,
    shellHeatJK: 1500,
    coupleWK: 2.3,
    coolStillWK: 1.2,
    coolMovingWK: 0.8,
  },
  external: {
    massKg: 4.8,
    windingHeatJK: 900,
    shellHeatJK: 1600,
    coupleWK: 2.2,
    coolStillWK: 1.4,
    coolMovingWK: 1,
  },
};

/** Heat capacity and coupling grow with the mass of the motor; its surface with the power 2/3 of it (similar bodies). */
const byMass =
  (key: Exclude<keyof HeatDefaults, 'massKg'>, power: number) =>
  ({ kind, motorKg }: FallbackContext): number => {
    const of = KIND[kind];
    return Number((of[key] * Math.pow(motorKg / of.massKg, power)).toPrecision(2));
  };
const ESTIMATE = 'estimate from the motor’s kind and mass, from memory';

/** The motor as two bodies: the winding, and the shell that the air cools. */
export const driveHeatSpecs = {
  windingHeatJK: {
    label: 'Winding, heat to warm it 1 K',
    unit: 'J/K',
    min: 10,
    max: 50_000,
    plausible: [150, 5000],
    step: 50,
    fallback: byMass('windingHeatJK', 1),
    origin: ESTIMATE,
  },
  shellHeatJK: {
    label: 'Shell, heat to warm it 1 K',
    unit: 'J/K',
    min: 10,
    max: 50_000,
    plausible: [300, 8000],
    step: 50,
    fallback: byMass('shellHeatJK', 1),
    origin: ESTIMATE,
  },
  coupleWK: {
    label: 'Winding to shell',
    unit: 'W/K',
    min: 0.05,
    max: 100,
    plausible: [0.4, 12],
    step: 0.1,
    fallback: byMass('coupleWK', 1),
    origin: ESTIMATE,
  },
  coolStillWK: {
    label: 'Shell to still air',
    unit: 'W/K',
    min: 0.05,
    max: 100,
    plausible: [0.4, 8],
    step: 0.1,
    fallback: byMass('coolStillWK', 2 / 3),
    origin: ESTIMATE,
  },
  coolMovingWK: {
    label: 'More when moving, at 1 m/s',
    unit: 'W/K',
    min: 0,
    max: 50,
    plausible: [0.2, 5],
    step: 0.1,
    fallback: byMass('coolMovingWK', 2 / 3),
    origin: ESTIMATE,
  },
  fluidFactor: {
    label: 'Fluid: winding to shell, times',
    unit: '1',
    min: 1,
    max: 5,
    plausible: [1.5, 3],
    step: 0.1,
    fallback: 2.2,
    origin: 'from memory, 2 to 2.4',
  },
  rollbackStartC: {
    label: 'Controller holds back from',
    unit: 'C',
    min: 40,
    max: 200,
    plausible: [80, 130],
    step: 5,
    fallback: 100,
    origin: 'common practice',
  },
  rollbackEndC: {
    label: 'Nothing left at',
    unit: 'C',
    min: 45,
    max: 250,
    plausible: [100, 160],
    step: 5,
    fallback: 130,
    origin: 'common practice',
  },
  damageC: {
    label: 'Winding suffers from',
    unit: 'C',
    min: 60,
    max: 300,
    plausible: [110, 180],
    step: 5,
    fallback: 140,
    origin: 'from memory, magnets and insulation 130 to 150 C',
  },
} as const satisfies Record<string, QuantitySpec>;
