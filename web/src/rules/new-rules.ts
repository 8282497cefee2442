import type { Clause, Duty, PlaceRules } from '@apple-cart/core';

/** An id made from a name, unlike all that are taken. */
export function freshPlaceId(name: string, taken: readonly string[]): string {
  const base =
    name
      .normalize('NFD')
      .replaceAll(/\p{M}/gu, '')
      .replaceAll(/[^a-zA-Z0-9]+/g, '-')
      .toLowerCase()
      .replaceAll(/^-+|-+$/g, '')
      .slice(0, 34) || 'place';
  let id = base;
  for (let n = 2; taken.includes(id); n += 1) id = `${base}-${String(n)}`;
  return id;
}

/** Rules for a place of one's own, begun from those of another. */
export const rulesFrom = (from: PlaceRules, id: string, name: string, year: number): PlaceRules => ({
  ...from,
  id,
  name,
  shortName: name.slice(0, 30),
  region: 'Own',
  readYear: year,
  provenance: `Entered by the user of this rule book, begun from the rules of ${from.name}: check before relying on it.`,
  ask: false,
});

/** A clause of a kind, to be filled in; what two kinds share is kept. */
export function clauseOfKind(kind: Clause['kind'], from: Clause): Clause {
  const { id, title, source, certainty, year, note } = from;
  const base = {
    id,
    title,
    source,
    certainty,
    ...(year === undefined ? {} : { year }),
    ...(note === undefined ? {} : { note }),
  };
  switch (kind) {
    case 'number':
      return { ...base, kind, fact: 'assistEndKmh', op: '<=', limit: 25, unit: 'km/h' };
    case 'answer':
      return { ...base, kind, fact: 'operablePedals', wanted: 'yes' };
    case 'one-of':
      return { ...base, kind, fact: 'wheelCount', allowed: [2, 3] };
    case 'curve':
      return {
        ...base,
        kind,
        fact: 'assistRatio',
        corners: [
          { kmh: 0, ratio: 2 },
          { kmh: 10, ratio: 2 },
          { kmh: 24, ratio: 0 },
        ],
      };
    case 'open':
      return { ...base, kind };
  }
}

/** A clause to begin with, under an id that its category does not have yet. */
export function newClause(taken: readonly string[]): Clause {
  let n = taken.length + 1;
  while (taken.includes(`clause-${String(n)}`)) n += 1;
  return {
    id: `clause-${String(n)}`,
    kind: 'number',
    title: 'Help ends',
    fact: 'assistEndKmh',
    op: '<=',
    limit: 25,
    unit: 'km/h',
    source: '',
    certainty: 'medium',
  };
}

export const newDuty = (): Duty => ({
  kind: 'other',
  title: 'Also',
  text: '',
  asked: 'yes',
  certainty: 'medium',
});

/** What a form leaves empty is left out: an optional text is there or it is not. */
export function withoutEmpty(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withoutEmpty);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(
        ([key, inner]) =>
          inner !== undefined && !(inner === '' && OPTIONAL.includes(key)) && !Number.isNaN(inner),
      )
      .map(([key, inner]) => [key, withoutEmpty(inner)]),
  );
}
const OPTIONAL: readonly string[] = ['note', 'year', 'caution', 'statusNote', 'approvalNote'];

const lists = (value: unknown, ...keys: readonly string[]): boolean =>
  typeof value === 'object' &&
  value !== null &&
  keys.every((key) => Array.isArray((value as Record<string, unknown>)[key]));

/** True where the form has something to stand on: the lists it shows are lists. What is in them may still be wrong. */
export const formShaped = (value: unknown): value is PlaceRules =>
  lists(value, 'tests') &&
  (value as { tests: unknown[] }).tests.every(
    (test) =>
      lists(test, 'categories') &&
      typeof (test as { otherwise?: unknown }).otherwise === 'object' &&
      (test as { categories: unknown[] }).categories.every((c) => lists(c, 'clauses', 'duties')),
  );
