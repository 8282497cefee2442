import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Known, KnownSource } from '../document/known-build.ts';
import { formatQuantity } from '../quantity/format.ts';
import { phraseText, qty } from '../quantity/phrase.ts';
import { RUNS } from '../test/sample.ts';
import { asked, measured, told, type Measured } from './check.ts';

const known = (source: KnownSource, value = 10): Known => ({
  path: 'cabling.fuseA',
  label: 'Fuse',
  unit: 'A',
  value,
  source,
  origin: '',
});
const spec = (rest: Partial<Measured> = {}): Measured => ({
  id: 'fuse',
  group: 'leads',
  title: 'Fuse',
  value: 10,
  unit: 'A',
  sense: 'most',
  fine: 20,
  look: 30,
  limit: ['at most 20 A'],
  why: ['Because.'],
  remedy: ['Take another.'],
  origin: 'common practice',
  inputs: [known('measured')],
  ...rest,
});

describe('a check of a number', () => {
  it.each([
    [20, 'fine', 0],
    [20.001, 'look', -0.001],
    [30, 'look', -10],
    [30.001, 'stop', -10.001],
  ] as const)('at most 20, at worst 30: %f is %s', (value, state, margin) => {
    const check = measured(spec({ value }));
    expect(check.state).toBe(state);
    expect(check.margin).toBeCloseTo(margin, 9);
  });

  it.each([
    [20, 'fine', 0],
    [19.999, 'look', -0.001],
    [10, 'look', -10],
    [9.999, 'stop', -10.001],
  ] as const)('at least 20, at worst 10: %f is %s', (value, state, margin) => {
    const check = measured(spec({ value, sense: 'least', fine: 20, look: 10 }));
    expect(check.state).toBe(state);
    expect(check.margin).toBeCloseTo(margin, 9);
  });

  it('with an unknown input is unknown, shows no value, and says what it would be only for ranking', () => {
    const check = measured(spec({ value: 99, inputs: [known('measured'), known('unknown')] }));
    expect(check).toMatchObject({ state: 'unknown', would: 'stop', value: undefined, margin: undefined });
    expect(check.missing).toEqual(['cabling.fuseA']);
  });

  it('with an unanswered choice is unknown too, and names the choice', () => {
    const check = measured(spec({ asked: [asked('fuse or breaker', 'unknown'), asked('metal', 'copper')] }));
    expect(check).toMatchObject({ state: 'unknown', unanswered: ['fuse or breaker'] });
  });

  it('whose limit is worked out from an unknown has no limit to show', () => {
    const check = measured(spec({ limitFrom: [known('unknown')] }));
    expect(phraseText(check.limit)).toBe('not known yet');
  });

  it('that is fine asks for nothing', () => {
    expect(phraseText(measured(spec()).remedy)).toBe('Nothing to do.');
    expect(phraseText(measured(spec({ value: 25 })).remedy)).toBe('Take another.');
  });

  it('says which of its inputs are only assumed', () => {
    expect(measured(spec({ inputs: [known('assumed'), known('label')] })).assumed).toEqual(['cabling.fuseA']);
  });

  it('never gets better as its value gets worse', () => {
    const order = ['fine', 'look', 'stop'];
    const number = fc.double({ min: -100, max: 100, noNaN: true });
    fc.assert(
      fc.property(number, fc.double({ min: 0, max: 50, noNaN: true }), (value, worse) => {
        const state = (v: number): number => order.indexOf(measured(spec({ value: v })).state);
        expect(state(value + worse)).toBeGreaterThanOrEqual(state(value));
      }),
      RUNS,
    );
  });
});

describe('a check of a fact', () => {
  const fact = { ...spec(), state: 'look' as const, words: 'bare plug' };
  it('has words in place of a value', () => {
    expect(told(fact)).toMatchObject({ state: 'look', words: 'bare plug', value: undefined });
  });

  it('is unknown until everything is known, and then has no words', () => {
    expect(told({ ...fact, inputs: [known('unknown')] })).toMatchObject({
      state: 'unknown',
      words: undefined,
    });
    expect(told({ ...fact, state: 'fine', asked: [asked('plug', 'unknown')] }).state).toBe('unknown');
  });
});

describe('a miss by a hair', () => {
  const missed = (unit: Measured['unit'], value: number, fine: number, sense: Measured['sense'] = 'most') =>
    measured({
      ...spec({ unit, value, fine, look: sense === 'most' ? 1e6 : -1e6 }),
      sense,
      limit: ['at most ', qty(fine, unit, 1)],
    });
  const read = (check: ReturnType<typeof measured>) => [
    formatQuantity(check.value ?? 0, check.unit, check.digits),
    phraseText(check.limit),
  ];

  it('is told with decimals enough to see it, in the value and in its limit', () => {
    expect(read(missed('m', 6.13, 6.08))).toEqual(['6.13\u00a0m', 'at most 6.08\u00a0m']);
    expect(read(missed('V', 71.4, 71.374))).toEqual(['71.40\u00a0V', 'at most 71.37\u00a0V']);
    expect(read(missed('mm', 49.58, 50, 'least'))).toEqual(['49.6\u00a0mm', 'at most 50.0\u00a0mm']);
    // What shows anyway stays as it was.
    expect(read(missed('m', 6.3, 6.1))).toEqual(['6.3\u00a0m', 'at most 6.1\u00a0m']);
  });

  it('is none where it is no more than the last bit of a sum', () => {
    expect(missed('A', 1.0000000000000013, 1).state).toBe('fine');
    expect(missed('mm', 0.1 + 0.2, 0.3).state).toBe('fine');
    expect(missed('mm', 0.3001, 0.3).state).toBe('look');
  });
});

describe('decimals of a check', () => {
  it('are tenths for short lengths, none for counts and long ones', () => {
    const digits = (unit: Measured['unit'], value: number) =>
      measured(spec({ unit, value, fine: 1e6, look: 1e6 })).digits;
    expect(digits('mm', 3.2)).toBe(1);
    expect(digits('mm', 320)).toBe(0);
    expect(digits('1', 4)).toBe(0);
    expect(digits('1', 1.37)).toBe(2);
    expect(digits('A', 12.3)).toBeUndefined();
  });
});
