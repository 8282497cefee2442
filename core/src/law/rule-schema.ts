import * as z from 'zod';
import { placeId } from '../document/choices.ts';
import {
  ANSWER_FACT_NAMES,
  DUTY_FITTINGS,
  DUTY_KINDS,
  LIMIT_UNITS,
  NUMBER_FACT_NAMES,
  REGIONS,
  RULES_FORMAT,
} from './fact-names.ts';

/** How sure we are of a remembered value. */
const certainty = z.enum(['high', 'medium', 'low']);
export type Certainty = z.infer<typeof certainty>;

const words = z.string().trim().min(1).max(300);
const longWords = z.string().max(800);

const base = {
  id: z.string().regex(/^[a-z0-9-]{1,40}$/, 'small letters, digits and hyphens'),
  title: words,
  /** Where in the instrument. */
  source: words,
  /** Only where it differs from the category's. */
  year: z.string().min(4).max(40).optional(),
  certainty,
  note: longWords.optional(),
  /** Looked up and corrected by whoever uses the book: the day, and what they noted. */
  corrected: z.strictObject({ on: z.iso.date(), note: longWords }).optional(),
};

const numberClause = z.strictObject({
  ...base,
  kind: z.literal('number'),
  fact: z.enum(NUMBER_FACT_NAMES),
  op: z.enum(['<', '<=', '>', '>=']),
  limit: z.number().min(0).max(100_000),
  unit: z.enum(LIMIT_UNITS),
  /** Values past this still pass, with `caution` said; in the clause's unit. */
  cautionFrom: z.number().optional(),
  /** Values up to this are accepted in practice although past the letter, with `caution` said. */
  toleratedTo: z.number().optional(),
  caution: words.optional(),
  /** True where readings of the text differ: past the limit is a question then, not a breach. */
  unsettled: z.literal(true).optional(),
});

const oneOfClause = z.strictObject({
  ...base,
  kind: z.literal('one-of'),
  fact: z.literal('wheelCount'),
  allowed: z.array(z.number().int().min(1).max(8)).min(1).max(8),
});

const answerClause = z.strictObject({
  ...base,
  kind: z.literal('answer'),
  fact: z.enum(ANSWER_FACT_NAMES),
  wanted: z.enum(['yes', 'no']),
});

/** Most motor force per rider force at every speed, straight lines between corners; above the last one none. */
const curveClause = z.strictObject({
  ...base,
  kind: z.literal('curve'),
  fact: z.literal('assistRatio'),
  corners: z
    .array(z.strictObject({ kmh: z.number().min(0).max(100), ratio: z.number().min(0).max(20) }))
    .min(2)
    .max(40)
    .refine((list) => list.every((c, i) => i === 0 || c.kmh > (list[i - 1]?.kmh ?? 0)), {
      message: 'corners in rising speed',
    }),
});

/** A limit there may be that is not remembered: never passes, never breaks. */
const openClause = z.strictObject({ ...base, kind: z.literal('open') });

const clause = z.discriminatedUnion('kind', [
  numberClause,
  oneOfClause,
  answerClause,
  curveClause,
  openClause,
]);
export type Clause = z.infer<typeof clause>;
export type NumberClause = z.infer<typeof numberClause>;
export type CurveClause = z.infer<typeof curveClause>;

const duty = z.strictObject({
  kind: z.enum(DUTY_KINDS),
  title: words,
  text: longWords,
  /** Whether it is asked: `varies` by place or person, `unknown` is not remembered. */
  asked: z.enum(['yes', 'no', 'varies', 'unknown']),
  certainty,
  /** Of an age: the least, in years. */
  years: z.number().int().min(1).max(100).optional(),
  /** Answered by the build where it can be. */
  fact: z.enum(ANSWER_FACT_NAMES).optional(),
  /** What it wants on the machine, where that is another thing than lamps of a duty of lighting and a label of a duty of labelling. */
  fits: z.array(z.enum(DUTY_FITTINGS)).max(6).optional(),
});
export type DutyFitting = (typeof DUTY_FITTINGS)[number];
export type Duty = z.infer<typeof duty>;

/** A plate's lines; names in braces are filled in from the build: see `LabelWords`. */
const label = z.strictObject({
  lines: z.array(z.string().trim().min(1).max(80)).min(1).max(8),
  note: longWords,
  certainty,
});

const category = z.strictObject({
  id: z.string().regex(/^[A-Za-z0-9-]{1,40}$/, 'letters, digits and hyphens'),
  name: words,
  shortName: z.string().trim().min(1).max(40),
  instrument: words,
  year: z.string().min(4).max(60),
  status: z.enum(['current', 'changing', 'superseded', 'repealed', 'future']),
  statusNote: longWords.optional(),
  /** `required`: the numbers alone are not enough. `closed`: a machine built by oneself cannot be approved. */
  approval: z.enum(['none', 'required', 'closed']),
  approvalNote: longWords.optional(),
  /** How the instrument defines the power it limits. */
  powerBasis: z.strictObject({ text: longWords, certainty }).optional(),
  clauses: z.array(clause).min(1).max(60),
  /** What it leaves free: nothing is asked of these. */
  silent: z
    .array(z.strictObject({ title: words, note: longWords.optional(), certainty }))
    .max(60)
    .optional(),
  duties: z.array(duty).max(60),
  label: label.optional(),
});
export type Category = z.infer<typeof category>;

const test = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,40}$/, 'small letters, digits and hyphens'),
  question: words,
  /** Whether it is asked of who rides it, or of who sells it: product law says nothing of riding. */
  about: z.enum(['riding', 'sale']).default('riding'),
  /** From the class of fewest duties to the most. */
  categories: z.array(category).min(1).max(40),
  otherwise: z.strictObject({ name: words, shortName: z.string().trim().min(1).max(40), note: longWords }),
});
export type LawTest = z.infer<typeof test>;

/** True where no id is given twice. */
const once = (ids: readonly string[]): boolean => new Set(ids).size === ids.length;

/** The rules of one place: one file, whoever wrote it. */
export const placeRules = z
  .strictObject({
    format: z.literal(RULES_FORMAT),
    formatVersion: z.literal(1),
    id: placeId,
    name: words,
    shortName: z.string().trim().min(1).max(30),
    region: z.enum(REGIONS),
    /** What to know before reading the rules. */
    intro: longWords,
    /** The year up to which the writer's memory of these rules reaches, or in which they were read. */
    readYear: z.number().int().min(1900).max(2100),
    /** The day somebody last looked at the whole of them. */
    readOn: z.iso.date().optional(),
    provenance: words,
    changing: longWords,
    /** True where too little is known to judge: the authority has to be asked. */
    ask: z.boolean(),
    /** Ids of places whose tests count here too, such as a federation's. */
    also: z.array(placeId).max(4),
    /** The test whose class is shown first; of this file or of one in `also`. */
    primaryTest: z.string().max(40),
    tests: z.array(test).max(20),
    /** Duties that this place adds to categories of the places in `also`; empty list: to every one. */
    duties: z.array(z.strictObject({ categories: z.array(z.string().max(40)).max(40), duty })).max(60),
  })
  .refine((p) => p.tests.length > 0 || p.also.length > 0, {
    path: ['tests'],
    message: 'a test of its own, or another place in "also"',
  })
  .refine((p) => p.also.length > 0 || p.tests.some((t) => t.id === p.primaryTest), {
    path: ['primaryTest'],
    message: 'the id of one of its tests',
  })
  .refine((p) => !p.also.includes(p.id), { path: ['also'], message: 'other places than itself' })
  .refine((p) => once(p.tests.flatMap((t) => t.categories.map((c) => c.id))), {
    path: ['tests'],
    message: 'every category id only once',
  })
  .refine((p) => p.tests.every((t) => t.categories.every((c) => once(c.clauses.map((l) => l.id)))), {
    path: ['tests'],
    message: 'every clause id only once in its category',
  });
export type PlaceRules = z.infer<typeof placeRules>;

/** All places that can be judged, by name; the one book of rules in force. */
export type RuleBook = readonly PlaceRules[];
