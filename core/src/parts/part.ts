import { MOST_MONEY, currency } from '../document/currency.ts';
import * as z from 'zod';
import {
  answer,
  axleKind,
  brakeKind,
  chemistry,
  conductor,
  donorStyle,
  commutation,
  driveKind,
  forkKind,
  leverKind,
  material,
  pairBrakes,
  shellKind,
} from '../document/choices.ts';
import { port } from '../document/harness.ts';
import type { PartType } from '../document/part-types.ts';

/**
 * Parts of the shelf: invented makers, physically plausible values. A build copies the values it uses, so
 * that a later edit of the shelf never changes a build in silence. Keys carry units as in the build; null is
 * a value that the maker does not give.
 */
const base = {
  id: z
    .string()
    .regex(/^[a-z0-9][a-z0-9-]*$/, 'small letters, digits and hyphens')
    .max(60),
  name: z.string().trim().min(1).max(80),
  maker: z.string().max(60),
  price: z.number().min(0).max(MOST_MONEY).nullable(),
  /** Where a maker's price is a span, its upper end. */
  priceTo: z.number().min(0).max(MOST_MONEY).nullable().default(null),
  currency,
  /** From the order to the door. */
  leadDays: z.number().int().min(0).max(400).nullable().default(null),
  massKg: z.number().positive().max(500),
  /** Its plug halves as somebody has found them, by the port that they are. */
  ports: z
    .record(z.string().regex(/^[a-z0-9-]{1,40}$/), port)
    .refine((all) => Object.keys(all).length <= 20)
    .default({}),
};
/** Lines of the parts list, by their keys, that come along in its box, and how many of each; null is not known. */
const brings = z
  .record(z.string().regex(/^[a-z0-9/-]{1,60}$/), z.number().positive().max(1000))
  .nullable()
  .default(null);
const positive = z.number().positive().max(100_000);
/** A measure that may not be given. */
const given = positive.nullable().default(null);
const offset = z.number().min(-200).max(500).nullable().default(null);
const teeth = z.number().int().min(7).max(80);

const motorPart = z.strictObject({
  ...base,
  type: z.literal('motor'),
  kind: driveKind,
  freewheel: z.boolean(),
  ratedPowerW: positive,
  commutation: commutation.default('electronic'),
  labelV: given,
  labelNm: given,
  noLoadRpm: given,
  noLoadA: given,
  ratedRpm: given,
  ratedA: given,
  // What a shelf does not say follows from the label.
  kvRpmPerV: given,
  resistanceOhm: given,
  hysteresisNm: z.number().min(0).nullable().default(null),
  eddyNms: z.number().min(0).nullable().default(null),
  reduction: given,
  efficiency: z.number().positive().max(1).nullable().default(null),
  polePairs: given,
  overLocknutMm: given,
  axleMm: given,
  flatsMm: given,
  shellMinMm: given,
  shellMaxMm: given,
  tubeMm: given,
  gearboxMm: offset,
  ringLineMm: offset,
  bodyDropMm: given,
  windingHeatJK: given,
  shellHeatJK: given,
  coupleWK: given,
  coolStillWK: given,
  coolMovingWK: given,
  damageC: given,
  windingSensor: answer.default('unknown'),
  discMount: answer.default('unknown'),
  throughAxle: answer.default('unknown'),
  brings,
});

const packPart = z.strictObject({
  ...base,
  type: z.literal('pack'),
  chemistry,
  nominalV: positive,
  cellsInSeries: positive.int(),
  capacityAh: positive,
  bmsCurrentA: positive,
  boardCutoffV: given,
  cellsContinuousA: given,
  cellsPeakA: given,
  maxChargeA: given,
  boxLengthMm: given,
  boxHeightMm: given,
  boxWidthMm: given,
  brings,
});

const controllerPart = z.strictObject({
  ...base,
  type: z.literal('controller'),
  /** The motors that it turns: three phases, or brushes. */
  commutation: commutation.default('electronic'),
  batteryCurrentA: positive,
  phaseCurrentA: positive,
  lowVoltageCutoffV: positive,
  ratedV: given,
  capacitorUf: given,
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
  frameMaterial: material.default('unknown'),
  forkMaterial: material.default('unknown'),
  forkKind: forkKind.default('unknown'),
  axle: axleKind.default('unknown'),
  shell: shellKind.default('unknown'),
  brakeFront: brakeKind.default('unknown'),
  brakeRear: brakeKind.default('unknown'),
  pairBrakes: pairBrakes.default('unknown'),
  levers: leverKind.default('unknown'),
  otherBeadMm: given,
  otherTyreMm: given,
  chainstayMm: given,
  bracketHeightMm: given,
  frontOldMm: given,
  rearOldMm: given,
  slotWidthMm: given,
  slotDepthMm: given,
  dropoutMm: given,
  shellWidthMm: given,
  shellBoreMm: given,
  chainlineMm: given,
  permittedKg: given,
  rackLoadKg: given,
  shockStrokeMm: given,
});

const ringPart = z.strictObject({
  ...base,
  type: z.literal('ring'),
  teeth,
  /** Plane of the teeth outside the shell's face on its motor; null for a ring on ordinary cranks. */
  ringLineMm: offset,
});

const cogsPart = z.strictObject({
  ...base,
  type: z.literal('cogs'),
  cogTeeth: z.array(teeth).min(1).max(14),
  hubRatios: z.array(z.number().min(0.2).max(5)).max(14).default([]),
});

const tyrePart = z.strictObject({
  ...base,
  type: z.literal('tyre'),
  beadMm: positive,
  tyreMm: positive,
  crr: z.number().positive().max(0.1),
  grip: z.number().positive().max(1.2),
  gripWet: z.number().positive().max(1.2),
});

/** One cell, or one block of cells in a body. */
const cellPart = z.strictObject({
  ...base,
  type: z.literal('cell'),
  chemistry,
  round: z.boolean(),
  inBody: positive.int(),
  capacityAh: positive,
  resistanceMohm: given,
  continuousA: positive,
  peakA: given,
  chargeA: given,
  widthMm: positive,
  depthMm: given,
  heightMm: positive,
});

const chargerPart = z.strictObject({
  ...base,
  type: z.literal('charger'),
  volts: positive,
  currentA: positive,
  efficiencyPct: given,
});

const connectorPart = z.strictObject({
  ...base,
  type: z.literal('connector'),
  connectorA: positive,
});

/** By the metre: mass and price are of one metre. */
const wirePart = z.strictObject({
  ...base,
  type: z.literal('wire'),
  conductor,
  leadMm2: positive,
  insulationC: positive,
});

/** A small part: its price and mass are of one unit of the lines that it serves. */
const smallPart = {
  ...base,
  /** Kinds of line that it is bought for. */
  serves: z
    .array(z.string().regex(/^[a-z0-9-]{1,40}$/))
    .min(1)
    .max(12),
};
/** Fuses, switches and what else carries the current are made for some amps. */
const fittingPart = z.strictObject({ ...smallPart, type: z.literal('fitting'), madeForA: given });
const consumablePart = z.strictObject({ ...smallPart, type: z.literal('consumable') });
const toolPart = z.strictObject({ ...smallPart, type: z.literal('tool') });

/** The schema of each type of part. */
export const PART_SCHEMAS = {
  donor: donorPart,
  motor: motorPart,
  ring: ringPart,
  cogs: cogsPart,
  tyre: tyrePart,
  pack: packPart,
  cell: cellPart,
  controller: controllerPart,
  charger: chargerPart,
  connector: connectorPart,
  wire: wirePart,
  fitting: fittingPart,
  consumable: consumablePart,
  tool: toolPart,
} as const satisfies Record<PartType, unknown>;

export const part = z.discriminatedUnion('type', [
  motorPart,
  packPart,
  controllerPart,
  donorPart,
  ringPart,
  cogsPart,
  tyrePart,
  cellPart,
  chargerPart,
  connectorPart,
  wirePart,
  fittingPart,
  consumablePart,
  toolPart,
]);
export type Part = z.infer<typeof part>;
export type PartOf<T extends PartType> = Extract<Part, { type: T }>;
