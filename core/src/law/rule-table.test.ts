import { describe, expect, it } from 'vitest';
import { CYCLE, number } from '../test/law-facts.ts';
import { convert } from '../quantity/units.ts';
import { judgeClause } from './judge-clause.ts';
import { NUMBER_FACTS } from './fact-names.ts';
import type { Category, Certainty, Clause } from './rule-schema.ts';
import { shippedRules } from './rules.ts';

type Limit = readonly [op: string, limit: number, unit: string, certainty: Certainty] | null;
type Row = readonly [
  id: string,
  power: Limit,
  assist: Limit,
  motorAlone: Limit,
  throttle: 'none' | 'walk' | 'limit' | 'free',
];

/** The index of the rule table, typed off it once more: from memory, no source consulted. */
const INDEX: readonly Row[] = [
  ['EU-EPAC', ['<=', 250, 'W', 'high'], ['<=', 25, 'km/h', 'high'], null, 'walk'],
  ['EU-L1e-A', ['<=', 1000, 'W', 'high'], ['<=', 25, 'km/h', 'high'], ['<=', 25, 'km/h', 'high'], 'limit'],
  ['EU-L1e-B', ['<=', 4000, 'W', 'high'], ['<=', 45, 'km/h', 'high'], ['<=', 45, 'km/h', 'high'], 'limit'],
  ['UK-EAPC', ['<=', 250, 'W', 'high'], ['<=', 15.5, 'mph', 'high'], null, 'walk'],
  [
    'UK-EAPC-TWIST',
    ['<=', 250, 'W', 'high'],
    ['<=', 15.5, 'mph', 'high'],
    ['<=', 15.5, 'mph', 'high'],
    'limit',
  ],
  ['US-FED-LSEB', ['<', 750, 'W', 'high'], null, ['<', 20, 'mph', 'high'], 'limit'],
  ['US-MODEL-1', ['<', 750, 'W', 'medium'], ['<=', 20, 'mph', 'high'], null, 'none'],
  ['US-MODEL-2', ['<', 750, 'W', 'medium'], ['<=', 20, 'mph', 'high'], ['<=', 20, 'mph', 'high'], 'limit'],
  ['US-MODEL-3', ['<', 750, 'W', 'medium'], ['<=', 28, 'mph', 'high'], null, 'none'],
  ['US-CA-1', ['<=', 750, 'W', 'medium'], ['<=', 20, 'mph', 'high'], null, 'walk'],
  ['US-CA-2', ['<=', 750, 'W', 'medium'], ['<=', 20, 'mph', 'high'], ['<=', 20, 'mph', 'high'], 'limit'],
  ['US-CA-3', ['<=', 750, 'W', 'medium'], ['<=', 28, 'mph', 'high'], null, 'walk'],
  ['US-NY-1', ['<', 750, 'W', 'high'], ['<=', 20, 'mph', 'high'], null, 'none'],
  ['US-NY-2', ['<', 750, 'W', 'high'], ['<=', 20, 'mph', 'high'], ['<=', 20, 'mph', 'high'], 'limit'],
  ['US-NY-3', ['<', 750, 'W', 'high'], ['<=', 25, 'mph', 'high'], ['<=', 25, 'mph', 'high'], 'limit'],
  ['US-NJ-1', ['<', 750, 'W', 'high'], ['<=', 20, 'mph', 'high'], null, 'none'],
  ['US-NJ-2', ['<', 750, 'W', 'high'], ['<=', 20, 'mph', 'high'], ['<=', 20, 'mph', 'high'], 'limit'],
  ['US-OR-EAB', ['<=', 1000, 'W', 'high'], null, ['<=', 20, 'mph', 'high'], 'limit'],
  ['US-PA-PEA', ['<=', 750, 'W', 'high'], null, ['<=', 20, 'mph', 'high'], 'limit'],
  ['US-MA-1', ['<=', 750, 'W', 'medium'], ['<=', 20, 'mph', 'medium'], null, 'none'],
  ['US-MA-2', ['<=', 750, 'W', 'medium'], ['<=', 20, 'mph', 'medium'], ['<=', 20, 'mph', 'medium'], 'limit'],
  ['US-NC-EAB', ['<=', 750, 'W', 'high'], null, ['<=', 20, 'mph', 'high'], 'limit'],
  ['CA-FED-PAB', ['<=', 500, 'W', 'high'], ['<=', 32, 'km/h', 'high'], ['<=', 32, 'km/h', 'high'], 'limit'],
  ['CA-BC-LIGHT', ['<=', 250, 'W', 'high'], ['<=', 25, 'km/h', 'high'], null, 'none'],
  ['CA-BC-STD', ['<=', 500, 'W', 'high'], ['<=', 32, 'km/h', 'high'], ['<=', 32, 'km/h', 'high'], 'limit'],
  ['CA-ON-PAB', ['<=', 500, 'W', 'high'], ['<=', 32, 'km/h', 'high'], ['<=', 32, 'km/h', 'high'], 'limit'],
  ['CA-QC-PAB', ['<=', 500, 'W', 'high'], ['<=', 32, 'km/h', 'high'], ['<=', 32, 'km/h', 'high'], 'limit'],
  ['CA-AB-PB', ['<=', 500, 'W', 'high'], ['<=', 32, 'km/h', 'high'], ['<=', 32, 'km/h', 'high'], 'limit'],
  ['AU-FED-200', ['<=', 200, 'W', 'high'], null, null, 'limit'],
  ['AU-FED-PEDELEC', ['<=', 250, 'W', 'high'], ['<=', 25, 'km/h', 'high'], null, 'walk'],
  ['AU-NSW-EPAC', ['<=', 500, 'W', 'high'], ['<=', 25, 'km/h', 'high'], null, 'walk'],
  ['AU-VIC-200', ['<=', 200, 'W', 'high'], null, null, 'limit'],
  ['AU-VIC-PEDELEC', ['<=', 250, 'W', 'high'], ['<=', 25, 'km/h', 'high'], null, 'walk'],
  ['AU-QLD-PEDELEC', ['<=', 250, 'W', 'high'], ['<=', 25, 'km/h', 'high'], null, 'walk'],
  ['NZ-PAC', ['<=', 300, 'W', 'high'], null, null, 'free'],
  ['JP-ASSIST', null, ['<', 24, 'km/h', 'high'], null, 'none'],
  ['JP-ASSIST-TOW', null, ['<', 24, 'km/h', 'high'], null, 'none'],
  ['CH-LIGHT', ['<=', 500, 'W', 'high'], ['<=', 25, 'km/h', 'high'], ['<=', 20, 'km/h', 'high'], 'limit'],
  ['CH-FAST', ['<=', 1000, 'W', 'high'], ['<=', 45, 'km/h', 'high'], ['<=', 30, 'km/h', 'high'], 'limit'],
  ['NO-ELSYKKEL', ['<=', 250, 'W', 'high'], ['<=', 25, 'km/h', 'high'], null, 'walk'],
  ['IL-EBIKE', ['<=', 250, 'W', 'high'], ['<=', 25, 'km/h', 'high'], null, 'walk'],
  ['CN-2018', ['<=', 400, 'W', 'high'], ['<=', 25, 'km/h', 'high'], ['<=', 25, 'km/h', 'high'], 'limit'],
  ['CN-2024', ['<=', 400, 'W', 'high'], ['<=', 25, 'km/h', 'high'], ['<=', 25, 'km/h', 'high'], 'limit'],
  ['IN-BOV', ['<', 250, 'W', 'high'], ['<', 25, 'km/h', 'high'], ['<', 25, 'km/h', 'high'], 'limit'],
  ['IN-PEDELEC', ['<', 250, 'W', 'high'], ['<=', 25, 'km/h', 'high'], null, 'none'],
  ['KR-PAS', ['<=', 350, 'W', 'medium'], ['<', 25, 'km/h', 'high'], null, 'none'],
  ['KR-PM', ['<=', 350, 'W', 'low'], ['<', 25, 'km/h', 'high'], ['<', 25, 'km/h', 'high'], 'limit'],
  ['SG-PAB', ['<=', 250, 'W', 'high'], ['<=', 25, 'km/h', 'high'], null, 'none'],
  ['BR-EBIKE', ['<=', 1000, 'W', 'medium'], ['<=', 32, 'km/h', 'medium'], null, 'none'],
];

const categories: readonly Category[] = shippedRules().flatMap((p) => p.tests.flatMap((t) => t.categories));
const categoryOf = (id: string): Category => {
  const found = categories.find((c) => c.id === id);
  if (found === undefined) throw new Error(`no category ${id}`);
  return found;
};
const limitOf = (clause: Clause | undefined): Limit =>
  clause?.kind === 'number' ? [clause.op, clause.limit, clause.unit, clause.certainty] : null;
const RANK: readonly Certainty[] = ['high', 'medium', 'low'];

describe('the rule files against the table', () => {
  it('have every category of it once', () => {
    expect(INDEX).toHaveLength(49);
    const ids = categories.map((c) => c.id);
    for (const [id] of INDEX)
      expect(
        ids.filter((i) => i === id),
        id,
      ).toHaveLength(1);
  });

  it.each(INDEX)(
    '%s has its power, speeds and throttle, with operator and unit',
    (id, power, assist, alone, throttle) => {
      const { clauses } = categoryOf(id);
      const by = (clause: string): Clause | undefined => clauses.find((c) => c.id === clause);
      expect(limitOf(by('power'))).toEqual(power);
      // Below 200 W the states apply 25 km/h in practice: that clause is of low certainty and not of the table.
      if (assist !== null) expect(limitOf(by('assist'))).toEqual(assist);
      else expect(by('assist')?.certainty ?? 'low').toBe('low');
      if (alone !== null) {
        const found = limitOf(by('alone'));
        expect(found?.slice(0, 3)).toEqual(alone.slice(0, 3));
        // How sure the throttle itself is counts as well.
        expect(RANK.indexOf(found?.[3] ?? 'high')).toBeGreaterThanOrEqual(RANK.indexOf(alone[3]));
      }
      if (throttle === 'none')
        expect(by('throttle')).toMatchObject({ kind: 'answer', fact: 'throttle', wanted: 'no' });
      if (throttle === 'walk') expect(by('alone')).toMatchObject({ fact: 'throttleAloneKmh', op: '<=' });
      if (throttle === 'free')
        expect(
          clauses.filter((c) => c.kind !== 'open' && c.kind !== 'curve').map((c) => c.fact),
        ).not.toContain('throttle');
    },
  );
});

/** Every number limit of every file, with what is remembered well enough to decide. */
const limits = categories.flatMap((category) =>
  category.clauses.flatMap((clause) =>
    clause.kind === 'number' && clause.certainty === 'high' && clause.unsettled !== true
      ? [[`${category.id} ${clause.id}`, clause] as const]
      : [],
  ),
);

describe('every sure limit', () => {
  it.each(limits)('%s holds at, just inside and just outside', (_name, clause) => {
    const own = NUMBER_FACTS[clause.fact].unit;
    const state = (limit: number): string =>
      judgeClause(clause, [
        {
          profile: '',
          facts: { ...CYCLE, [clause.fact]: number(convert(limit, clause.unit, own)) },
        },
      ]).state;
    const step = clause.limit * 1e-4;
    const upper = clause.op.startsWith('<');
    const inside = (value: string): void => {
      expect(['pass', 'check']).toContain(value);
    };
    const outside = (value: string): void => {
      // What practice accepts beyond the letter is said, not condemned.
      expect(clause.toleratedTo === undefined ? ['fail'] : ['fail', 'check']).toContain(value);
    };
    inside(state(clause.limit + (upper ? -step : step)));
    outside(state(clause.limit + (upper ? step : -step)));
    if (clause.op.endsWith('=')) inside(state(clause.limit));
    else outside(state(clause.limit));
  });

  it('are most of them', () => {
    expect(limits.length).toBeGreaterThan(100);
  });
});

describe('a limit that is remembered less surely', () => {
  const judged = (certainty: Certainty, unsettled: boolean, watts: number): string => {
    const clause: Clause = {
      id: 'power',
      kind: 'number',
      title: 'Power',
      fact: 'ratedPowerW',
      op: '<=',
      limit: 500,
      unit: 'W',
      source: 'a test',
      certainty,
      ...(unsettled ? { unsettled: true as const } : {}),
    };
    return judgeClause(clause, [{ profile: '', facts: { ...CYCLE, ratedPowerW: number(watts) } }]).state;
  };

  it('decides nothing near itself, and far from it', () => {
    expect([400, 480, 510, 600].map((w) => judged('medium', false, w))).toEqual([
      'pass',
      'check',
      'unknown',
      'fail',
    ]);
  });

  it('of low certainty never condemns and is never passed over', () => {
    expect([400, 480, 510, 5000].map((w) => judged('low', false, w))).toEqual([
      'pass',
      'check',
      'check',
      'check',
    ]);
  });

  it('that is read in two ways is a question past it', () => {
    expect([400, 510, 5000].map((w) => judged('high', true, w))).toEqual(['pass', 'unknown', 'unknown']);
  });
});
