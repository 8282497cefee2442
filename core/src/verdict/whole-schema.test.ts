import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { buildDocument } from '../document/document.ts';
import { readBuild } from '../document/read.ts';
import { shippedRules } from '../law/rules.ts';
import { drawn } from '../test/drawn.ts';
import { runs } from '../test/sample.ts';
import { evaluate } from '../test/evaluate.ts';
import { toldVerdict } from './told-verdict.ts';

/** Paths of numbers without bounds, and of texts that speak of what a program has and a builder has not. */
function unfit(value: unknown, path: string): readonly string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [`${path} ${String(value)}`];
  if (typeof value === 'string')
    return /\b(NaN|Infinity|undefined|null)\b/.test(value) ? [`${path} ${value}`] : [];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, inner]) => unfit(inner, `${path}.${key}`));
}

const book = shippedRules();
const builds = drawn(buildDocument).map((data) => {
  const read = readBuild(data);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  // A name or a note may be any text.
  return { ...read.value, name: 'Drawn', number: '1' };
});

describe('builds drawn over the whole schema', () => {
  it('have figures that are numbers or null, in every part of what is told, and words that are words', () => {
    fc.assert(
      fc.property(builds, (build) => {
        const told = toldVerdict(evaluate(build), book);
        expect(unfit(told, '')).toEqual([]);
      }),
      { ...runs(30), seed: 20261127 },
    );
  });
});
