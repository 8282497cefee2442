import { describe, expect, it } from 'vitest';
import type { Machine } from '../machine/machine.ts';
import { kmhToMs } from '../quantity/units.ts';
import { evenHill } from '../route/route.ts';
import { gearedHub } from '../test/geared-hub.ts';
import { sample, type Changes } from '../test/sample.ts';
import { ridePlan } from '../trips/ride-plan.ts';
import { constantSpeedRange } from './range.ts';
import type { Legs } from './ways.ts';

type Controls = NonNullable<Changes['controls']>;

const hub = (controls: Controls, riderPowerW = 75): Machine => gearedHub(riderPowerW, controls);
const whPerKm = (machine: Machine, legs: Legs): number => {
  const range = constantSpeedRange(machine, kmhToMs(25), 1, legs);
  return range.holds ? range.whPerKm : NaN;
};

describe('how a machine is ridden, at 25 km/h (worked beforehand)', () => {
  /** Enough that half of the load is never too much for them. */
  const LEGS_W = 150;
  const pedals: Controls = { assistSensor: 'torque', throttle: 'none', assistRatio: 1 };

  it('by the throttle alone takes 8.57 Wh/km', () => {
    expect(whPerKm(hub({ assistSensor: 'none', throttle: 'full' }, 0), 'resting')).toBeCloseTo(8.57, 0);
  });

  it('by the pedals with as much help as legs takes 4.55, whether a throttle is fitted or not', () => {
    expect(whPerKm(hub(pedals, LEGS_W), 'resting')).toBeCloseTo(4.55, 0);
    const fitted: Controls = { ...pedals, throttle: 'full', throttleSharePct: 0 };
    expect(whPerKm(hub(fitted, LEGS_W), 'resting')).toBeCloseTo(whPerKm(hub(pedals, LEGS_W), 'resting'), 9);
  });

  it('mixed, a fifth by the throttle, takes 5.36', () => {
    const mixed = whPerKm(hub({ ...pedals, throttle: 'full', throttleSharePct: 20 }, LEGS_W), 'resting');
    expect(Math.abs(mixed / 5.36 - 1)).toBeLessThan(0.04);
    // Unless it is said, a fifth is taken where both are fitted.
    expect(whPerKm(hub({ ...pedals, throttle: 'full' }, LEGS_W), 'resting')).toBeCloseTo(mixed, 9);
  });

  it.each([
    [40, 6.73],
    [75, 5.15],
    [120, 3.17],
  ])('with %s W of legs beside the throttle takes %s', (riderPowerW, expected) => {
    const beside = whPerKm(hub({ assistSensor: 'none', throttle: 'full' }, riderPowerW), 'helping');
    expect(Math.abs(beside / expected - 1)).toBeLessThan(0.06);
  });
});

describe('all help, up and down again', () => {
  const direct = (descentKmh: number) =>
    sample(
      {
        brief: { descentKmh, cruiseSpeedKmh: 15, temperatureC: 20 },
        drive: { freewheel: false },
        controller: { regenerates: 'yes', regenA: 10, limitsSpeed: false },
        controls: { throttle: 'full' },
        pack: { chargeLimitPct: 80, maxChargeA: 15 },
      },
      'direct-drive-hub',
    );
  const downhill = (descentKmh: number) => {
    const plan = ridePlan(direct(descentKmh), { ...evenHill('', 1500, 8), andBack: true }, 'full');
    const ride = plan.ride({ traceEvery: 20 });
    const rows = ride.trace?.gradePct.flatMap((grade, i) => (grade < 0 ? [i] : [])) ?? [];
    return { ride, fastest: Math.max(...rows.map((i) => ride.trace?.speed[i] ?? 0)) };
  };

  it('lets it run downhill to what the brief says, and gives the rest back', () => {
    const slow = downhill(20);
    const fast = downhill(35);
    expect(slow.fastest * 3.6).toBeLessThan(32);
    expect(fast.fastest).toBeGreaterThan(slow.fastest);
    // Down at 20 km/h on 8 %: a quarter of what the climb took, and never above a third (worked beforehand).
    const { ledger } = slow.ride;
    const share = ledger.regenerated / (ledger.pack + ledger.regenerated);
    expect(share).toBeGreaterThan(0.1);
    expect(share).toBeLessThan(0.34);
  });
});
