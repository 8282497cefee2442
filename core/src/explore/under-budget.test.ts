import { describe, expect, it } from 'vitest';
import shelfFile from '../../../demo/parts.json' with { type: 'json' };
import { shippedRules } from '../law/rules.ts';
import { part } from '../parts/part.ts';
import { knownBuild } from '../document/known.ts';
import { withLine } from '../document/purchase.ts';
import { withQuantity } from '../document/quantity-at.ts';
import { highestVolts } from '../power-chain/subject.ts';
import { evaluate } from '../test/evaluate.ts';
import { courier, longtail, tandem, tourer, trike } from '../test/demo.ts';
import { study, type Study } from '../verdict/study.ts';
import { underBudget } from './under-budget.ts';

const shelf = shelfFile.map((file) => part.parse(file));
const book = shippedRules();
const within = (budget: number | null) => ({ ...longtail, money: { ...longtail.money, budget } });
/** What stops a build: checks, and links that are too small. */
const stopsOf = ({ checks, powerChecks, chain }: Study): readonly string[] => [
  ...[...checks, ...powerChecks].filter((c) => c.state === 'stop').map((c) => c.id),
  ...chain.links.filter((l) => (l.margin ?? 0) < 0).map((l) => `${l.id} ${String(l.pack)}`),
];
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

  it('stop at nothing that the build does not stop at: no board that opens, no capacitor under its volts', () => {
    let told = 0;
    for (const build of [courier, tourer, longtail, tandem, trike]) {
      const all = ['motor', 'pack', 'controller'].reduce(
        (b, key) => withLine(b, key, { state: 'needed' }),
        build,
      );
      const budget = evaluate(all, shelf).list.ledger.total.most - 1;
      const found = underBudget({ ...all, money: { ...all.money, budget } }, shelf, book);
      if (found.kind !== 'over') throw new Error(found.kind);
      const stops = new Set(stopsOf(study(all)));
      for (const way of found.ways) {
        told += 1;
        const news = stopsOf(study(way.build)).filter((one) => !stops.has(one));
        expect(news, `${build.name}: ${way.parts.map((p) => p.name).join()}`).toEqual([]);
      }
    }
    expect(told).toBeGreaterThan(1);
  });

  it('name what has to be found out then', () => {
    const bare = withQuantity(withLine(within(1500), 'motor', { state: 'needed' }), 'controller.ratedV', {
      source: 'unknown',
    });
    const found = underBudget(withLine(bare, 'pack', { state: 'needed' }), shelf, book);
    if (found.kind !== 'over') throw new Error(found.kind);
    const all = [...found.ways, ...(found.nearest === undefined ? [] : [found.nearest])];
    expect(all.length).toBeGreaterThan(0);
    for (const { build, opens } of all)
      expect(opens.includes('Full charge against the controller')).toBe(
        highestVolts(build, knownBuild(build)) > highestVolts(longtail, knownBuild(longtail)),
      );
  });

  it('give up nothing that is ordered, here or owned', () => {
    const found = underBudget(within(1000), shelf, book);
    if (found.kind !== 'over') throw new Error(found.kind);
    for (const way of [...found.ways, ...(found.nearest === undefined ? [] : [found.nearest])])
      expect(way.parts.some((p) => p.type === 'motor')).toBe(false);
  });
});
