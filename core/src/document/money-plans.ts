import * as z from 'zod';
import { MOST_MONEY } from './currency.ts';

const amount = z.number().min(0).max(MOST_MONEY).nullable().default(null);
const figure = z.number().min(0).max(1e6).nullable().default(null);

/** Features that a ready-made bicycle and a build are ticked off by. */
export const FEATURES = [
  'lights',
  'rack',
  'mudguards',
  'display',
  'throttle',
  'torque-sensor',
  'walk-help',
  'removable-pack',
  'regeneration',
  'warranty',
  'service-near',
  'own-repair',
] as const;
export type Feature = (typeof FEATURES)[number];

/** A ready-made bicycle by what its label says; null is not known. */
export const readyMade = z.strictObject({
  /** What it is called here, to part it from another. */
  name: z.string().max(60).default(''),
  price: amount,
  energyWh: figure,
  packV: figure,
  motorW: figure,
  torqueNm: figure,
  className: z.string().max(60).default(''),
  massKg: figure,
  /** As its maker tells it. */
  rangeKm: figure,
  features: z.array(z.enum(FEATURES)).max(FEATURES.length).default([]),
  /** What this build has of them, beside what the document says itself. */
  own: z.array(z.enum(FEATURES)).max(FEATURES.length).default([]),
});
export type ReadyMade = z.infer<typeof readyMade>;
/** Beside the first; what the build itself has is ticked at the first alone. */
export const MORE_READY = 3;
export const moreReady = z.array(readyMade).max(MORE_READY).default([]);
export const NO_LEAFLET: ReadyMade = readyMade.parse({});

/** What running it costs, and what it stands for; null is the usual for wear, and not known for the rest. */
export const running = z.strictObject({
  kmPerYear: figure,
  /** Car or bus that it stands for, per km or per month. */
  insteadPerKm: amount,
  insteadPerMonth: amount,
  /** The builder's own hours are a cost at this much an hour; null counts none. */
  hourly: amount,
  /** Prices and lives of what wears; null is the usual. */
  chain: z.strictObject({ price: amount, km: figure }).prefault({}),
  cogs: z.strictObject({ price: amount, km: figure }).prefault({}),
  tyres: z.strictObject({ price: amount, km: figure }).prefault({}),
  pads: z.strictObject({ price: amount, km: figure }).prefault({}),
  /** Full cycles to 80 % of the pack; null is the usual of its chemistry. */
  packCycles: figure,
});
export type Running = z.infer<typeof running>;
