import * as z from 'zod';
import { answer, driveKind, type DriveKind } from './choices.ts';
import { driveFitSpecs, driveSizeSpecs } from './drive-fit.ts';
import { driveHeatSpecs } from './drive-heat.ts';
import { quantities, type FallbackContext, type QuantitySpec } from './quantity-spec.ts';

interface KindDefaults {
  readonly kvRpmPerV: number;
  readonly resistanceOhm: number;
  readonly hysteresisNm: number;
  readonly eddyNms: number;
  readonly reduction: number;
  readonly efficiency: number;
  readonly massKg: number;
}

/** A common motor of each kind, from memory: 750 W geared hub, 1000 W direct-drive hub, 750 W mid-drive, 1000 W external. */
const KIND: Readonly<Record<DriveKind, KindDefaults>> = {
  'geared-hub': {
    kvRpmPerV: 42,
    resistanceOhm: 0.11,
    hysteresisNm: 0.12,
    eddyNms: 5e-4,
    reduction: 5,
    efficiency: 0.93,
    massKg: 4.2,
  },
  'direct-drive-hub': {
    kvRpmPerV: 9.5,
    resistanceOhm: 0.17,
    hysteresisNm: 0.55,
    eddyNms: 0.01,
    reduction: 1,
    efficiency: 1,
    massKg: 6.8,
  },
  'mid-drive': {
    kvRpmPerV: 58,
    resistanceOhm: 0.11,
    hysteresisNm: 0.1,
    eddyNms: 3e-4,
    reduction: 21.9,
    efficiency: 0.9,
    massKg: 4.6,
  },
  external: {
    kvRpmPerV: 62,
    resistanceOhm: 0.09,
    hysteresisNm: 0.1,
    eddyNms: 3e-4,
    reduction: 3,
    efficiency: 0.93,
    massKg: 4.8,
  },
};

/** What a motor of the kind weighs, kg. */
export const motorMassOf = (kind: DriveKind): number => KIND[kind].massKg;

const byKind = (key: keyof KindDefaults) => (context: FallbackContext) => KIND[context.kind][key];
const TYPICAL = 'from memory, usual for the kind of motor';

/** The motor as its direct-current equivalent. Resistance is line to line at 20 C. */
export const driveSpecs = {
  ratedPowerW: {
    label: 'Rated continuous power',
    unit: 'W',
    min: 10,
    max: 20000,
    plausible: [180, 3000],
    step: 10,
    // The law pages ask for this; no physics does. An unknown rating stays unknown.
    stays: true,
    fallback: 250,
    origin: 'no default is used',
  },
  kvRpmPerV: {
    label: 'Speed constant Kv, motor',
    unit: 'rpm/V',
    min: 1,
    max: 500,
    plausible: [6, 120],
    step: 0.5,
    fallback: byKind('kvRpmPerV'),
    origin: TYPICAL,
  },
  resistanceOhm: {
    label: 'Winding resistance, 20 C',
    unit: 'ohm',
    min: 0.002,
    max: 5,
    plausible: [0.03, 0.6],
    step: 0.01,
    fallback: byKind('resistanceOhm'),
    origin: TYPICAL,
  },
  hysteresisNm: {
    label: 'Core drag, constant part',
    unit: 'N m',
    min: 0,
    max: 5,
    plausible: [0.02, 1.2],
    step: 0.01,
    fallback: byKind('hysteresisNm'),
    origin: TYPICAL,
  },
  eddyNms: {
    label: 'Core drag, part that grows with speed',
    unit: 'N m s',
    min: 0,
    max: 0.2,
    plausible: [5e-5, 0.03],
    step: 0.0001,
    fallback: byKind('eddyNms'),
    origin: TYPICAL,
  },
  reduction: {
    label: 'Internal reduction',
    unit: '1',
    min: 0.5,
    max: 200,
    plausible: [1, 40],
    step: 0.1,
    fallback: byKind('reduction'),
    origin: TYPICAL,
  },
  efficiency: {
    label: 'Gear efficiency inside the motor',
    unit: '1',
    min: 0.3,
    max: 1,
    plausible: [0.8, 1],
    step: 0.01,
    fallback: byKind('efficiency'),
    origin: TYPICAL,
  },
  windingC: {
    label: 'Winding temperature used',
    unit: 'C',
    min: -30,
    max: 180,
    plausible: [20, 110],
    step: 5,
    fallback: 60,
    origin: 'common practice, a warm motor',
  },
  massKg: {
    label: 'Motor',
    unit: 'kg',
    min: 0.5,
    max: 40,
    plausible: [1.8, 14],
    step: 0.1,
    fallback: byKind('massKg'),
    origin: TYPICAL,
  },
  ...driveSizeSpecs,
  ...driveFitSpecs,
  ...driveHeatSpecs,
} as const satisfies Record<string, QuantitySpec>;

export const drive = z.strictObject({
  name: z.string().max(80),
  kind: driveKind,
  wheel: z.enum(['front', 'rear']),
  freewheel: z.boolean(),
  torqueArms: z.union([z.literal(0), z.literal(1), z.literal(2)]).default(0),
  /** Six holes on a 44 mm circle for a brake disc. */
  discMount: answer.default('unknown'),
  /** Made for a through-axle dropout. */
  throughAxle: answer.default('unknown'),
  /** The body of a mid-drive bears on frame or bracket, so that it cannot turn. */
  bearsOnFrame: answer.default('unknown'),
  medium: z.enum(['chain', 'belt']).default('chain'),
  idler: answer.default('unknown'),
  /** A sensor in the winding, by which the controller holds back. */
  windingSensor: answer.default('unknown'),
  /** Coupling fluid in the air gap, so that the winding gives its heat to the shell. */
  fluid: z.boolean().default(false),
  ...quantities(driveSpecs),
});
