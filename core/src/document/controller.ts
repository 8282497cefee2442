import * as z from 'zod';
import { byMotor } from './by-motor.ts';
import { answer, commutation, plannedAnswer } from './choices.ts';
import { CUTOFF_PER_CELL } from './per-cell.ts';
import { NO_DEFAULT, quantities, type FallbackContext, type QuantitySpec } from './quantity-spec.ts';

export const controllerSpecs = {
  batteryCurrentA: {
    label: 'Battery current limit',
    unit: 'A',
    min: 1,
    max: 500,
    plausible: [8, 100],
    step: 1,
    ...byMotor(
      'batteryA',
      'common practice: the motor’s watts over three quarters of its volts, 14 A at least',
    ),
  },
  phaseCurrentA: {
    label: 'Phase current limit',
    unit: 'A',
    min: 1,
    max: 1000,
    plausible: [15, 250],
    step: 1,
    ...byMotor('phaseA', 'a multiple of the battery limit by the kind of motor, at most what its iron takes'),
  },
  ratedV: {
    label: 'Highest volts it stands',
    unit: 'V',
    min: 5,
    max: 300,
    // From those for two lead-acid blocks up.
    plausible: [30, 100],
    step: 1,
    stays: true,
    fallback: 63,
    origin: NO_DEFAULT,
  },
  capacitorUf: {
    label: 'Capacitors at its input',
    unit: 'uF',
    min: 1,
    max: 100_000,
    plausible: [200, 5000],
    step: 100,
    fallback: 1000,
    origin: 'from memory',
  },
  regenA: {
    label: 'Braking gives back, most',
    unit: 'A',
    min: 0,
    max: 500,
    plausible: [2, 40],
    step: 1,
    stays: true,
    fallback: 8,
    origin: NO_DEFAULT,
  },
  weakeningA: {
    label: 'Field weakening, most',
    unit: 'A',
    min: 0,
    max: 500,
    plausible: [2, 60],
    step: 1,
    stays: true,
    fallback: 0,
    origin: NO_DEFAULT,
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
    // Between 2.7 and 3.5 V a lithium cell.
    spread: () => 0.05,
  },
  lowVoltageFoldV: {
    label: 'Current fades over the last',
    unit: 'V',
    min: 0,
    max: 20,
    plausible: [0, 4],
    step: 0.5,
    fallback: 0,
    origin: 'common practice: the current falls so that the volts stay at the cut-off',
  },
  assistCutoffKmh: {
    label: 'Help has ended at',
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
  setRolloutMm: {
    label: 'Roll-out the controller holds',
    unit: 'mm',
    min: 500,
    max: 3500,
    plausible: [1200, 2500],
    step: 1,
    // Unless it is read from the controller, its speeds are taken as true.
    stays: true,
    fallback: 2100,
    origin: NO_DEFAULT,
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
    // A larger controller has more or larger switches in parallel.
    fallback: (c: FallbackContext) => 350 / c.motor.batteryA.value,
    origin: 'from memory: 0.35 V at the battery limit',
  },
  foldStartC: {
    label: 'Its own heat holds back from',
    unit: 'C',
    min: 40,
    max: 150,
    plausible: [70, 110],
    step: 5,
    fallback: 85,
    origin: 'common practice: nearly all feel their own heat',
  },
  foldEndC: {
    label: 'Nothing left of it at',
    unit: 'C',
    min: 45,
    max: 180,
    plausible: [90, 130],
    step: 5,
    fallback: 105,
    origin: 'common practice',
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

/** Another set of limits that can be switched to: `rider` by the rider, `tool` only by the workshop's programmer. */
const profile = z.strictObject({
  name: z.string().max(40),
  reach: z.enum(['rider', 'tool']),
  limitsSpeed: z.boolean(),
  /** Null: as the build itself. */
  cutoffKmh: z.number().min(3).max(150).nullable(),
  batteryA: z.number().min(1).max(500).nullable(),
  throttle: z.enum(['same', 'none', 'walk', 'pedalling', 'full']),
});
export type SwitchedProfile = z.infer<typeof profile>;

/** Where it sits, by which it loses its heat: open in the wind, in a bag or box, bolted to metal, or in the motor's shell. */
const controllerPlace = z.enum(['wind', 'box', 'plate', 'motor', 'unknown']);
export type ControllerPlace = z.infer<typeof controllerPlace>;

/** By what its settings are reached: keys of the display, a lead into a plug of its own, radio. */
const settingsReached = z.enum(['display', 'lead', 'radio', 'unknown']);

export const controller = z.strictObject({
  name: z.string().max(80),
  limitsSpeed: z.boolean(),
  place: controllerPlace.default('unknown'),
  reached: settingsReached.default('unknown'),
  /** The motors that it turns: three phases, or brushes. */
  commutation: z.enum([...commutation.options, 'unknown']).default('unknown'),
  /** Brakes with the motor and charges the pack: the torque on the axle turns round. */
  regenerates: answer.default('unknown'),
  /** Turns a part of its current against the magnets at the top, so that the motor spins faster. */
  weakens: answer.default('unknown'),
  limitsPower: z.boolean(),
  /** A wire, a jumper or a hidden menu lifts the speed limit, and the rider can reach it. */
  lifted: plannedAnswer.default('unknown'),
  profiles: z.array(profile).max(6).default([]),
  ...quantities(controllerSpecs),
});
