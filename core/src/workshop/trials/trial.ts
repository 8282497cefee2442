import * as z from 'zod';
import { currency, MOST_MONEY } from '../../document/currency.ts';
import { day } from '../../document/purchase.ts';

const figure = z.number().min(-1e6).max(1e6).nullable();

/** Headline figures as they stood; null where there was no such number. */
const stood = z.strictObject({
  hillKmh: figure,
  topKmh: figure,
  rangeLowKm: figure,
  rangeHighKm: figure,
  hottestC: figure,
  massKg: figure,
  className: z.string().max(120),
});
export type Stood = z.infer<typeof stood>;

/**
 * A change that was tried, on paper or on the road: kept, taken back, or rejected with the reason, so that nobody tries it again. Written
 * once; what puts it right is a further one.
 */
export const trialRecord = z
  .strictObject({
    on: day.refine((text) => text !== '', 'a day is needed'),
    who: z.string().trim().min(1).max(80),
    what: z.string().trim().min(1).max(300),
    /** Steps of the shelf that it was made of; none for what was only thought of, or done by hand. */
    steps: z.array(z.string().max(80)).max(20),
    says: z.enum(['kept', 'undone', 'rejected']),
    reason: z.string().trim().max(400),
    planVersion: z.number().int().min(0),
    /** All in; null is not known. */
    cost: z.number().min(-MOST_MONEY).max(MOST_MONEY).nullable(),
    currency,
    before: stood.nullable(),
    after: stood.nullable(),
    corrects: z.string().max(64).nullable(),
  })
  .refine((t) => t.says !== 'rejected' || t.reason !== '', {
    path: ['reason'],
    error: 'why it was rejected is what the next one has to know',
  });
export type TrialRecord = z.infer<typeof trialRecord>;
export type TrialSays = TrialRecord['says'];
