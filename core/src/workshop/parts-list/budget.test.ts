import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../../test/evaluate.ts';
import { trike } from '../../test/demo.ts';
import { phraseText } from '../../quantity/phrase.ts';
import { RUNS } from '../../test/sample.ts';
import { budgetState } from './budget.ts';
import type { Ledger } from './ledger.ts';

const ledger = (changes: Partial<Ledger>): Ledger => ({
  ...evaluate(trike).list.ledger,
  any: true,
  noIdea: 0,
  sendingUnknown: 0,
  ...changes,
});

describe('a budget', () => {
  it('is missed where even the least is more, met where the most is within, and else not told', () => {
    const between = ledger({ total: { least: 600, most: 720 } });
    expect(budgetState(between, 599)).toBe('stop');
    expect(budgetState(between, 600)).toBe('unknown');
    expect(budgetState(between, 719)).toBe('unknown');
    expect(budgetState(between, 720)).toBe('fine');
  });

  it('is not met by what nobody knows', () => {
    const total = { least: 500, most: 500 };
    expect(budgetState(ledger({ total, noIdea: 1 }), 1000)).toBe('unknown');
    expect(budgetState(ledger({ total, sendingUnknown: 1 }), 1000)).toBe('unknown');
    expect(budgetState(ledger({ any: false, total: { least: 0, most: 0 } }), 1000)).toBe('unknown');
    // What is known to be too much stays so.
    expect(budgetState(ledger({ total, noIdea: 3, sendingUnknown: 1 }), 499)).toBe('stop');
  });

  it('never turns from missed to met by a price that becomes unknown', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 2000 }),
        fc.integer({ min: 0, max: 500 }),
        fc.integer({ min: 0, max: 2500 }),
        (least, more, budget) => {
          const known = budgetState(ledger({ total: { least, most: least } }), budget);
          const wider = budgetState(
            ledger({ total: { least: Math.max(0, least - more), most: least + more } }),
            budget,
          );
          if (known === 'stop') expect(wider).not.toBe('fine');
          if (wider === 'stop') expect(known).toBe('stop');
        },
      ),
      RUNS,
    );
  });

  it('says how far it is passed, before it says what has no price yet', () => {
    const { figures, list } = evaluate({ ...trike, money: { ...trike.money, budget: 100 } });
    const price = figures.find(({ id }) => id === 'price');
    const over = Math.round(list.ledger.total.least - 100);
    expect(phraseText(price?.condition ?? [])).toBe(`£${String(over)}+ over budget`);
    expect(price?.state).toBe('look');
  });
});
