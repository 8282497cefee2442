import { describe, expect, it } from 'vitest';
import { readRules, shippedRules, type Clause, type PlaceRules } from '@apple-cart/core';
import {
  clauseOfKind,
  formShaped,
  freshPlaceId,
  newClause,
  newDuty,
  rulesFrom,
  withoutEmpty,
} from './new-rules.ts';

const gb = shippedRules().find((p) => p.id === 'gb') as PlaceRules;

describe('a place of one’s own', () => {
  it('gets an id from its name, unlike those that are taken', () => {
    expect(freshPlaceId('Harrow Wold', [])).toBe('harrow-wold');
    expect(freshPlaceId('Harrow Wold', ['harrow-wold', 'harrow-wold-2'])).toBe('harrow-wold-3');
    expect(freshPlaceId('Évreux, le bois', [])).toBe('evreux-le-bois');
    expect(freshPlaceId('…', [])).toBe('place');
  });

  it('begun from any shipped place is a valid file that does not claim another’s memory', () => {
    for (const base of shippedRules()) {
      const own = rulesFrom(base, 'harrow-wold', 'Harrow Wold', 2026);
      expect(readRules(own).ok, base.id).toBe(true);
      expect(own).toMatchObject({ region: 'Own', readYear: 2026, name: 'Harrow Wold' });
      expect(own.provenance).toContain(base.name);
    }
  });
});

describe('a clause in the form', () => {
  const kinds: readonly Clause['kind'][] = ['number', 'answer', 'one-of', 'curve', 'open'];

  it('changed to any kind is valid and keeps what the kinds share', () => {
    const first = gb.tests[0]?.categories[0]?.clauses[0] as Clause;
    for (const kind of kinds) {
      const next = clauseOfKind(kind, first);
      expect(next).toMatchObject({
        kind,
        title: first.title,
        source: first.source,
        certainty: first.certainty,
      });
      const rules = structuredClone(gb);
      const list = rules.tests[0]?.categories[0]?.clauses;
      list?.splice(0, 1, next);
      expect(readRules(rules).ok, kind).toBe(true);
    }
  });

  it('that is new has an id of its own, and asks for its source before it can be kept', () => {
    expect(newClause(['clause-3', 'a']).id).toBe('clause-4');
    const rules = structuredClone(gb);
    rules.tests[0]?.categories[0]?.clauses.push(newClause(['power']));
    const read = readRules(rules);
    expect(read.ok ? [] : read.issues.map((i) => i.path)).toEqual([
      `tests.0.categories.0.clauses.${String(gb.tests[0]?.categories[0]?.clauses.length ?? 0)}.source`,
    ]);
  });

  it('left empty where it may be is left out, and nothing else is', () => {
    expect(
      withoutEmpty({ note: '', year: '', changing: '', limit: Number.NaN, list: [{ caution: '', id: 'x' }] }),
    ).toEqual({
      changing: '',
      list: [{ id: 'x' }],
    });
    expect(withoutEmpty({ duty: newDuty() })).toEqual({ duty: newDuty() });
  });

  it('goes through a form’s cleaning unchanged, for every shipped file', () => {
    for (const p of shippedRules()) expect(withoutEmpty(JSON.parse(JSON.stringify(p)))).toEqual(p);
  });
});

describe('what the form can show', () => {
  it('is every shipped file, and one with wrong values in it', () => {
    for (const p of shippedRules()) expect(formShaped(p), p.id).toBe(true);
    expect(formShaped({ ...gb, readYear: 'lately', name: 3 })).toBe(true);
  });

  it('is nothing without its lists: that stays text', () => {
    for (const value of [
      null,
      3,
      [],
      {},
      { tests: 3 },
      { tests: [{}] },
      { tests: [{ categories: [{}], otherwise: {} }] },
    ])
      expect(formShaped(value), JSON.stringify(value)).toBe(false);
  });
});
