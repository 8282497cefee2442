import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { knownBuild, knownInUse } from '../document/known.ts';
import { knownAt, withQuantity, withValue } from '../document/quantity-at.ts';
import { wayOf } from '../ride/corners.ts';
import { plausibleSpan } from '../machine/span.ts';
import { anyBuild, runs } from '../test/sample.ts';
import { lawFacts, type LawFacts } from './facts.ts';

const GEARING = [
  'drive.reduction',
  'drive.motorSprocketTeeth',
  'drive.wheelSprocketTeeth',
  'gearing.ringTeeth',
  'drive.kvRpmPerV',
] as const;
const MEASURED = ['peakWheelW', 'motorAloneKmh', 'throttleAloneKmh', 'assistEndKmh'] as const;

/** A default that the quantity's own bounds cut off says nothing of what is round it, rpm/V. */
const MOST_KV = 450;

const factsOf = (build: Parameters<typeof wayOf>[0]): LawFacts | undefined =>
  lawFacts(wayOf(build))[0]?.facts;

describe('a motor whose gearing or winding nobody has read', () => {
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
          // Where a label's rated point tells both speed constant and resistance, another constant contradicts the label.
          const { ratedRpm, ratedA } = build.drive;
          const byLabel = ratedRpm.source !== 'unknown' && ratedA.source !== 'unknown';
          if (path === 'drive.kvRpmPerV' && byLabel) return;
          const kv = knownAt(knownBuild(less), 'drive.kvRpmPerV');
          if (kv.source === 'unknown' && kv.value >= MOST_KV) return;
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
      runs(400),
    );
    expect(held).toBeGreaterThan(200);
  });
});
