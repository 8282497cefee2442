/* oxlint-disable typescript/restrict-template-expressions --
   A form's path carries the type of its index: made into text first, it would name no field. */
import type { FieldPath } from 'react-hook-form';
import type { PlaceRules } from '@apple-cart/core';

export type RulesPath = FieldPath<PlaceRules>;

export const questionAt = (test: number) => `tests.${test}.question` as const;
export const otherwiseAt = (test: number) => `tests.${test}.otherwise` as const;
export const categoryAt = (test: number, category: number) => `tests.${test}.categories.${category}` as const;
export const clausesAt = (test: number, category: number) =>
  `tests.${test}.categories.${category}.clauses` as const;
export const dutiesAt = (test: number, category: number) =>
  `tests.${test}.categories.${category}.duties` as const;
export const clauseAt = (test: number, category: number, clause: number) =>
  `tests.${test}.categories.${category}.clauses.${clause}` as const;
export const dutyAt = (test: number, category: number, duty: number) =>
  `tests.${test}.categories.${category}.duties.${duty}` as const;
export type ClauseAt = ReturnType<typeof clauseAt>;
