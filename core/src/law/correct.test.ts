import { describe, expect, it } from 'vitest';
import { CYCLE, number } from '../test/law-facts.ts';
import { correctedIn, isStale, lookedAt, rulesOfClause, withCorrection } from './correct.ts';
import { judgePlace } from './judge.ts';
import { placeRules } from './rule-schema.ts';
import { shippedRules } from './rules.ts';

const gb = () => {
  const place = shippedRules().find((p) => p.id === 'gb');
  if (place === undefined) throw new Error('gb');
  return place;
};
const FOUND = {
  limit: 500,
  source: 'SI 2026/1 reg. 4',
  on: '2026-11-27',
  note: 'read at the library',
} as const;

describe('a rule that has changed', () => {
  it('is corrected in place, judged by, and marks what rests on it', () => {
    const rules = withCorrection(gb(), 'UK-EAPC', 'power', FOUND);
    expect(placeRules.safeParse(rules).success).toBe(true);
    const judged = (watts: number) =>
      judgePlace(rules, [{ profile: '', facts: { ...CYCLE, ratedPowerW: number(watts) } }], [rules]);
    expect(judged(500).outcome).toBe('inside');
    expect(judged(501).outcome).toBe('outside');
    expect(correctedIn(judged(500)).map((c) => c.clause.id)).toEqual(['power']);
    expect(correctedIn(judgePlace(gb(), [{ profile: '', facts: CYCLE }], [gb()]))).toEqual([]);
  });

  it('is the same where there is no such clause, and keeps its limit where only the source moved', () => {
    expect(withCorrection(gb(), 'UK-EAPC', 'no-such', FOUND)).toEqual(gb());
    const moved = withCorrection(gb(), 'UK-EAPC', 'power', { ...FOUND, limit: undefined });
    const clause = moved.tests[0]?.categories[0]?.clauses.find((c) => c.id === 'power');
    expect(clause).toMatchObject({ limit: 250, source: 'SI 2026/1 reg. 4', certainty: 'high' });
  });
});

describe('where a clause stands', () => {
  it('is the place it is read in, not another that was begun from its rules', () => {
    const copy = { ...gb(), id: 'harrow-wold' };
    const listed = [gb(), copy].map((document) => ({ document }));
    expect(rulesOfClause(listed, copy, 'UK-EAPC')?.document.id).toBe('harrow-wold');
    expect(rulesOfClause(listed, gb(), 'UK-EAPC')?.document.id).toBe('gb');
    const book = shippedRules().map((document) => ({ document }));
    const california = shippedRules().find((p) => p.id === 'us-ca');
    if (california === undefined) throw new Error('us-ca');
    expect(rulesOfClause(book, california, 'US-FED-LSEB')?.document.id).toBe('us-fed');
    expect(rulesOfClause(book, gb(), 'US-CA-1')).toBeUndefined();
  });
});

describe('rules that nobody looks at', () => {
  it('are old after two years, from the day noted or the end of the year they are remembered to', () => {
    const rules = { ...gb(), readYear: 2025 };
    expect(lookedAt(rules)).toBe('2025-12-31');
    expect(isStale(rules, '2027-12-31')).toBe(false);
    expect(isStale(rules, '2028-01-01')).toBe(true);
    expect(isStale({ ...rules, readOn: '2027-06-01' }, '2028-01-01')).toBe(false);
  });
});
