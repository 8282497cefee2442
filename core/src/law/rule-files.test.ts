import { describe, expect, it } from 'vitest';
import { describeIssue } from '../quantity/result.ts';
import { CYCLE } from '../test/law-facts.ts';
import { labelLines, labelledCategory } from './label.ts';
import { judgePlace, unknownPlace } from './judge.ts';
import { readRules, readRulesText } from './read-rules.ts';
import type { PlaceRules } from './rule-schema.ts';
import { shippedRules } from './rules.ts';

const book = shippedRules();
const place = (id: string): PlaceRules => {
  const found = book.find((p) => p.id === id);
  if (found === undefined) throw new Error(id);
  return found;
};
const judge = (id: string, change: Partial<typeof CYCLE> = {}) =>
  judgePlace(place(id), [{ profile: '', facts: { ...CYCLE, ...change } }], book);

/** A deep copy whose parts may be spoiled. */
const copy = (id: string) => JSON.parse(JSON.stringify(place(id))) as Record<string, unknown>;
const clauseOf = (rules: Record<string, unknown>): Record<string, unknown> => {
  const tests = rules['tests'] as { categories: { clauses: Record<string, unknown>[] }[] }[];
  const found = tests[0]?.categories[0]?.clauses[0];
  if (found === undefined) throw new Error('no clause');
  return found;
};
const paths = (rules: unknown): readonly string[] => {
  const read = readRules(rules);
  return read.ok ? [] : read.issues.map((i) => i.path);
};

describe('the shipped book', () => {
  it('has forty places, each once, that only name places it has', () => {
    expect(book).toHaveLength(40);
    const ids = book.map((p) => p.id);
    expect(new Set(ids).size).toBe(40);
    for (const p of book) for (const id of p.also) expect(ids, p.id).toContain(id);
  });

  it('has source, year and certainty for every limit and certainty for every duty', () => {
    for (const p of book)
      for (const t of p.tests)
        for (const c of t.categories) {
          for (const l of c.clauses) {
            expect(l.source.length, `${c.id} ${l.id}`).toBeGreaterThan(3);
            expect(l.year ?? c.year, c.id).toMatch(/\d{4}/);
            expect(['high', 'medium', 'low']).toContain(l.certainty);
          }
          for (const d of c.duties) {
            expect(d.text, `${c.id} ${d.title}`).not.toBe('');
            expect(['high', 'medium', 'low']).toContain(d.certainty);
          }
          if (c.approval !== 'none') expect(c.approvalNote, c.id).toBeTruthy();
          if (c.status !== 'current') expect(c.statusNote, c.id).toBeTruthy();
        }
  });

  it('says of every place that it was written from memory, and how far that reaches', () => {
    for (const p of book) {
      expect(p.provenance).toMatch(/from memory/);
      expect(p.readYear).toBe(2025);
    }
  });

  it('reads back what it writes', () => {
    for (const p of book) expect(readRulesText(JSON.stringify(p))).toEqual({ ok: true, value: p });
  });
});

describe('a file that is wrong', () => {
  it('is refused at its path: a limit that is no number, a source that is missing, an unknown fact', () => {
    const rules = copy('gb');
    Object.assign(clauseOf(rules), { limit: 'plenty', fact: 'colour' });
    delete clauseOf(rules)['source'];
    expect(paths(rules).toSorted()).toEqual(
      ['fact', 'limit', 'source'].map((k) => `tests.0.categories.0.clauses.0.${k}`),
    );
  });

  it('is refused for a kind of clause that there is not, and says which key', () => {
    const rules = copy('gb');
    clauseOf(rules)['kind'] = 'poem';
    const read = readRules(rules);
    expect(read.ok ? [] : read.issues.map(describeIssue)).toEqual([
      'tests.0.categories.0.clauses.0.kind: wanted a known kind, found "poem".',
    ]);
  });

  it('is refused for keys nobody knows, ids that come twice and a main test that is not there', () => {
    expect(paths({ ...place('gb'), colour: 'red' })).toEqual(['colour']);
    expect(paths({ ...place('gb'), primaryTest: 'other' })).toEqual(['primaryTest']);
    expect(paths({ ...place('de'), also: ['de'] })).toEqual(['also']);
    expect(paths({ ...place('gb'), tests: [] })).toContain('tests');
    const twice = place('gb');
    expect(paths({ ...twice, tests: [...twice.tests, ...twice.tests] })).toEqual(['tests']);
  });

  it('is refused for a curve that goes backwards', () => {
    const rules = copy('jp');
    clauseOf(rules)['corners'] = [
      { kmh: 10, ratio: 2 },
      { kmh: 5, ratio: 0 },
    ];
    expect(paths(rules)).toEqual(['tests.0.categories.0.clauses.0.corners']);
  });

  it('that breaks off says so as JSON', () => {
    const read = readRulesText('{"format": "apple-cart-rules",');
    expect(read.ok ? '' : read.issues[0]?.code).toBe('json');
    expect(readRules(null).ok).toBe(false);
    expect(readRules([]).ok).toBe(false);
  });
});

describe('a place that the book does not have', () => {
  it('cannot be told, and says why', () => {
    const verdict = judgePlace(unknownPlace('atlantis'), [{ profile: '', facts: CYCLE }], book);
    expect(verdict).toMatchObject({ outcome: 'cannot-tell', className: 'No rules', tests: [] });
    expect(verdict.place.provenance).toContain('atlantis');
  });

  it('or that names one it does not have, is never told inside', () => {
    const lost = { ...place('gb'), id: 'lost', also: ['nowhere'] };
    expect(judgePlace(lost, [{ profile: '', facts: CYCLE }], book).outcome).toBe('cannot-tell');
  });
});

describe('places that name others', () => {
  it('are judged by those as well: a state by federal law, a member by the union', () => {
    expect(judge('us-ca').tests.map((t) => t.test.id)).toEqual(['us-ca-class', 'us-fed-class']);
    expect(judge('de').tests.map((t) => t.test.id)).toEqual(['eu-class']);
    expect(
      judge('pl', { nominalV: { kind: 'number', low: 52, high: 52, source: 'label', how: '' } }).outcome,
    ).toBe('outside');
    expect(
      judge('eu', { nominalV: { kind: 'number', low: 52, high: 52, source: 'label', how: '' } }).outcome,
    ).toBe('inside');
  });

  it('add their own duties to the classes they are about', () => {
    const plates = (id: string, kmh: number) =>
      judge(id, {
        assistEndKmh: { kind: 'number', low: kmh, high: kmh, source: 'label', how: '' },
      }).duties.filter((d) => d.text.includes('nsurance plate'));
    expect(plates('de', 45).length).toBeGreaterThan(0);
    expect(plates('de', 25)).toHaveLength(0);
  });
});

describe('the label', () => {
  it('says class, speed and watts in the words of the place', () => {
    const lines = (id: string, permitted?: number) => {
      const category = labelledCategory(judge(id));
      return category === undefined ? undefined : labelLines(category, CYCLE, permitted);
    };
    expect(lines('us')).toEqual(['CLASS 1', '15.5 mph', '250 W']);
    expect(lines('gb')).toEqual(['Rated power 250 W', 'Maximum speed 15.5 mph']);
    expect(lines('eu', 140)).toEqual([
      'EPAC',
      '24.9 km/h',
      '0.25 kW',
      'Permissible total mass 140 kg',
      'Maker and year: ________',
    ]);
    expect(lines('eu')?.[3]).toBe('Permissible total mass ______ kg');
    expect(lines('nz')).toBeUndefined();
  });

  it('is printed where only the label itself is missing, and never for a class the machine is not in', () => {
    const no = { kind: 'answer' as const, answer: 'no' as const, how: '' };
    expect(judge('gb', { classLabel: no }).outcome).toBe('check');
    expect(labelledCategory(judge('gb', { classLabel: no }))?.id).toBe('UK-EAPC');
    const fast = { kind: 'number' as const, low: 45, high: 45, source: 'label' as const, how: '' };
    expect(labelledCategory(judge('gb', { classLabel: no, assistEndKmh: fast }))).toBeUndefined();
    // A faster class of the same place is another label.
    expect(labelledCategory(judge('us', { assistEndKmh: fast }))?.id).toBe('US-MODEL-3');
  });
});
