import * as z from 'zod';
import { MOST_MONEY, currency } from './currency.ts';

/** Where a thing on the list is. `not-needed` is a person's word, with a reason. */
export const LINE_STATES = ['needed', 'owned', 'ordered', 'arrived', 'fitted', 'not-needed'] as const;
const lineState = z.enum(LINE_STATES);
export type LineState = z.infer<typeof lineState>;

/** A day, as ISO 8601 writes it; empty where none is known. */
export const day = z
  .string()
  .regex(/^(\d{4}-\d{2}-\d{2})?$/, 'such as 2026-03-28')
  .default('');

const amount = z.number().min(0).max(MOST_MONEY).nullable().default(null);

const bought = {
  /** Null is the state that the list itself begins with. */
  state: lineState.nullable().default(null),
  /** For all pieces; null is not known. */
  price: amount,
  /** The price is in the second currency. */
  inSecond: z.boolean().default(false),
  supplier: z.string().max(60).default(''),
  note: z.string().max(160).default(''),
  /** From the order to the door. */
  leadDays: z.number().int().min(0).max(400).nullable().default(null),
  orderedOn: day,
  /** The day that its supplier has promised. */
  expectedOn: day,
  /** Somebody has used it before: more is looked at, before it is paid for. */
  secondHand: z.boolean().default(false),
  /** Where it was found: an address, an article number. */
  link: z.string().max(300).default(''),
  /** Why it is not needed. */
  reason: z.string().max(120).default(''),
};

/** What a person adds to a line that is worked out; it lies beside the line's key, and stays when the line goes. */
const boughtLine = z.strictObject({
  ...bought,
  /** What the line said when something was last added to it: shown when the build asks for it no more. */
  was: z.string().max(200).default(''),
});
export type BoughtLine = z.infer<typeof boughtLine>;

/** The key of a line: what it is. */
const lineKey = z.string().regex(/^[a-z0-9/-]{1,60}$/);

/** What one supplier takes for sending, once for all that is bought there; null is not known. */
const supplier = z.strictObject({ shipping: amount });

/** Metres of cable are bought in parts of a whole: no shop cuts finer. */
const inHundredths = (quantity: number): number => Math.max(0.01, Math.round(quantity * 100) / 100);

/** A line that a person adds. */
const addedLine = z.strictObject({
  ...bought,
  key: z.string().regex(/^added\/[a-z0-9]{1,20}$/),
  what: z.string().trim().min(1).max(120),
  quantity: z.number().positive().max(100_000).overwrite(inHundredths).default(1),
});
export type AddedLine = z.infer<typeof addedLine>;

/** Most lines of one build that anything is said of. */
const MOST_LINES = 400;

/** What comes along with a thing that is bought, by the key of the line, and how many of it; null is not known. */
const brings = z
  .record(lineKey, z.number().positive().max(100_000))
  .refine((lines) => Object.keys(lines).length <= MOST_LINES)
  .nullable()
  .default(null);

export const purchase = z.strictObject({
  lines: z
    .record(lineKey, boughtLine)
    .refine((lines) => Object.keys(lines).length <= MOST_LINES, {
      error: `at most ${String(MOST_LINES)} lines`,
    })
    .default({}),
  added: z.array(addedLine).max(MOST_LINES).default([]),
  /** Everything that no line stands for, in one sum. */
  rest: amount,
  /** What the kit of the motor, and the pack as it is sold, bring along. */
  brings: z.strictObject({ motor: brings, pack: brings }).prefault({}),
  suppliers: z.record(z.string().trim().min(1).max(60), supplier).default({}),
  /** Another currency that some prices are in, and what one of it is worth in the build's. */
  second: z
    .strictObject({ currency, rate: z.number().positive().max(1e6) })
    .nullable()
    .default(null),
});
export type Purchase = z.infer<typeof purchase>;

/** A line of which nothing has been said. */
export const NOTHING_SAID: BoughtLine = boughtLine.parse({});

/** A line added by hand of which nothing else is said. */
export const NOTHING_ADDED: AddedLine = addedLine.parse({ key: 'added/1', what: 'new' });

interface Priced {
  readonly purchase: Purchase;
}

/** What is paid for a line, in the build's currency; null is not known, and never nought. */
export function paidFor(
  { purchase: { second } }: Priced,
  said: Pick<BoughtLine, 'price' | 'inSecond'>,
): number | null {
  if (said.price === null || !said.inSecond) return said.price;
  return second === null ? null : said.price * second.rate;
}

/** The price of a line by its key, in the build's currency; null is not known. */
export const priceOfLine = (build: Priced, key: string): number | null =>
  paidFor(build, build.purchase.lines[key] ?? NOTHING_SAID);

/** A build in which something is said of a line of the list. */
export const withLine = <B extends Priced>(build: B, key: string, said: Partial<BoughtLine>): B => ({
  ...build,
  purchase: {
    ...build.purchase,
    lines: {
      ...build.purchase.lines,
      [key]: { ...NOTHING_SAID, ...build.purchase.lines[key], ...said },
    },
  },
});
