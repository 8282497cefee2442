import { describe, expect, it } from 'vitest';
import * as z from 'zod';
import { longtail } from '../test/demo.ts';
import { readBuild, readBuildText } from '../document/read.ts';
import { readRoute } from '../route/read-route.ts';
import { evenHill, route } from '../route/route.ts';
import { buildDocument } from '../document/document.ts';
import { part } from '../parts/part.ts';
import { placeRules } from '../law/rule-schema.ts';
import { BOUNDS, beyondBounds } from './bounds.ts';
import { MOST_ISSUES, describeIssue, fail, type Issue, type Result } from './result.ts';
import { readBy } from './zod-issues.ts';

const issues = (read: Result<unknown>): readonly Issue[] => (read.ok ? [] : read.issues);
const nested = (depth: number): unknown => JSON.parse('['.repeat(depth) + ']'.repeat(depth));
const keys = (count: number, stem = 'k'): Record<string, number> =>
  Object.fromEntries(Array.from({ length: count }, (_, i) => [`${stem}${String(i)}`, i]));

describe('what is wrong with data', () => {
  it('is told fifty times at most, and then counted', () => {
    const told = issues(readBy(z.strictObject({ a: z.number() }), { a: 1, ...keys(300) }));
    expect(told).toHaveLength(MOST_ISSUES + 1);
    expect(told.at(-1)).toMatchObject({ code: 'more', actual: 250 });
    expect(describeIssue(told.at(-1) as Issue)).toBe('And 250 more.');
    const list = readBy(
      z.array(z.string()),
      Array.from({ length: 2000 }, (_, i) => i),
    );
    expect(issues(list).at(-1)).toMatchObject({ code: 'more', actual: 1950 });
    expect(issues(fail(...issues(list), ...issues(list))).at(-1)).toMatchObject({ actual: 3950 });
  });

  it('is never larger than the question', () => {
    const hill = evenHill('x', 100, 1);
    const hostile: readonly unknown[] = [
      { ...hill, ...keys(399) },
      { ...hill, ...keys(300, 'k'.repeat(20_000)) },
      { ...hill, name: 'x'.repeat(6_000_000) },
      { ...hill, spans: Array.from({ length: 50_000 }, () => ({})) },
      { ...hill, recorded: { latDeg: Array.from({ length: 50_000 }, () => 'x') } },
      Array.from({ length: 3_000_000 }, () => 0),
      nested(5000),
    ];
    for (const data of hostile) {
      const read = readRoute(data);
      expect(read.ok).toBe(false);
      const answer = JSON.stringify(issues(read).map((i) => ({ ...i, message: describeIssue(i) })));
      expect(answer.length).toBeLessThan(Math.min(40_000, 20_000 + JSON.stringify(data).length));
    }
  });
});

describe('bounds of what comes in', () => {
  it('let every document of ours through', () => {
    expect(beyondBounds(longtail)).toBeUndefined();
    const many = Array.from({ length: 50_000 }, () => 0);
    expect(beyondBounds({ recorded: { latDeg: many, lonDeg: many, elevationM: many } })).toBeUndefined();
  });

  it.each([
    ['levels', nested(BOUNDS.depth + 1), /32 levels/],
    ['entries', { a: Array.from({ length: BOUNDS.entries + 1 }) }, /a: .*50000 entries/],
    ['keys', { a: [keys(BOUNDS.keys + 1)] }, /a\.0: .*400 keys/],
    ['values', Array.from({ length: 700 }, () => keys(399)), /250000 values/],
  ])('refuse too many %s, and say where', (_what, data, words) => {
    expect(describeIssue(beyondBounds(data) as Issue)).toMatch(words);
    expect(readBuild({ ...longtail, more: data }).ok).toBe(false);
  });

  it('hold for text too: a thousand brackets are an issue, not an exception', () => {
    expect(issues(readBuildText(`{"a":${'['.repeat(200_000)}${']'.repeat(200_000)}}`))[0]?.code).toBe('size');
  });
});

describe('every schema of what comes in', () => {
  /** Paths of lists and texts without a longest. */
  const endless = (schema: unknown, path: string): readonly string[] => {
    if (typeof schema !== 'object' || schema === null) return [];
    const one = schema as Readonly<Record<string, unknown>>;
    const bounded = ['maxItems', 'maxLength', 'pattern', 'enum', 'const'].some((key) => key in one);
    const own = (one['type'] === 'array' || one['type'] === 'string') && !bounded ? [path] : [];
    return [...own, ...Object.entries(one).flatMap(([key, inner]) => endless(inner, `${path}.${key}`))];
  };

  it.each([
    ['build', buildDocument],
    ['route', route],
    ['part', part],
    ['rules', placeRules],
  ])('%s bounds its lists and texts', (name, schema) => {
    expect(endless(z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }), name)).toEqual([]);
  });
});
