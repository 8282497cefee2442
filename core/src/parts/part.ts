import * as z from 'zod';
import { chemistry, donorStyle, driveKind } from '../build/choices.ts';

/**
 * Parts of the shelf: invented makers, physically plausible values. A build copies the values it uses, so
 * that a later edit of the shelf never changes a build in silence. Keys carry units as in the build.
 */
const base = {
  id: z.string().min(1).max(60),
  name: z.string().min(1).max(80),
  maker: z.string().max(60),
  price: z.number().min(0).nullable(),
  currency: z.enum(['GBP', 'EUR', 'USD']),
  massKg: z.number().positive(),
};
const positive = z.number().positive();

const motorPart = z.strictObject({
  ...base,
  type: z.literal('motor'),
  kind: driveKind,
  freewheel: z.boolean(),
  ratedPowerW: positive,
  kvRpmPerV: positive,
  resistanceOhm: positive,
  hysteresisNm: z.number().min(0),
  eddyNms: z.number().min(0),
  reduction: positive,
  efficiency: z.number().positive().max(1),
});

const packPart = z.strictObject({
  ...base,
  type: z.literal('pack'),
  chemistry,
  nominalV: positive,
  cellsInSeries: positive.int(),
  capacityAh: positive,
  bmsCurrentA: positive,
});

const controllerPart = z.strictObject({
  ...base,
  type: z.literal('controller'),
  batteryCurrentA: positive,
  phaseCurrentA: positive,
  lowVoltageCutoffV: positive,
  resistanceMohm: positive,
  standbyW: z.number().min(0),
});

const donorPart = z.strictObject({
  ...base,
  type: z.literal('donor'),
  style: donorStyle,
  wheelCount: z.union([z.literal(2), z.literal(3), z.literal(4)]),
  beadMm: positive,
  tyreMm: positive,
  wheelbaseMm: positive,
});

export const part = z.discriminatedUnion('type', [motorPart, packPart, controllerPart, donorPart]);
export type Part = z.infer<typeof part>;
export type PartType = Part['type'];
