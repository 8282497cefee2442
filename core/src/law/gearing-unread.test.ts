import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { knownBuild, knownInUse } from '../document/known.ts';
import { knownAt, withQuantity, withValue } from '../document/quantity-at.ts';
import { wayOf } from '../machine/corners.ts';
import { plausibleSpan } from '../machine/span.ts';
import { anyBuild, runs } from '../test/sample.ts';
import { lawFacts, type LawFacts } from './facts.ts';

const GEARING = [
  'drive.reduction',
  'drive.motorSprocketTeeth',
  'drive.wheelSprocketTeeth',
  'gearing.ringTeeth',
] as const;
const MEASURED = ['peakWheelW', 'motorAloneKmh', 'throttleAloneKmh', 'assistEndKmh'] as const;

const factsOf = (build: Parameters<typeof wayOf>[0]): LawFacts | undefined =>
  lawFacts(wayOf(build))[0]?.facts;

describe('a motor whose gearing nobody has read', () => {
  it('is never faster or stronger by another plausible one than what the law is told that it may be', () => {
    let held = 0;
    fc.assert(
      fc.property(
        anyBuild,
        fc.constantFrom(...GEARING),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (build, path, share) => {
          if (!knownInUse(build, knownBuild(build)).some((k) => k.path === path)) return;
          const less = withQuantity(build, path, { source: 'unknown' });
          const known = knownAt(knownBuild(less), path);
          if (known.source !== 'unknown') return;
          const [low, high] = plausibleSpan(known);
          const told = factsOf(less);
          const so = factsOf(withValue(less, path, low + share * (high - low)));
          for (const name of MEASURED) {
            const { high: most = 0 } = told?.[name]?.unsure ?? told?.[name] ?? {};
            const { high: then = 0 } = so?.[name] ?? {};
            held += 1;
            expect(then, `${name} by ${path}`).toBeLessThanOrEqual(1.005 * most + 0.01);
          }
        },
      ),
      runs(300),
    );
    expect(held).toBeGreaterThan(200);
  });
});
