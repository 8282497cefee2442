import { describe, expect, it } from 'vitest';
import { sample } from '../test/sample.ts';
import { shippedRules } from '../law/rules.ts';
import type { Sourced } from '../document/quantity-spec.ts';
import { evaluate } from './evaluate.ts';
import { riderChecks } from './rider-checks.ts';

const book = shippedRules();
const measured = (value: number): Sourced => ({ source: 'measured', value });
/** A cycle in Great Britain: its rider has to be fourteen (Road Traffic Act 1988 s.32). */
const ages = (massKg: number, years: Sourced = { source: 'unknown' }) => {
  const build = sample();
  const brief = { ...build.brief, place: 'gb', riderMassKg: measured(massKg), riderAgeYears: years };
  return riderChecks(evaluate({ ...build, brief }, book).study).map((c) => c.state);
};

describe('the rider’s age', () => {
  it('is asked of one as light as a child, and of nobody else', () => {
    expect(ages(38)).toEqual(['unknown']);
    expect(ages(80)).toEqual([]);
  });

  it('is held against the least age of the class', () => {
    expect(ages(38, measured(12))).toEqual(['stop']);
    expect(ages(38, measured(14))).toEqual(['fine']);
    expect(ages(80, measured(30))).toEqual(['fine']);
  });
});
