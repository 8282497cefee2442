import * as z from 'zod';
import { cell } from './cell.ts';
import { charger } from './charging.ts';
import {
  answer,
  chemistry,
  joinHow,
  packCover,
  packKept,
  packMake,
  packPlace,
  type Chemistry,
} from './choices.ts';
import { PACK_PART_TYPES } from './part-types.ts';
import { healthByAge } from './pack-age.ts';
import { packBoxSpecs } from './pack-box.ts';
import { AMPS_PER_AH } from './per-cell.ts';
import { NO_DEFAULT, quantities, type FallbackContext, type QuantitySpec } from './quantity-spec.ts';

const perAh =
  (kind: 'continuous' | 'peak' | 'charge') =>
  (c: FallbackContext): number =>
    Math.round(AMPS_PER_AH[c.chemistry][kind] * c.capacityAh * 10) / 10;

const C_RATE_ORIGIN = 'common practice: so many amps per amp-hour of the chemistry';

/** A pack kept indoors, C. Common practice. */
const INDOORS_C = 18;
/** Of a pack of which neither age nor use is known, %. From memory. */
const UNKNOWN_HEALTH = 85;

/** Amp-hours of a pack of which nothing is known. Common practice. */
export const USUAL_AH = 13;

const usualHealth = ({ chemistry, ageYears, cycles }: FallbackContext): number =>
  ageYears === undefined ? UNKNOWN_HEALTH : Math.round(100 * healthByAge(chemistry, ageYears, cycles));
const healthBecause = ({ ageYears, cycles }: FallbackContext): string =>
  ageYears === undefined
    ? 'neither age nor use is known: 85 %, from memory'
    : `${String(ageYears)} years and ${cycles === undefined ? 'a usual number of' : String(cycles)} full charges, from memory`;

/** Energy of a finished pack by its mass, with case, board and leads, Wh/kg. From memory, within some 15 %. */
const WH_PER_KG: Readonly<Record<Chemistry, number>> = {
  nmc: 170,
  'nmc-power': 140,
  lmo: 120,
  lfp: 105,
  'lead-acid': 36,
};

export const packSpecs = {
  nominalV: {
    label: 'Nominal volts',
    unit: 'V',
    min: 3,
    max: 200,
    plausible: [24, 84],
    step: 1,
    fallback: (c: FallbackContext) => c.nominalV,
    origin: 'worked from the cells in series',
  },
  cellsInSeries: {
    label: 'Cells in series',
    unit: 'S',
    min: 1,
    max: 60,
    plausible: [7, 24],
    step: 1,
    fallback: (c: FallbackContext) => c.cellsInSeries,
    origin: 'worked from the nominal volts',
  },
  capacityAh: {
    label: 'Capacity',
    unit: 'Ah',
    min: 0.5,
    max: 400,
    plausible: [5, 60],
    step: 0.5,
    fallback: USUAL_AH,
    origin: 'common practice',
  },
  boardCutoffV: {
    label: 'Protection opens below',
    unit: 'V',
    min: 1,
    max: 250,
    plausible: [15, 60],
    step: 0.5,
    stays: true,
    fallback: 30,
    origin: NO_DEFAULT,
  },
  bmsCurrentA: {
    label: 'Pack protection, continuous',
    unit: 'A',
    min: 1,
    max: 500,
    plausible: [12, 100],
    step: 1,
    // Taken as what the controller asks, so that an unread label never binds in silence.
    fallback: (c: FallbackContext) => c.motor.batteryA.value,
    origin: 'taken as the controller’s limit until its label is read',
  },
  cellsContinuousA: {
    label: 'Cells, continuous',
    unit: 'A',
    min: 0.5,
    max: 2000,
    plausible: [8, 200],
    step: 1,
    fallback: perAh('continuous'),
    origin: C_RATE_ORIGIN,
  },
  cellsPeakA: {
    label: 'Cells, for ten seconds',
    unit: 'A',
    min: 0.5,
    max: 4000,
    plausible: [12, 400],
    step: 1,
    fallback: perAh('peak'),
    origin: C_RATE_ORIGIN,
  },
  maxChargeA: {
    label: 'Cells take on charge, most',
    unit: 'A',
    min: 0.1,
    max: 1000,
    plausible: [1, 60],
    step: 0.5,
    fallback: perAh('charge'),
    origin: C_RATE_ORIGIN,
  },
  wiringMohm: {
    label: 'Leads, plugs and protection',
    unit: 'mohm',
    min: 0,
    max: 1000,
    plausible: [10, 60],
    step: 1,
    fallback: 25,
    origin: 'from memory, 20 to 30 mΩ',
  },
  ageYears: {
    label: 'Age of the pack',
    unit: 'years',
    min: 0,
    max: 40,
    plausible: [0, 10],
    step: 0.5,
    stays: true,
    fallback: 2,
    origin: NO_DEFAULT,
  },
  cycles: {
    label: 'Full charges so far',
    unit: '1',
    counted: true,
    min: 0,
    max: 20_000,
    plausible: [0, 1000],
    step: 10,
    stays: true,
    fallback: 150,
    origin: NO_DEFAULT,
  },
  healthPct: {
    label: 'Capacity left by age',
    unit: '%',
    min: 20,
    max: 105,
    plausible: [60, 100],
    step: 1,
    fallback: usualHealth,
    origin: 'by age and full charges; 85 % where neither is known (from memory)',
    because: healthBecause,
  },
  startC: {
    label: 'Pack, at the start of a ride',
    unit: 'C',
    min: -30,
    max: 60,
    plausible: [-15, 40],
    step: 1,
    fallback: (c: FallbackContext) => (c.kept === 'outside' ? c.airC : INDOORS_C),
    origin: 'kept indoors at 18 °C unless told; outside, that of the air (common practice)',
    because: (c: FallbackContext) =>
      c.kept === 'outside' ? 'stood outside: that of the air' : 'kept indoors at 18 °C, common practice',
  },
  chargeLimitPct: {
    label: 'Charged to',
    unit: '%',
    min: 20,
    max: 100,
    plausible: [70, 100],
    step: 5,
    fallback: 100,
    origin: 'a full charge',
  },
  massKg: {
    label: 'Pack',
    unit: 'kg',
    min: 0.3,
    max: 150,
    plausible: [1.5, 60],
    step: 0.1,
    fallback: (c: FallbackContext) => (c.nominalV * c.capacityAh) / WH_PER_KG[c.chemistry],
    origin: 'by its energy and chemistry, from memory',
    because: (c: FallbackContext) =>
      `${(c.nominalV * c.capacityAh).toFixed(0)} Wh at ${String(WH_PER_KG[c.chemistry])} Wh/kg of a finished pack, from memory`,
    spread: () => 0.15,
  },
  ...packBoxSpecs,
} as const satisfies Record<string, QuantitySpec>;

/** A box of the pack: where it is mounted, and its centre where it was put by hand (null: the place's own). */
const packBox = z.strictObject({
  place: packPlace,
  at: z
    .strictObject({
      xMm: z.number().min(-2000).max(5000),
      yMm: z.number().min(-200).max(3000),
      angleDeg: z.number().min(-180).max(180),
    })
    .nullable(),
});

/** Most packs on a machine, and boxes of one of them. */
export const MOST_PACKS = 4;
export const MOST_BOXES = 12;

/**
 * One pack of a machine: what it is made of, where it lies, how it is charged. All packs of a build are alike in what is
 * said of them; they are used in the order in which they stand.
 */
export const pack = z.strictObject({
  name: z.string().max(80),
  chemistry,
  make: packMake.default('ready'),
  kept: packKept.default('unknown'),
  cover: packCover.default('case'),
  /** A protection board that opens when too much flows; lead-acid has none unless told. */
  board: answer.default('unknown'),
  /** Boxes of one size that share the pack's mass equally. */
  boxes: z.array(packBox).min(1).max(MOST_BOXES),
  cell: cell.prefault({}),
  charger: charger.prefault({}),
  /** Which parts of the shelf its values were copied from, by their id. */
  shelf: z.partialRecord(z.enum(PACK_PART_TYPES), z.string().max(60)).default({}),
  ...quantities(packSpecs),
});
export type PackDocument = z.infer<typeof pack>;

export const joiningSpecs = {
  ratedA: {
    label: 'Combiner or switch, rated',
    unit: 'A',
    min: 1,
    max: 500,
    plausible: [15, 120],
    step: 5,
    stays: true,
    fallback: 40,
    origin: NO_DEFAULT,
  },
  diodeDropV: {
    label: 'Drop of each diode',
    unit: 'V',
    min: 0,
    max: 3,
    plausible: [0.01, 1],
    step: 0.1,
    fallback: 0.02,
    origin: 'from memory: 0.02 V through switched (ideal) diodes, 0.5 V through plain ones',
  },
} as const satisfies Record<string, QuantitySpec>;

/** How the packs of a machine with more than one come together. */
export const joining = z.strictObject({
  how: joinHow.default('switch'),
  /** Whether each pack has a fuse or breaker of its own, before it meets the others. */
  branchFuses: answer.default('unknown'),
  ...quantities(joiningSpecs),
});
