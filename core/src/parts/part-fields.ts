import * as z from 'zod';
import { SECTION_SPECS, type SectionPath } from '../document/document.ts';
import { readBy } from '../quantity/zod-issues.ts';
import type { PartType } from '../document/part-types.ts';
import type { Result } from '../quantity/result.ts';
import type { Unit } from '../quantity/units.ts';
import { PART_SCHEMAS, part, type Part } from './part.ts';

/** One value of a part as a form or a column shows it. */
export interface PartField {
  readonly key: string;
  readonly label: string;
  readonly unit: Unit | undefined;
  readonly kind: 'text' | 'number' | 'numbers' | 'words' | 'counts' | 'json' | 'choice' | 'yes-no';
  readonly options: readonly string[];
  /** May be left empty. */
  readonly optional: boolean;
}

/** Labels and units of values that no section of a build has under the same name. */
const OWN: Readonly<Record<string, readonly [string, Unit | undefined]>> = {
  id: ['Id', undefined],
  name: ['Name', undefined],
  maker: ['Maker', undefined],
  price: ['Price', undefined],
  priceTo: ['Price to', undefined],
  currency: ['Currency', undefined],
  leadDays: ['Days to come', undefined],
  brings: ['Comes along in its box', undefined],
  serves: ['For lines', undefined],
  madeForA: ['Made for', 'A'],
  ports: ['Plugs and pins (JSON)', undefined],
  massKg: ['Mass', 'kg'],
  kind: ['Kind', undefined],
  style: ['Style', undefined],
  chemistry: ['Chemistry', undefined],
  freewheel: ['Freewheel inside', undefined],
  commutation: ['Leads', undefined],
  wheelCount: ['Wheels', undefined],
  teeth: ['Teeth', 'T'],
  cogTeeth: ['Cogs', 'T'],
  hubRatios: ['Hub gear, ratios', undefined],
  grip: ['Grip, dry', undefined],
  gripWet: ['Grip, wet', undefined],
  crr: ['Rolling resistance', undefined],
  discMount: ['Disc mount', undefined],
  windingSensor: ['Sensor in the winding', undefined],
  throughAxle: ['For through-axles', undefined],
  frameMaterial: ['Frame', undefined],
  forkMaterial: ['Fork', undefined],
  forkKind: ['Kind of fork', undefined],
  axle: ['Axle', undefined],
  shell: ['Bracket shell', undefined],
  brakeFront: ['Front brake', undefined],
  brakeRear: ['Rear brake', undefined],
  pairBrakes: ['Brakes of wheels side by side', undefined],
  levers: ['Brake levers', undefined],
  round: ['Round', undefined],
  inBody: ['Cells in one body', undefined],
  conductor: ['Conductor', undefined],
};

const SECTIONS: Readonly<Record<PartType, readonly SectionPath[]>> = {
  donor: ['donor'],
  motor: ['drive'],
  ring: ['drive', 'gearing'],
  cogs: ['gearing'],
  tyre: ['donor'],
  pack: ['packs.0'],
  controller: ['controller'],
  cell: ['packs.0.cell'],
  charger: ['packs.0.charger'],
  connector: ['cabling'],
  wire: ['cabling'],
  fitting: [],
  consumable: [],
  tool: [],
};

function named(type: PartType, key: string): readonly [string, Unit | undefined] {
  const own = OWN[key];
  if (own !== undefined) return own;
  for (const section of SECTIONS[type]) {
    const spec = SECTION_SPECS.get(section)?.[key];
    if (spec !== undefined) return [spec.label, spec.unit === '1' ? undefined : spec.unit];
  }
  return [key, undefined];
}

/** What a schema asks for beneath defaults and nulls, and whether there was any. */
function beneath(schema: z.core.$ZodType): { readonly inner: z.core.$ZodType; readonly optional: boolean } {
  if (
    schema instanceof z.ZodOptional ||
    schema instanceof z.ZodNullable ||
    schema instanceof z.ZodDefault ||
    schema instanceof z.ZodPrefault
  )
    return { inner: beneath(schema.unwrap()).inner, optional: true };
  return { inner: schema, optional: false };
}

type Asked = Pick<PartField, 'kind' | 'options'>;

function asked(schema: z.core.$ZodType): Asked {
  if (schema instanceof z.ZodNumber) return { kind: 'number', options: [] };
  if (schema instanceof z.ZodBoolean) return { kind: 'yes-no', options: ['yes', 'no'] };
  if (schema instanceof z.ZodArray)
    return { kind: schema.element instanceof z.ZodString ? 'words' : 'numbers', options: [] };
  if (schema instanceof z.ZodRecord)
    return { kind: schema.valueType instanceof z.ZodObject ? 'json' : 'counts', options: [] };
  if (schema instanceof z.ZodEnum) return { kind: 'choice', options: schema.options.map(String) };
  if (schema instanceof z.ZodUnion) {
    const literals = schema.options.filter((one) => one instanceof z.ZodLiteral);
    return { kind: 'choice', options: literals.flatMap((one) => [...one.values].map(String)) };
  }
  return { kind: 'text', options: [] };
}

function field(type: PartType, key: string, schema: z.core.$ZodType): PartField {
  const { inner, optional } = beneath(schema);
  const [label, unit] = named(type, key);
  return { key, label, unit, optional, ...asked(inner) };
}

/** Every value of a type of part, in the order of its schema; `type` itself is left out. */
export const partFields = (type: PartType): readonly PartField[] =>
  Object.entries<z.core.$ZodType>(PART_SCHEMAS[type].shape)
    .filter(([key]) => key !== 'type')
    .map(([key, schema]) => field(type, key, schema));

const number = (text: string): unknown => {
  const value = Number(text.replace(',', '.'));
  return text !== '' && Number.isFinite(value) ? value : text;
};

/** What is in a box may be said to be nothing: empty is not known. */
const NOTHING = 'nothing';

/** Counts by name in words. */
const countsText = (value: object): string =>
  Object.entries(value)
    .map(([line, count]) => `${line} ${String(count)}`)
    .join(', ') || NOTHING;

const countsOf = (text: string): Record<string, unknown> =>
  text.toLowerCase() === NOTHING
    ? {}
    : Object.fromEntries(
        text
          .split(/[,;]+/)
          .map((one) => one.trim().split(/\s+/))
          .filter(([line]) => line !== undefined && line !== '')
          .map(([line = '', count = '1']) => [line, number(count)]),
      );

/** What a text of JSON says; the text itself where it is none, for the schema to refuse. */
function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return text;
  }
}

/** A part as texts, one a field: the cells of a table or the values of a form. */
export function cellsOf(one: Part): Readonly<Record<string, string>> {
  const values = one as Readonly<Record<string, unknown>>;
  return Object.fromEntries(
    partFields(one.type).map(({ key, kind }) => {
      const value = values[key];
      if (value === null || value === undefined) return [key, ''];
      if (kind === 'yes-no') return [key, value === true ? 'yes' : 'no'];
      if (Array.isArray(value)) return [key, value.join(' ')];
      if (kind === 'counts') return [key, countsText(value)];
      if (kind === 'json') return [key, Object.keys(value).length === 0 ? '' : JSON.stringify(value)];
      return [key, typeof value === 'string' || typeof value === 'number' ? String(value) : ''];
    }),
  );
}

const YES_NO: ReadonlyMap<string, boolean> = new Map([
  ['yes', true],
  ['true', true],
  ['1', true],
  ['no', false],
  ['false', false],
  ['0', false],
]);

function valueOf({ kind, key }: PartField, text: string): unknown {
  switch (kind) {
    case 'number':
      return number(text);
    case 'numbers':
      return text
        .split(/[\s;/]+/)
        .filter((word) => word !== '')
        .map(number);
    case 'words':
      return text.split(/[\s,;]+/).filter((word) => word !== '');
    case 'counts':
      return countsOf(text);
    case 'json':
      return jsonOf(text);
    case 'yes-no':
      return YES_NO.get(text.toLowerCase()) ?? text;
    case 'choice':
      return key === 'wheelCount' ? number(text) : text;
    case 'text':
      return text;
  }
}

/** A part from texts: an empty optional one is not given; a missing or unreadable one is an issue at its key. */
export function partFromCells(type: PartType, cells: Readonly<Record<string, string>>): Result<Part> {
  const data: Record<string, unknown> = { type };
  for (const one of partFields(type)) {
    const text = (cells[one.key] ?? '').trim();
    if (text !== '') data[one.key] = valueOf(one, text);
    else if (one.kind === 'numbers' || one.kind === 'words') data[one.key] = [];
    else if (one.key === 'price') data[one.key] = null;
    else if (one.kind === 'text') data[one.key] = '';
  }
  return readBy(part, data);
}

/** An id from a name: small letters, digits and hyphens, not yet taken. */
export function freshId(type: PartType, name: string, taken: readonly string[]): string {
  const stem = `${type}-${name}`
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 50);
  if (!taken.includes(stem)) return stem;
  let n = 2;
  while (taken.includes(`${stem}-${String(n)}`)) n += 1;
  return `${stem}-${String(n)}`;
}
