import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assemble } from '../machine/assemble.ts';
import type { Balance } from '../machine/machine.ts';
import { RUNS, anyBuild, sample } from '../test/sample.ts';
import { gripGradePct, liftGradePct, startGrade } from './start-grade.ts';

/** Forces on the tyres of a machine at rest on a grade, by moments about each contact (statics), as shares of its weight. */
function loads(
  b: Balance,
  gradePct: number,
): { readonly rear: number; readonly front: number; readonly pull: number } {
  const slope = Math.atan(gradePct / 100);
  const front = (Math.cos(slope) * b.massAhead - Math.sin(slope) * b.massHeight) / b.wheelbase;
  return { front, rear: Math.cos(slope) - front, pull: Math.sin(slope) };
}

const alone = (wheel: 'front' | 'rear') =>
  fc
    .record({
      wheelbase: fc.double({ min: 0.9, max: 2.4, noNaN: true }),
      share: fc.double({ min: 0.15, max: 0.7, noNaN: true }),
      massHeight: fc.double({ min: 0.5, max: 1.3, noNaN: true }),
      grip: fc.double({ min: 0.2, max: 1, noNaN: true }),
    })
    .map(({ share, ...rest }): { readonly wheel: 'front' | 'rear'; readonly b: Balance } => ({
      wheel,
      b: { ...rest, massAhead: share * rest.wheelbase, drivenWheel: wheel, towed: 0, hitchHeight: 0.4 },
    }));

describe('the grade at which a tyre slips', () => {
  it('is where the pull is the grip of what the tyre carries, by moments', () => {
    fc.assert(
      fc.property(fc.constantFrom('front' as const, 'rear' as const).chain(alone), ({ wheel, b }) => {
        const slip = gripGradePct(b);
        if (slip > liftGradePct(b)) return;
        const at = loads(b, slip);
        expect(at.pull).toBeCloseTo(b.grip * at[wheel], 9);
      }),
      RUNS,
    );
  });

  it('is told of a driven rear wheel only while the front one is on the ground', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        const machine = assemble(build);
        const { byGripPct, byLiftPct, gradePct } = startGrade(machine, 0.5, 'best');
        expect(gradePct).toBeLessThanOrEqual(byLiftPct);
        if (byGripPct === null) return;
        expect(byGripPct).toBeLessThanOrEqual(byLiftPct);
        // One driven tyre never holds more than all of the weight on it would: tan of the grade is its grip.
        const { balance } = machine;
        if (balance.drivenWheel !== 'both' && balance.towed === 0)
          expect(byGripPct).toBeLessThanOrEqual(100 * balance.grip + 1e-6);
      }),
      RUNS,
    );
  });

  // A tall rider far back: 0.4 / 1.1 lifts at 36 %, and no tyre of a dry road slips before that.
  it('is none where the front wheel lifts first', () => {
    const build = sample({
      donor: { massAheadMm: 400, massHeightMm: 1100, wheelbaseMm: 1000, tyreGrip: 0.8 },
    });
    const start = startGrade(assemble(build), 0.5, 'best');
    expect(start.byLiftPct).toBeCloseTo(36.4, 1);
    expect(start.byGripPct).toBeNull();
    expect(['force', 'front-lift']).toContain(start.decides);
  });

  // 1.20 m ahead of the rear contact on a wheelbase of 1.00: all of it stands on the front wheel, from moments.
  it.each([
    ['front', 80 / 1.88],
    ['rear', 0],
  ] as const)(
    'has nothing on the rear wheel where the mass is beyond the front one, driven %s',
    (wheel, pct) => {
      const build = sample(
        {
          drive: { wheel },
          donor: { massAheadMm: 1200, massHeightMm: 1100, wheelbaseMm: 1000, tyreGrip: 0.8 },
        },
        'direct-drive-hub',
      );
      const start = startGrade(assemble(build), 0.5, 'best');
      expect(start.byGripPct).toBeCloseTo(pct, 9);
      expect(start.gradePct).toBeGreaterThanOrEqual(0);
    },
  );
});
