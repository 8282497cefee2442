import * as z from 'zod';
import type { PlaceRules } from '@apple-cart/core';
import { listAnswer, saved } from './documents.ts';

/** The rules of a place as they are in force, and who wrote them; version 0 for rules that nobody has changed. */
export const listedRules = z.object({
  ...saved.shape,
  document: z.custom<PlaceRules>(),
  origin: z.enum(['shipped', 'corrected', 'own']),
});
export type ListedRules = z.infer<typeof listedRules>;

export const ruleBookAnswer = listAnswer(listedRules);
