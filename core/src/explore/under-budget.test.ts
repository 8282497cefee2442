import { describe, expect, it } from 'vitest';
import shelfFile from '../../../demo/parts.json' with { type: 'json' };
import { shippedRules } from '../law/rules.ts';
import { part } from '../parts/part.ts';
import { withLine } from '../document/purchase.ts';
import { evaluate } from '../test/evaluate.ts';
import { longtail } from '../test/demo.ts';
import { underBudget } from './under-budget.ts';

const shelf = shelfFile.map((file) => part.parse(file));
const book = shippedRules();
const within = (budget: number | null) => ({ ...longtail, money: { ...longtail.money, budget } });
/** Nothing is ordered yet, so that the motor may still be another. */
const open = withLine(within(1500), 'motor', { state: 'needed' });

describe('ways back under the budget', () => {
  it('are none where none is needed, or none is set', () => {
    expect(underBudget(within(null), shelf, book)).toEqual({ kind: 'no-budget' });
    expect(underBudget(within(5000), shelf, book)).toMatchObject({ kind: 'within' });
  });

  it('are under it by the same list, the cheapest first, and keep what the brief asks', () => {
    const found = underBudget(open, shelf, book);
    if (found.kind !== 'over') throw new Error(found.kind);
    expect(found.tried).toBeGreaterThan(3);
    const ways = found.ways.length > 0 ? found.ways : [found.nearest].filter((w) => w !== undefined);
    expect(ways.length).toBeGreaterThan(0);
    expect(ways.map((w) => w.total)).toEqual(ways.map((w) => w.total).toSorted((a, b) => a - b));
    for (const way of ways) {
      const verdict = evaluate(way.build, shelf);
      expect(verdict.list.ledger.total.most).toBeCloseTo(way.total, 6);
      expect(verdict.hill.climb.climbs).toBe(true);
      expect(way.saved).toBeGreaterThan(0);
      expect(verdict.list.ledger.noIdea).toBeLessThanOrEqual(evaluate(open, shelf).list.ledger.noIdea);
    }
    for (const way of found.ways) expect(way.total).toBeLessThanOrEqual(1500);
  });

  it('give up nothing that is ordered, here or owned', () => {
    const found = underBudget(within(1000), shelf, book);
    if (found.kind !== 'over') throw new Error(found.kind);
    for (const way of [...found.ways, ...(found.nearest === undefined ? [] : [found.nearest])])
      expect(way.parts.some((p) => p.type === 'motor')).toBe(false);
  });
});
