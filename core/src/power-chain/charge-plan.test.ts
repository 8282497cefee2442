import { withValues } from '../document/quantity-at.ts';
import { describe, expect, it } from 'vitest';
import { sample } from '../test/sample.ts';
import { chargePlan, packCard } from './charge-plan.ts';
import { evaluate } from '../test/evaluate.ts';

const build = (changes: Parameters<typeof sample>[0] = {}) =>
  sample({
    ...changes,
    pack: { cellsInSeries: 13, nominalV: 48, capacityAh: 13, healthPct: 100, ...changes.pack },
    charger: { volts: 54.6, currentA: 2, efficiencyPct: 88, ...changes.charger },
  });

describe('the charge plan', () => {
  it('of 13 Ah at 2 A takes 6.5 h and a little taper', () => {
    const { run } = chargePlan(build());
    expect(run.arrives && run.hours).toBeGreaterThan(6.5);
    expect(run.arrives && run.hours).toBeLessThan(7.2);
  });

  it('is made indoors, however cold the ride is', () => {
    const warm = chargePlan(build({ brief: { temperatureC: 20 } }));
    const cold = chargePlan(build({ brief: { temperatureC: -10 } }));
    expect(cold.run).toEqual(warm.run);
  });

  it('takes an unknown charger as made for the pack', () => {
    const base = build();
    const unknown = withValues(base, 'packs.0.charger', { volts: { source: 'unknown' } });
    expect(chargePlan(unknown).run).toEqual(chargePlan(base).run);
  });

  it('says where a charger of too few volts ends, and has no price for a charge that never arrives', () => {
    const base = build({ charger: { volts: 48 } });
    const plan = chargePlan({ ...base, money: { ...base.money, pricePerKwh: 0.3 } });
    expect(plan.run.arrives).toBe(false);
    expect(plan.habits.find((h) => h.id === 'full')?.cost).toBeUndefined();
  });

  it('has no price without a price of energy, and goes at what the machine gives where the speed is not held', () => {
    expect(chargePlan(build()).habits.every((h) => h.cost === undefined)).toBe(true);
    const fast = chargePlan(build({ brief: { cruiseSpeedKmh: 60 } }));
    expect(fast.habits.every((h) => (h.km?.high ?? 0) > 5)).toBe(true);
    expect([chargePlan(build()).holds, fast.holds]).toEqual([true, false]);
  });

  it('a habit’s window is the difference of the ranges at its ends', () => {
    const { habits } = chargePlan(build());
    const at = (pct: number): number => {
      const { cruise } = evaluate(build({ pack: { chargeLimitPct: pct } })).range;
      return cruise.holds ? cruise.metres / 1000 : 0;
    };
    expect(habits.find((h) => h.id === 'middle')?.km?.high).toBeCloseTo(at(80) - at(20), 6);
    expect(habits.find((h) => h.id === 'most')?.km?.high).toBeCloseTo(at(85), 6);
  });
});

describe('the pocket card', () => {
  it('has eleven lines from full to empty, sagging by what the hill takes', () => {
    const card = packCard(build({ brief: { hillGradePct: 6 } }));
    expect(card.rows.map((r) => r.charge)).toEqual([1, 0.9, 0.8, 0.7, 0.6, 0.5, 0.4, 0.3, 0.2, 0.1, 0]);
    const { climb } = evaluate(build({ brief: { hillGradePct: 6 } })).hill;
    expect(card.onHill).toBe(climb.climbs);
    expect(card.loadA).toBeCloseTo(climb.climbs ? Math.min(18, climb.batteryA) : 18, 9);
  });

  it('says that a display of bars misleads where it does', () => {
    const { misleads } = packCard(build({ pack: { chemistry: 'lfp', cellsInSeries: 15 } }));
    expect(misleads).toBeDefined();
  });

  it('is of the first pack alone, whatever else is carried', () => {
    const two = build({ second: { join: 'combiner', cellsInSeries: 14, nominalV: 52 } });
    expect(packCard(two).fullV).toBeCloseTo(54.6, 9);
  });
});
