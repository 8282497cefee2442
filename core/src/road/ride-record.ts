import * as z from 'zod';
import { SYMPTOMS } from './faults/symptom.ts';
import { paid } from './paid.ts';

/** What a ride was made for: each answers another question. */
export const RIDE_KINDS = ['everyday', 'range', 'hill', 'top-speed', 'heat', 'coast-down'] as const;
export type RideKind = (typeof RIDE_KINDS)[number];
export const RIDE_KIND_NAMES: Readonly<Record<RideKind, string>> = {
  everyday: 'Everyday',
  range: 'Range run',
  hill: 'Hill',
  'top-speed': 'Top speed',
  heat: 'Heat test',
  'coast-down': 'Coast-down',
};

/** What told the distance and the speed of a ride that was typed. */
const TOLD_BY = ['unknown', 'display', 'satellite', 'counter'] as const;
export type ToldBy = (typeof TOLD_BY)[number];

/** The ground as whoever rode it found it. */
export const GROUNDS = ['dry', 'wet', 'snow'] as const;
export type Ground = (typeof GROUNDS)[number];

const day = z.iso.date();
const who = z.string().trim().min(1).max(60);
const planVersion = z.number().int().min(0);
const read = (min: number, max: number) => z.number().min(min).max(max).nullable();
const key = z.string().max(80).nullable();

/** Readings of a ride, each null where nobody read it: the unit stands in the name. */
const RIDE_READINGS = {
  distanceKm: read(0.01, 2000),
  /** Moving, without stops. */
  minutes: read(0.1, 6000),
  /** Out of the pack, and back into it by braking. */
  energyWh: read(0, 100_000),
  backWh: read(0, 100_000),
  chargeAh: read(0, 2000),
  /** At rest, before and after. */
  voltsBefore: read(5, 150),
  voltsAfter: read(5, 150),
  topKmh: read(1, 150),
  /** At the foot of a hill; nought is from standing. */
  runInKmh: read(0, 80).default(null),
  hottestC: read(-30, 300),
  /** The rider's own power, mean while pedalling. */
  riderW: read(0, 1000),
  riderWh: read(0, 20_000),
  /** Of the pack with its leads, from steps of current. */
  packMohm: read(1, 5000),
  loadKg: read(0, 500),
  airC: read(-40, 55),
  windMs: read(0, 40),
  windFromDeg: read(0, 360),
} as const;
export type RideReading = keyof typeof RIDE_READINGS;

/** What was read at a stop on the way: how far it was, and each of the others null where nobody looked. */
const wayReading = z.strictObject({
  km: z.number().min(0).max(2000),
  restV: read(5, 150),
  /** As the display showed it: bars, or per cent. */
  gauge: z.number().min(0).max(100).nullable(),
  windingC: read(-30, 300),
});
export type WayReading = z.infer<typeof wayReading>;
/** So many are kept of one ride. */
export const MOST_ON_THE_WAY = 24;

/** A ride as it was: typed by hand, or with a recording of the same key beside it. */
export const rideRecord = z
  .strictObject({
    kind: z.enum(RIDE_KINDS),
    on: day,
    title: z.string().max(80),
    /** A route that is kept here; empty for none. */
    route: z.string().max(60),
    planVersion,
    ...RIDE_READINGS,
    ground: z.enum(GROUNDS),
    pedalled: z.enum(['yes', 'no', 'unknown']),
    /** Level of help all the way, from one; null is mixed, by hand, or not noted. */
    level: z.number().int().min(1).max(9).nullable().default(null),
    toldBy: z.enum(TOLD_BY).default('unknown'),
    /** Read at stops on the way, and what a full gauge shows: five bars, or a hundred for per cent. */
    way: z.array(wayReading).max(MOST_ON_THE_WAY).default([]),
    gaugeOf: z.number().int().min(2).max(100).nullable().default(null),
    note: z.string().max(1000),
    /** What the machine did that it should not. */
    noticed: z.array(z.enum(SYMPTOMS)).max(SYMPTOMS.length).default([]),
    who,
    /** What of its recording is the ride, by the recording's clock, s; null is from its beginning, and to its end. */
    cutFromS: read(0, 1e7).default(null),
    cutToS: read(0, 1e7).default(null),
    /** A stand-in rode it. */
    simulated: z.boolean(),
    /** The ride that this one puts right, by its key; one that is withdrawn counts no more. */
    corrects: key,
    withdrawn: z.boolean(),
  })
  .refine((r) => !r.withdrawn || r.corrects !== null, {
    message: 'only a ride that was written down can be withdrawn',
    path: ['withdrawn'],
  });
export type RideRecord = z.infer<typeof rideRecord>;

/** A ride of which nothing is read yet. */
export const NOTHING_READ: Readonly<Record<RideReading, null>> = {
  distanceKm: null,
  minutes: null,
  energyWh: null,
  backWh: null,
  chargeAh: null,
  voltsBefore: null,
  voltsAfter: null,
  topKmh: null,
  runInKmh: null,
  hottestC: null,
  riderW: null,
  riderWh: null,
  packMohm: null,
  loadKg: null,
  airC: null,
  windMs: null,
  windFromDeg: null,
};

/** A ride of which only the least is known yet, with what is. */
export const newRide = (
  known: Pick<RideRecord, 'kind' | 'on' | 'planVersion' | 'who'> & Partial<RideRecord>,
): RideRecord => ({
  title: '',
  route: '',
  ...NOTHING_READ,
  ground: 'dry',
  pedalled: 'unknown',
  level: null,
  toldBy: 'unknown',
  way: [],
  gaugeOf: null,
  note: '',
  noticed: [],
  cutFromS: null,
  cutToS: null,
  simulated: false,
  corrects: null,
  withdrawn: false,
  ...known,
});

/** What the plan of the day said of a ride, as it was worked out then: it stands whatever becomes of the plan. */
export const RIDE_FIGURES = ['energy', 'per-km', 'minutes', 'top', 'winding', 'volts-after'] as const;
export type RideFigureId = (typeof RIDE_FIGURES)[number];
const figure = z.strictObject({
  id: z.enum(RIDE_FIGURES),
  measured: z.number(),
  plan: z.number(),
  /** From the least lucky of twenty rides to the luckiest of twenty. */
  low: z.number(),
  high: z.number(),
});
export type RideFigure = z.infer<typeof figure>;
export const rideTold = z.strictObject({
  planVersion,
  /** Whose road it was: its own, a route's, or none. */
  road: z.enum(['recorded', 'route', 'none']),
  windKnown: z.boolean(),
  /** The energy was worked out from the volts at rest: no display told it. */
  byVolts: z.boolean().default(false),
  /** What stood in the plan for that which nobody had chosen or read: "with a usual motor"; empty for nothing. */
  standsIn: z.string().max(80).default(''),
  /** True distance and speed for those that were typed, by what Set up knows of the display; null where they are taken as they are. */
  shownTimes: z.number().positive().nullable().default(null),
  /** What told distance and speed may be off by, as a share: the spans of what rests on them are so much wider. */
  toldOff: z.number().min(0).max(1).default(0),
  /** A hill by a kept road, and nobody noted how fast it came to its foot: the time may have begun at any. */
  runInUnsaid: z.boolean().default(false),
  figures: z.array(figure).max(RIDE_FIGURES.length),
  /** What most of the span comes from, in words. */
  causes: z.array(z.string().max(120)).max(5),
});
export type RideTold = z.infer<typeof rideTold>;

/** One time at the charger. */
export const chargeRecord = z.strictObject({
  on: day,
  pack: z.number().int().min(0).max(3),
  voltsBefore: read(5, 150),
  voltsAfter: read(5, 150),
  /** Into the pack, or out of the wall: what the meter stood at. */
  energyWh: read(0, 100_000),
  chargeAh: read(0, 2000),
  hours: read(0, 72),
  /** Where it was stopped, %. */
  untilPct: read(1, 100),
  /** Volts of the groups at rest afterwards, the lowest and the highest. */
  lowestV: read(0, 20),
  highestV: read(0, 20),
  note: z.string().max(1000),
  who,
  simulated: z.boolean(),
});
export type ChargeRecord = z.infer<typeof chargeRecord>;

/** Something that was looked after. */
export const upkeepRecord = z.strictObject({
  task: z.string().max(60),
  on: day,
  km: z.number().min(0).max(1e6),
  note: z.string().max(1000),
  /** Parts and what others were paid; null is not noted. */
  paid,
  who,
});
export type UpkeepRecord = z.infer<typeof upkeepRecord>;
