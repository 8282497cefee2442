import * as z from 'zod';
import { MOST_MONEY, currency } from '../document/currency.ts';

/** What was paid for something that was written down, in the money of that day; null is not noted, and never nought. */
export const paid = z
  .strictObject({ sum: z.number().min(0).max(MOST_MONEY), currency })
  .nullable()
  .default(null);
export type Paid = z.infer<typeof paid>;
