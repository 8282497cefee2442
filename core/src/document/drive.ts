import * as z from 'zod';
import { byMotor } from './by-motor.ts';
import { answer, cogBody, commutation, driveKind } from './choices.ts';
import { driveFitSpecs, driveSizeSpecs } from './drive-fit.ts';
import { driveHeatSpecs } from './drive-heat.ts';
import { driveLabelSpecs } from './drive-label.ts';
import { quantities, type QuantitySpec } from './quantity-spec.ts';

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
  ...driveLabelSpecs,
  kvRpmPerV: {
    label: 'Speed constant Kv, motor',
    unit: 'rpm/V',
    min: 1,
    max: 500,
    plausible: [6, 120],
    step: 0.5,
    ...byMotor('kvRpmPerV', 'follows from the label’s speed, or from watts, volts, kind and wheel'),
  },
  resistanceOhm: {
    label: 'Winding resistance, 20 C',
    unit: 'ohm',
    min: 0.002,
    max: 5,
    plausible: [0.03, 0.6],
    step: 0.01,
    ...byMotor('resistanceOhm', 'Kt^2 / Km^2, with Km^2 by the motor’s mass'),
  },
  hysteresisNm: {
    label: 'Core drag, constant part',
    unit: 'N m',
    min: 0,
    max: 5,
    plausible: [0.02, 1.2],
    step: 0.01,
    ...byMotor('hysteresisNm', 'follows from kind, watts and mass, from memory'),
  },
  eddyNms: {
    label: 'Core drag, part that grows with speed',
    unit: 'N m s',
    min: 0,
    max: 0.2,
    plausible: [5e-5, 0.03],
    step: 0.0001,
    ...byMotor('eddyNms', 'follows from kind, watts and mass, from memory'),
  },
  cancelA: {
    label: 'Amps that would cancel its magnets',
    unit: 'A',
    min: 1,
    max: 5000,
    plausible: [30, 600],
    step: 5,
    ...byMotor('cancelA', '2.5 times the amps that its iron takes, from memory (1.5 to 5 times)'),
  },
  reduction: {
    label: 'Internal reduction',
    unit: '1',
    min: 0.5,
    max: 200,
    plausible: [1, 40],
    step: 0.1,
    ...byMotor('reduction', 'follows from kind, watts and mass, from memory'),
  },
  efficiency: {
    label: 'Gear efficiency inside the motor',
    unit: '1',
    min: 0.3,
    max: 1,
    plausible: [0.8, 1],
    step: 0.01,
    ...byMotor('efficiency', 'follows from kind, watts and mass, from memory'),
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
    ...byMotor('massKg', 'follows from kind, watts and mass, from memory'),
  },
  ...driveSizeSpecs,
  ...driveFitSpecs,
  ...driveHeatSpecs,
} as const satisfies Record<string, QuantitySpec>;

export const drive = z.strictObject({
  name: z.string().max(80),
  kind: driveKind,
  /** Three leads turned on and off by the controller, or two and brushes. */
  commutation: commutation.default('electronic'),
  wheel: z.enum(['front', 'rear']),
  /** Two equal motors, each with a controller of its own: one in each wheel, or a pair on the driven axle. */
  motors: z.enum(['one', 'each-wheel', 'pair']).default('one'),
  /** The same is checked on the other wheel's dropouts: slot, plate, arms. */
  otherEnd: answer.default('unknown'),
  freewheel: z.boolean(),
  torqueArms: z.union([z.literal(0), z.literal(1), z.literal(2)]).default(0),
  /** Cranks pedalled back turn the chain back: what a back-pedal brake behind a motor in the bracket needs. */
  pullsBack: answer.default('unknown'),
  /** Six holes on a 44 mm circle for a brake disc. */
  discMount: answer.default('unknown'),
  /** What the motor takes its cogs on. */
  cogBody: cogBody.default('unknown'),
  /** The wheel comes laced, or is laced by the builder. */
  lacing: z.enum(['comes-laced', 'own', 'unknown']).default('unknown'),
  /** Made for a through-axle dropout. */
  throughAxle: answer.default('unknown'),
  /** The body of a mid-drive bears on frame or bracket, so that it cannot turn. */
  bearsOnFrame: answer.default('unknown'),
  /** A closed cover over the spinning can of an external motor. */
  covered: answer.default('unknown'),
  medium: z.enum(['chain', 'belt']).default('chain'),
  idler: answer.default('unknown'),
  /** A sensor in the winding, by which the controller holds back. */
  windingSensor: answer.default('unknown'),
  /** Coupling fluid in the air gap, so that the winding gives its heat to the shell. */
  fluid: z.boolean().default(false),
  ...quantities(driveSpecs),
});
