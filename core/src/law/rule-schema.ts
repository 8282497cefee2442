import * as z from 'zod';
import { placeId } from '../build/choices.ts';

/** How sure we are of a remembered value. */
export const certainty = z.enum(['high', 'medium', 'low']);
export type Certainty = z.infer<typeof certainty>;

const base = {
  id: z.string(),
  title: z.string(),
  /** Where in the instrument. */
  source: z.string(),
  certainty,
  note: z.string().optional(),
};

/** Facts that are numbers, in the unit the key names. */
export const NUMBER_FACTS = [
  'ratedPowerW',
  'assistEndKmh',
  'motorAloneKmh',
  'throttleAloneKmh',
  'wheelCount',
] as const;
/** Facts that are yes or no. */
export const ANSWER_FACTS = [
  'operablePedals',
  'motorStopsWithPedals',
  'helpFades',
  'throttle',
  'speedometer',
  'classLabel',
] as const;

const numberClause = z.strictObject({
  ...base,
  kind: z.literal('number'),
  fact: z.enum(NUMBER_FACTS),
  op: z.enum(['<', '<=', '>=']),
  limit: z.number(),
  unit: z.enum(['W', 'km/h', 'mph', '1']),
  /** Values past this still pass, with `caution` said; in the clause's unit. */
  cautionFrom: z.number().optional(),
  /** Values up to this are accepted in practice although past the letter, with `caution` said. */
  toleratedTo: z.number().optional(),
  caution: z.string().optional(),
});

const oneOfClause = z.strictObject({
  ...base,
  kind: z.literal('one-of'),
  fact: z.literal('wheelCount'),
  allowed: z.array(z.number()),
});

const answerClause = z.strictObject({
  ...base,
  kind: z.literal('answer'),
  fact: z.enum(ANSWER_FACTS),
  wanted: z.enum(['yes', 'no']),
});

export const clause = z.discriminatedUnion('kind', [numberClause, oneOfClause, answerClause]);
export type Clause = z.infer<typeof clause>;
export type NumberClause = z.infer<typeof numberClause>;

const duty = z.strictObject({ title: z.string(), text: z.string(), certainty });

const category = z.strictObject({
  id: z.string(),
  name: z.string(),
  shortName: z.string(),
  instrument: z.string(),
  year: z.string(),
  status: z.enum(['current', 'repealed', 'future']),
  /** True where the numbers alone are not enough: the vehicle needs an authority's approval first. */
  approvalRequired: z.boolean(),
  approvalNote: z.string().optional(),
  clauses: z.array(clause).min(1),
  duties: z.array(duty),
});
export type Category = z.infer<typeof category>;

const test = z.strictObject({
  id: z.string(),
  question: z.string(),
  /** From the class of fewest duties to the most. */
  categories: z.array(category).min(1),
  otherwise: z.strictObject({ name: z.string(), shortName: z.string(), note: z.string() }),
});
export type LawTest = z.infer<typeof test>;

export const placeRules = z.strictObject({
  id: placeId,
  name: z.string(),
  shortName: z.string(),
  /** The year up to which the writer's memory of these rules reaches. */
  readYear: z.number().int(),
  provenance: z.string(),
  changing: z.string(),
  /** The test whose class is shown first. */
  primaryTest: z.string(),
  tests: z.array(test).min(1),
});
export type PlaceRules = z.infer<typeof placeRules>;
