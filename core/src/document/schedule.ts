import * as z from 'zod';
import { day } from './purchase.ts';

/** How used somebody is to such work: it sets the hours that nobody has entered. */
export const EXPERIENCES = ['first', 'some', 'practised'] as const;

/** Hours at the bench, Monday first. */
const week = z.array(z.number().min(0).max(14)).length(7);
/** Weekday evenings of three hours: assumed until somebody says. */
export const USUAL_WEEK: readonly number[] = [3, 3, 3, 3, 3, 0, 0];

const hours = z.number().min(0).max(1000);
const taskKey = z.string().regex(/^[a-z0-9/-]{1,60}$/);

/** What a person says of a task that is worked out. */
const toldTask = z.strictObject({
  /** Null is the usual. */
  hours: hours.nullable().default(null),
  dries: hours.nullable().default(null),
  notBefore: day,
  /** What it really took; null while it is not done. */
  took: hours.nullable().default(null),
  /** The usual hours that it was held against when they were typed: the shop learns by the two. */
  usual: hours.nullable().default(null),
});
export type ToldTask = z.infer<typeof toldTask>;

/** Work that a person adds: it stands before another task, and may dry or cure in between. */
const ownTask = z.strictObject({
  key: z.string().regex(/^own\/[a-z0-9]{1,20}$/),
  what: z.string().trim().min(1).max(80),
  before: taskKey,
});

/** When the work is done: what a person says beside what is worked out. */
export const schedule = z.strictObject({
  /** Empty is today. */
  begins: day,
  wantedFor: day,
  /** What the day is: a market, a birthday. */
  wantedWhy: z.string().max(60).default(''),
  experience: z.enum(EXPERIENCES).nullable().default(null),
  people: z
    .array(z.strictObject({ name: z.string().max(40), week }))
    .max(3)
    .default([]),
  tasks: z.record(taskKey, toldTask).default({}),
  own: z.array(ownTask).max(20).default([]),
});
export type Schedule = z.infer<typeof schedule>;

/** A task of which nothing has been said. */
export const NOTHING_TOLD: ToldTask = toldTask.parse({});
