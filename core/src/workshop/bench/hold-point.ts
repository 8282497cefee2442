import * as z from 'zod';
import type { Phrase } from '../../quantity/phrase.ts';
import { UNIT_SYMBOLS, type Unit } from '../../quantity/units.ts';

/** Groups of hold points, in the order of the job. */
export const BENCH_GROUPS = [
  'before',
  'removal',
  'inspection',
  'fitting',
  'pack',
  'cold',
  'power',
  'sensors',
  'stand',
  'cutoffs',
  'ride',
  'later',
] as const;
export type BenchGroup = (typeof BENCH_GROUPS)[number];

export const BENCH_GROUP_NAMES: Readonly<Record<BenchGroup, string>> = {
  before: 'before dismantling',
  removal: 'removal',
  inspection: 'inspection',
  fitting: 'fitting',
  pack: 'pack',
  cold: 'cold wiring',
  power: 'first power',
  sensors: 'sensors',
  stand: 'wheel off the ground',
  cutoffs: 'cut-offs',
  ride: 'first ride',
  later: 'after 50 km',
};

const words = (most: number) => z.string().max(most);
const phrase = z.array(
  z.union([
    words(400),
    z.strictObject({
      value: z.number(),
      unit: z.enum(UNIT_SYMBOLS as readonly [Unit, ...Unit[]]),
      digits: z.number().int().min(0).max(6).optional(),
    }),
  ]),
);
const bound = z.number().nullable();

/** What is written down: one or several readings, a tick for each of several things, or words. */
export const evidence = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('readings'),
    unit: z.enum(UNIT_SYMBOLS as readonly [Unit, ...Unit[]]),
    /** A name for each reading: one for a single value. */
    names: z.array(words(60)).min(1).max(60),
    /** What passes; null where there is no bound, and where the reading is only recorded. */
    low: bound,
    high: bound,
    /** Highest less lowest of several at most. */
    spread: bound,
  }),
  z.strictObject({ kind: z.literal('ticks'), items: z.array(words(120)).min(1).max(60) }),
  z.strictObject({ kind: z.literal('words'), ask: words(120) }),
]);
export type Evidence = z.infer<typeof evidence>;

const instrument = z.enum([
  'eyes',
  'meter, volts',
  'meter, ohms',
  'meter, amps',
  'torque wrench',
  'feeler gauge',
  'battery monitor',
  'display',
  'programmer',
  'wheel counter',
  'clock',
]);
export type Instrument = z.infer<typeof instrument>;

/** One thing that has to hold before the work goes on. */
export const holdPointSchema = z.strictObject({
  /** Made of what it is, so that a run finds it again when the plan has moved. */
  key: z.string().regex(/^[a-z0-9-]+\/[a-z0-9-]{1,60}$/),
  group: z.enum(BENCH_GROUPS),
  title: words(120),
  /** In a sentence or two, with the instrument. */
  how: words(600),
  /** What can hurt; empty where nothing does. */
  caution: words(400),
  /** What to think of when it does not hold. */
  otherwise: words(400),
  evidence,
  /** A photograph is worth taking. */
  photograph: z.boolean(),
  instrument,
  /** Where the probes of the meter go; null where no meter is held to anything. */
  probes: z
    .strictObject({ black: words(24), red: words(24) })
    .nullable()
    .default(null),
  /** Where the expected value comes from, with its numbers. */
  why: phrase,
  origin: words(200),
  /** It guards a person: it is never waived. */
  guards: z.boolean(),
  /** Nothing in the groups behind it is done before it holds. */
  locks: z.boolean(),
  /** The part that it was worked out for, by name: another part is another check. */
  part: words(600),
});
type Point = z.infer<typeof holdPointSchema>;
export type HoldPoint = Readonly<Omit<Point, 'why'>> & { readonly why: Phrase };

type Loose = Partial<Omit<HoldPoint, 'key' | 'group' | 'title' | 'how' | 'evidence'>>;

/** A point with what is usual where nothing is said: looked at, waived with a reason, locks the groups behind. */
export const holdPoint = (
  group: BenchGroup,
  key: string,
  title: string,
  how: string,
  evidence: Evidence,
  rest: Loose = {},
): HoldPoint => ({
  key: `${group}/${key}`,
  group,
  title,
  how,
  evidence,
  caution: '',
  otherwise: '',
  photograph: false,
  instrument: 'eyes',
  probes: null,
  why: [],
  origin: 'common practice',
  guards: false,
  locks: true,
  part: '',
  ...rest,
});

/** One reading that passes between two values. */
export const between = (
  unit: Unit,
  low: number | null,
  high: number | null,
  name = 'Measured',
): Evidence => ({ kind: 'readings', unit, names: [name], low, high, spread: null });

/** A torque that is written down, with what is usual where it is known. */
export const torque = (low: number | null = null, high: number | null = null): Evidence =>
  between('N m', low, high, 'Torque');

export const ticks = (...items: readonly string[]): Evidence => ({ kind: 'ticks', items: [...items] });
