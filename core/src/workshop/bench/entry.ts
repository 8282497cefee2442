import * as z from 'zod';
import { evidence, holdPointSchema } from './hold-point.ts';

const who = z.string().trim().min(1).max(60);
const planVersion = z.number().int().min(0);

/** A run: its steps as they were asked for when it began, by the plan's version. */
export const benchRun = z.strictObject({
  name: z.string().max(80),
  planVersion,
  who,
  steps: z.array(holdPointSchema).min(1).max(200),
});
export type BenchRun = z.infer<typeof benchRun>;

const ENTRY_KINDS = ['pass', 'fail', 'waive', 'note'] as const;

/** What was said at one step: it stands for ever, and a later one takes its place. */
export const benchEntry = z
  .strictObject({
    step: z.string().max(90),
    says: z.enum(ENTRY_KINDS),
    readings: z.array(z.number().nullable()).max(60),
    ticks: z.array(z.boolean()).max(60),
    /** Reason of a waiver, what a fail was and how it was mended, a note. */
    words: z.string().max(1000),
    who,
    /** A simulated instrument gave the reading. */
    simulated: z.boolean(),
    /** What it was held against, and the plan's version. */
    against: z.strictObject({ planVersion, evidence, part: z.string().max(600), guards: z.boolean() }),
    /** The entry whose saying this one puts right, by its key. */
    corrects: z.string().max(80).nullable(),
  })
  .refine((e) => e.says !== 'waive' || (e.words.trim() !== '' && !e.against.guards), {
    message: 'a waiver has a reason, and is not for what guards a person',
    path: ['says'],
  });
export type BenchEntry = z.infer<typeof benchEntry>;

/** A sheet as it was signed: nothing of it is worked out again. */
const signedSheet = z.strictObject({
  title: z.string().max(200),
  sections: z
    .array(
      z.strictObject({
        title: z.string().max(120),
        note: z.string().max(600),
        rows: z.array(z.array(z.string().max(600)).max(8)).max(300),
      }),
    )
    .max(30),
});
export type SignedSheet = z.infer<typeof signedSheet>;

/** A hand-over, signed by name. */
export const benchSign = z.strictObject({
  who,
  role: z.string().max(60),
  words: z.string().max(1000),
  planVersion,
  passed: z.number().int().min(0),
  waived: z.number().int().min(0),
  sheet: signedSheet,
});
export type BenchSign = z.infer<typeof benchSign>;
