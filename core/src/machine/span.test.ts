import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { withQuantity, withValue } from '../document/quantity-at.ts';
import { knownBuild } from '../document/known.ts';
import { wayOf } from '../ride/corners.ts';
import { lawFacts } from '../law/facts.ts';
import { anyBuild, runs, sample } from '../test/sample.ts';
import { plausibleSpan, unknownOf, FASTER } from './span.ts';

describe('the plausible span of what nobody has read', () => {
  it('holds what it is taken for, of any drawn build', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        for (const known of unknownOf(wayOf(build).used, FASTER)) {
          const [low, high] = plausibleSpan(known);
          expect(known.value, known.path).toBeGreaterThanOrEqual(low);
          expect(known.value, known.path).toBeLessThanOrEqual(high);
        }
      }),
      runs(60),
    );
  });

  it('of the wheel that a controller holds has the true one in it, however small', () => {
    const small = sample({
      donor: { beadMm: 203, tyreMm: 50 },
      controller: { limitsSpeed: true, assistCutoffKmh: 25 },
      drive: { kvRpmPerV: 90 },
    });
    const open = withQuantity(small, 'controller.setRolloutMm', { source: 'unknown' });
    const { donor, controller } = knownBuild(open);
    expect(donor.rolloutMm.value).toBeLessThan(1000);
    expect(controller.setRolloutMm.value).toBe(donor.rolloutMm.value);
    // Told the true wheel it helps to 25 km/h: the law may not hold it at less.
    const [way] = lawFacts(wayOf(open));
    const end = way?.facts.assistEndKmh;
    expect(end?.unsure?.high ?? end?.high).toBeGreaterThanOrEqual(25);
    const told = lawFacts(wayOf(withValue(open, 'controller.setRolloutMm', donor.rolloutMm.value)))[0];
    expect(told?.facts.assistEndKmh?.high).toBeCloseTo(25, 6);
  });
});
