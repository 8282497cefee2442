import * as z from 'zod';
import { paid } from '../paid.ts';
import { SYMPTOMS } from './symptom.ts';

const answered = z.strictObject({ look: z.string().max(40), says: z.enum(['yes', 'no']) });

/** What was found is none of the table's causes, and what was not found yet. */
export const OTHER_CAUSE = 'other';
export const OPEN_FAULT = 'open';

/**
 * A fault that a machine showed: what was looked at, what it was, and what cured it. Written once; what puts it right, or closes
 * one that was left open, is a further one.
 */
export const faultRecord = z
  .strictObject({
    on: z.iso.date(),
    who: z.string().trim().min(1).max(60),
    symptom: z.enum(SYMPTOMS),
    /** In the words of whoever brought it; may be empty. */
    told: z.string().trim().max(400),
    answers: z.array(answered).max(60),
    /** A cause of the table, `other`, or `open` while it is not found. */
    cause: z.string().min(1).max(40),
    /** What it was and what was done; may be empty while it is open. */
    cure: z.string().trim().max(600),
    km: z.number().min(0).max(1_000_000).nullable(),
    /** What the cure cost; null is not noted. */
    paid,
    planVersion: z.number().int().min(0),
    corrects: z.string().max(80).nullable(),
  })
  .refine((f) => f.cause === OPEN_FAULT || f.cure !== '', {
    path: ['cure'],
    error: 'what was done is what the next one has to know',
  });
export type FaultRecord = z.infer<typeof faultRecord>;
