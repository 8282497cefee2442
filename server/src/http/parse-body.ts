import type * as z from 'zod';
import { issuesFromZod } from '@apple-cart/core';
import { badInput } from './problems.ts';

/** Validates a request's body. @throws Problem 400 with every issue. */
export function parseBody<T>(schema: z.ZodType<T>, body: unknown): T {
  const parsed = schema.safeParse(body);
  if (!parsed.success) throw badInput(issuesFromZod(parsed.error, body));
  return parsed.data;
}
