import { describe, expect, it } from 'vitest';
import { keptUpOf } from './kept-up.ts';

const gbp = (sum: number) => ({ sum, currency: 'GBP' as const });

describe('what a machine has cost since it is ridden', () => {
  it('sums upkeep and cures, for a km as well, and names what came back', () => {
    const kept = keptUpOf(
      'GBP',
      [{ paid: gbp(12) }, { paid: null }],
      [
        { cause: 'controller-dead', paid: gbp(45) },
        { cause: 'controller-dead', paid: gbp(43) },
        { cause: 'plug', paid: { sum: 9, currency: 'EUR' } },
        { cause: 'open', paid: null },
        { cause: 'other', paid: gbp(0) },
        { cause: 'other', paid: gbp(0) },
      ],
      400,
    );
    // By hand: 12 + 88 in 400 km are 0.25 a km; the open fault is no cure, the euros are not pounds.
    expect(kept).toEqual({
      upkeep: 12,
      faults: 88,
      perKm: 0.25,
      unsaid: 1,
      elsewhere: 1,
      again: [{ cause: 'controller-dead', times: 2, sum: 88 }],
    });
  });

  it('says nothing of a km where nothing was noted or ridden: not noted is never nought', () => {
    expect(keptUpOf('GBP', [{ paid: null }], [], 100).perKm).toBeUndefined();
    expect(keptUpOf('GBP', [{ paid: gbp(5) }], [], 0).perKm).toBeUndefined();
  });
});
