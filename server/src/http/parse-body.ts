import type * as z from 'zod';
import { readBy } from '@apple-cart/core';
import { badInput } from './problems.ts';

/** Validates a request's body. @throws Problem 400 with what is wrong. */
export function parseBody<S extends z.ZodType>(schema: S, body: unknown): z.output<S> {
  const read = readBy(schema, body);
  if (!read.ok) throw badInput(read.issues);
  return read.value;
}
