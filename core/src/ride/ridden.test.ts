import { describe, expect, it } from 'vitest';
import { assemble } from '../machine/assemble.ts';
import type { Machine } from '../machine/machine.ts';
import { kmhToMs } from '../quantity/units.ts';
import { evenHill } from '../route/route.ts';
import { gearedHub } from '../test/geared-hub.ts';
import { sample, type Changes } from '../test/sample.ts';
import { ridePlan } from '../trips/ride-plan.ts';
import { constantSpeedRange } from './range.ts';
import { topSpeed } from './steady.ts';
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

describe('a throttle with a speed limit of its own', () => {
  const both: Controls = { assistSensor: 'torque', assistRatio: 1, throttle: 'full', throttleSharePct: 100 };
  const limited: Controls = { ...both, throttleLimited: true, throttleCutoffKmh: 20 };
  const top = (controls: Controls, riderPowerW: number): number => {
    const outcome = topSpeed(hub(controls, riderPowerW), 1);
    return outcome.moves ? outcome.v * 3.6 : 0;
  };

  it('drives up to it, and beyond it the pedals have their own help', () => {
    const pedals = top({ ...both, throttle: 'none' }, 150);
    expect(pedals).toBeGreaterThan(20);
    expect(top(limited, 150)).toBeCloseTo(pedals, 6);
    expect(top(both, 150)).toBeGreaterThan(pedals + 5);
    // On the level, within the fade of 1 km/h below it.
    for (const assistSensor of ['torque', 'none'] as const)
      expect(Math.abs(top({ ...limited, assistSensor }, 0) - 19.5)).toBeLessThan(0.5);
  });

  it('takes no share of a ride at a speed where it does not drive', () => {
    const slow = (controls: Controls) => whPerKm(hub(controls, 150), 'resting');
    expect(slow(limited)).toBeCloseTo(slow({ ...both, throttle: 'none' }), 9);
    expect(slow(both)).toBeGreaterThan(1.5 * slow(limited));
  });

  it('names its own limit where it ends the help, assumed or not', () => {
    const machine = hub({ ...limited, assistSensor: 'none' }, 0);
    const outcome = topSpeed(machine, 1);
    expect(outcome.traction.limit).toBe('throttle-limit');
    // One that nobody has read does not hold it back in silence.
    const unread = hub({ ...limited, throttleCutoffKmh: { source: 'unknown' } }, 0);
    expect(topSpeed(unread, 1)).toEqual(topSpeed(hub(both, 0), 1));
  });

  it('that works only while the pedals turn rides as one does, and stops with the cadence in the middle', () => {
    expect(top({ ...both, throttle: 'pedalling' }, 0)).toBeCloseTo(top(both, 0), 6);
    const middle = (throttle: 'full' | 'pedalling') =>
      assemble(
        sample(
          {
            brief: { riderPowerW: 0, cadenceMaxRpm: 60 },
            controls: { ...both, throttle },
            controller: { limitsSpeed: false },
          },
          'mid-drive',
        ),
      );
    const turned = topSpeed(middle('pedalling'), 1);
    const still = topSpeed(middle('full'), 1);
    expect(turned.moves && still.moves && turned.v < still.v - 1).toBe(true);
    expect(turned.traction.limit).toBe('cadence');
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
