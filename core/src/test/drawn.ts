import * as fc from 'fast-check';
import * as z from 'zod';

/** What is used of a JSON Schema (2020-12) as Zod writes it. */
interface Schema {
  readonly type?: string | undefined;
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly anyOf?: readonly Schema[];
  readonly oneOf?: readonly Schema[];
  readonly allOf?: readonly Schema[];
  readonly $ref?: string;
  readonly $defs?: Readonly<Record<string, Schema>>;
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
  readonly items?: Schema;
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly minLength?: number;
  readonly maxLength?: number;
  readonly pattern?: string;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly exclusiveMinimum?: number;
  readonly exclusiveMaximum?: number;
}

/** Lists are drawn no longer than this, so that a document stays of a size that a person would make. */
const LONGEST_LIST = 6;

/** Numbers of a span, its ends and round values among them, since faults live there. */
function numbers(s: Schema): fc.Arbitrary<number> {
  const whole = s.type === 'integer';
  const low = s.minimum ?? s.exclusiveMinimum ?? -1e6;
  const high = s.maximum ?? s.exclusiveMaximum ?? 1e6;
  const [open, shut] = [s.exclusiveMinimum === low, s.exclusiveMaximum === high];
  if (whole) return fc.integer({ min: Math.ceil(low), max: Math.floor(Math.min(high, 2 ** 31 - 1)) });
  const ends = [low, high, 0, 1].filter((x) => (open ? x > low : x >= low) && (shut ? x < high : x <= high));
  const between = fc.double({ min: low, max: high, minExcluded: open, maxExcluded: shut, noNaN: true });
  // Most doubles are next to nothing: even steps through the span are what people type.
  const steps = fc
    .integer({ min: open ? 1 : 0, max: shut ? 999 : 1000 })
    .map((n) => low + ((high - low) * n) / 1000);
  const all: [fc.WeightedArbitrary<number>, ...fc.WeightedArbitrary<number>[]] = [
    { weight: 4, arbitrary: steps },
    { weight: 1, arbitrary: between },
  ];
  if (ends.length > 0) all.push({ weight: 1, arbitrary: fc.constantFrom(...ends) });
  return fc.oneof(...all);
}

function texts({ pattern, minLength = 0, maxLength = 30 }: Schema): fc.Arbitrary<string> {
  if (pattern !== undefined) return fc.stringMatching(new RegExp(pattern));
  const shape = { minLength, maxLength: Math.max(minLength, Math.min(maxLength, 30)) };
  return fc
    .oneof(
      fc.string({ ...shape, unit: 'grapheme' }),
      fc.string(shape),
      fc.constant('=1+1'),
      fc.constant("'x"),
    )
    .filter((t) => t.length >= minLength && t.length <= maxLength);
}

function from(s: Schema, defs: Readonly<Record<string, Schema>>): fc.Arbitrary<unknown> {
  if (s.$ref !== undefined) return from(defs[s.$ref.replace('#/$defs/', '')] ?? {}, defs);
  if ('const' in s) return fc.constant(s.const);
  if (s.enum !== undefined) return fc.constantFrom(...s.enum);
  const choices = s.anyOf ?? s.oneOf;
  if (choices !== undefined) return fc.oneof(...choices.map((c) => from(c, defs)));
  if (s.allOf !== undefined)
    return fc.tuple(...s.allOf.map((c) => from(c, defs))).map((all) => Object.assign({}, ...all) as unknown);
  switch (s.type) {
    case 'object': {
      const entries = Object.entries(s.properties ?? {});
      return fc.record(Object.fromEntries(entries.map(([key, inner]) => [key, from(inner, defs)])), {
        requiredKeys: [...(s.required ?? [])],
      });
    }
    case 'array':
      return fc.array(from(s.items ?? {}, defs), {
        minLength: s.minItems ?? 0,
        maxLength: Math.max(s.minItems ?? 0, Math.min(s.maxItems ?? LONGEST_LIST, LONGEST_LIST)),
      });
    case 'string':
      return texts(s);
    case 'number':
    case 'integer':
      return numbers(s);
    case 'boolean':
      return fc.boolean();
    case 'null':
      return fc.constant(null);
    case undefined:
    default:
      return fc.jsonValue();
  }
}

/** Draws data over the whole of a schema, as it may come in; what only a refinement refuses is left out. */
export function drawn<S extends z.ZodType>(schema: S): fc.Arbitrary<z.input<S>> {
  const json = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Schema;
  return from(json, json.$defs ?? {}).filter((data) => schema.safeParse(data).success) as fc.Arbitrary<
    z.input<S>
  >;
}
