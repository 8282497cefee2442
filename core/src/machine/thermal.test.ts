import { describe, expect, it } from 'vitest';
import * as fc from 'fast-check';
import { HAND_THERMAL } from '../test/hand-machine.ts';
import { solved } from '../test/ode.ts';
import { RUNS } from '../test/sample.ts';
import {
  airCooling,
  heatStep,
  rollbackShare,
  secondsTo,
  settlesAtMost,
  steadyWarmth,
  warmthAfter,
  type SteadyHeat,
  type Thermal,
} from './thermal.ts';

const t = HAND_THERMAL;
const cold = { windingC: 20, shellC: 20 };
const load: SteadyHeat = { copper20W: 60, coreW: 20, shellW: 30 };

describe('cooling by air', () => {
  it('is h0 at rest and h0 + h1 v^0.7 on the move', () => {
    expect(airCooling(t, 0)).toBe(1);
    expect(airCooling(t, 1)).toBe(2);
    expect(airCooling(t, 8)).toBeCloseTo(1 + Math.pow(8, 0.7), 12);
    // A machine that rolls back a little is not cooled less than one that stands.
    expect(airCooling(t, -1)).toBe(1);
  });
});

describe('rollback', () => {
  const sensed: Thermal = { ...t, rollbackStartC: 100, rollbackEndC: 120 };
  it.each([
    [99, 1],
    [100, 1],
    [110, 0.5],
    [120, 0],
    [150, 0],
  ])('leaves at %d C the share %d of the phase limit', (windingC, share) => {
    expect(rollbackShare(sensed, windingC)).toBeCloseTo(share, 12);
  });
  it('never happens without a sensor', () => {
    expect(rollbackShare(t, 500)).toBe(1);
  });
});

describe('the two bodies under an even load', () => {
  const cooling = airCooling(t, 5);

  it('end where heat in is heat out', () => {
    const end = steadyWarmth(t, load, cooling, 20);
    if (end === undefined) throw new Error('it runs away');
    const copper = load.copper20W * (1 + 0.00393 * (end.windingC - 20));
    expect(t.coupleWK * (end.windingC - end.shellC)).toBeCloseTo(copper + load.coreW, 9);
    expect(cooling * (end.shellC - 20)).toBeCloseTo(copper + load.coreW + load.shellW, 9);
  });

  it('come to no more than is said on the way, and to just that where all of the loss is copper’s', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 300, noNaN: true }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.double({ min: 21, max: 140, noNaN: true }),
        (copper20W, coreW, windingC) => {
          const heat = { copper20W, coreW, shellW: 30 };
          const end = steadyWarmth(t, heat, cooling, 20);
          const losesW = copper20W * (1 + 0.00393 * (windingC - 20)) + coreW;
          const most = settlesAtMost(t, windingC, losesW, 30, cooling, 20);
          if (end === undefined) {
            expect(most).toBe(Infinity);
            return;
          }
          // Below where it settles all loss is taken to grow; the core's does not.
          if (windingC < end.windingC) expect(most).toBeGreaterThan(end.windingC - 1e-6);
          if (coreW === 0) expect(most).toBeCloseTo(end.windingC, 6);
        },
      ),
      RUNS,
    );
    expect(settlesAtMost(t, 20, 0, 0, 0, 20)).toBe(Infinity);
  });

  it('run away where copper loss grows faster than heat leaves', () => {
    expect(steadyWarmth(t, { copper20W: 2000, coreW: 0, shellW: 0 }, 1, 20)).toBeUndefined();
  });

  it.each([30, 300, 3000])(
    'after %d s are where a general-purpose solver has them (Hairer’s extrapolation code)',
    async (seconds) => {
      const [w = 0, s = 0] = await solved(
        (_x, [tw = 0, ts = 0]) => [
          (load.copper20W * (1 + 0.00393 * (tw - 20)) + load.coreW - t.coupleWK * (tw - ts)) / t.windingJK,
          (t.coupleWK * (tw - ts) + load.shellW - cooling * (ts - 20)) / t.shellJK,
        ],
        0,
        [20, 20],
        seconds,
      );
      const exact = warmthAfter(t, cold, load, cooling, 20, seconds);
      expect(exact.windingC).toBeCloseTo(w, 5);
      expect(exact.shellC).toBeCloseTo(s, 5);
    },
  );

  it('are stepped to within 0.3 K of the exact solution by two-second steps', () => {
    let now = cold;
    let worst = 0;
    for (let i = 1; i <= 900; i += 1) {
      const copper = load.copper20W * (1 + 0.00393 * (now.windingC - 20));
      now = heatStep(t, now, copper + load.coreW, load.shellW, cooling, 20, 2);
      const exact = warmthAfter(t, cold, load, cooling, 20, 2 * i);
      worst = Math.max(worst, Math.abs(now.windingC - exact.windingC), Math.abs(now.shellC - exact.shellC));
    }
    expect(worst).toBeLessThan(0.3);
  });

  it('are stepped exactly at rest, and by steps of any length', () => {
    const end = steadyWarmth(t, { copper20W: 0, coreW: 50, shellW: 10 }, cooling, 20);
    if (end === undefined) throw new Error('it runs away');
    for (const dt of [0.1, 10, 1e5]) {
      const after = heatStep(t, end, 50, 10, cooling, 20, dt);
      expect(after.windingC).toBeCloseTo(end.windingC, 9);
      expect(after.shellC).toBeCloseTo(end.shellC, 9);
    }
    const far = heatStep(t, cold, 50, 10, cooling, 20, 1e9);
    expect(far.windingC).toBeCloseTo(end.windingC, 3);
  });

  it('reach a temperature when the exact solution says so', () => {
    const after = secondsTo(60, t, cold, load, cooling, 20) ?? NaN;
    expect(warmthAfter(t, cold, load, cooling, 20, after).windingC).toBeCloseTo(60, 2);
    expect(secondsTo(15, t, cold, load, cooling, 20)).toBe(0);
    expect(secondsTo(500, t, cold, load, cooling, 20)).toBeUndefined();
  });

  it('are cooler with more coupling, more air, less load, whatever they are (property)', () => {
    const positive = (max: number) => fc.double({ min: 0.1, max, noNaN: true });
    fc.assert(
      fc.property(positive(10), positive(10), positive(60), positive(60), (couple, air, copper, core) => {
        const at = (couple_: number, air_: number, copper_: number): number =>
          steadyWarmth({ ...t, coupleWK: couple_ }, { copper20W: copper_, coreW: core, shellW: 0 }, air_, 20)
            ?.windingC ?? Infinity;
        const base = at(couple, air, copper);
        expect(at(couple * 2.2, air, copper)).toBeLessThanOrEqual(base);
        expect(at(couple, air * 2, copper)).toBeLessThanOrEqual(base);
        expect(at(couple, air, copper * 1.1)).toBeGreaterThanOrEqual(base);
      }),
      RUNS,
    );
  });
});
