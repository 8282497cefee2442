import * as z from 'zod';
import { MOST_MONEY } from './currency.ts';

/** Where a thing on the list is. `not-needed` is a person's word, with a reason. */
export const LINE_STATES = ['needed', 'owned', 'ordered', 'arrived', 'fitted', 'not-needed'] as const;
const lineState = z.enum(LINE_STATES);
export type LineState = z.infer<typeof lineState>;

/** A day, as ISO 8601 writes it; empty where none is known. */
const day = z
  .string()
  .regex(/^(\d{4}-\d{2}-\d{2})?$/, 'such as 2026-03-28')
  .default('');

const bought = {
  /** Null is the state that the list itself begins with. */
  state: lineState.nullable().default(null),
  /** For all pieces, in the build's currency; null is not known. */
  price: z.number().min(0).max(MOST_MONEY).nullable().default(null),
  supplier: z.string().max(60).default(''),
  note: z.string().max(160).default(''),
  /** From the order to the door. */
  leadDays: z.number().int().min(0).max(400).nullable().default(null),
  orderedOn: day,
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

/** A line that a person adds. */
const addedLine = z.strictObject({
  ...bought,
  key: z.string().regex(/^added\/[a-z0-9]{1,20}$/),
  what: z.string().trim().min(1).max(120),
  quantity: z.number().positive().max(100_000).default(1),
});
export type AddedLine = z.infer<typeof addedLine>;

/** Most lines of one build that anything is said of. */
const MOST_LINES = 400;

export const purchase = z.strictObject({
  lines: z
    .record(z.string().regex(/^[a-z0-9/-]{1,60}$/), boughtLine)
    .refine((lines) => Object.keys(lines).length <= MOST_LINES, {
      error: `at most ${String(MOST_LINES)} lines`,
    })
    .default({}),
  added: z.array(addedLine).max(100).default([]),
});
export type Purchase = z.infer<typeof purchase>;

/** A line of which nothing has been said. */
export const NOTHING_SAID: BoughtLine = boughtLine.parse({});
