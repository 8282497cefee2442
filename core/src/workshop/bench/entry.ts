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

/** What a colour of a drawing stands for; paper is what it lies on. */
const tone = z.enum(['none', 'ink', 'soft', 'added', 'paper']);
export type Tone = z.infer<typeof tone>;

/** A shape of a drawing: its outline as a path of SVG and the width of its pen, px. */
const drawnShape = z.strictObject({
  d: z
    .string()
    .max(8000)
    .regex(/^[MLCHZa0-9 .-]*$/),
  fill: tone,
  stroke: tone,
  width: z.number().min(0).max(400),
  cap: z.enum(['butt', 'round', 'square']),
});
export type DrawnShape = z.infer<typeof drawnShape>;

/** A side view as it was signed, px. */
const signedDrawing = z.strictObject({
  width: z.number().positive().max(4000),
  height: z.number().positive().max(4000),
  shapes: z.array(drawnShape).max(1000),
});
export type SignedDrawing = z.infer<typeof signedDrawing>;

/** A sheet as it was signed: nothing of it is worked out again. */
const signedSheet = z.strictObject({
  title: z.string().max(200),
  /** Null on sheets that were signed before it stood on them. */
  drawing: signedDrawing.nullable().default(null),
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
