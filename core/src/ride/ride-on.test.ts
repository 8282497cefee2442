import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { batteryAmps, wholeCapacityAh, peukertFactor, supplyAt } from '../machine/battery.ts';
import { assemble } from '../machine/assemble.ts';
import type { Machine } from '../machine/machine.ts';
import { kmhToMs, msToKmh } from '../quantity/units.ts';
import { gearedHub } from '../test/geared-hub.ts';
import { anyBuild, runs } from '../test/sample.ts';
import { constantSpeedRange } from './range.ts';
import { wayAt, waysToHold, type Legs } from './ways.ts';

/** Ridden by the hand all the way, and by the motor alone unless told, down to its cut-off. */
const hub = (riderPowerW = 0): Machine =>
  gearedHub(
    riderPowerW,
    { throttle: 'full', throttleSharePct: 100 },
    { lowVoltageCutoffV: 40.3, lowVoltageFoldV: 0, standbyW: 3 },
  );

const ranged = (machine: Machine, kmh: number, legs: Legs = 'helping') =>
  constantSpeedRange(machine, kmhToMs(kmh), 1, legs);

describe('a wanted speed near the top', () => {
  // Worked beforehand by stepping; masses, air and losses of the row as there.
  it.each([
    [25, 67.3, 1.4],
    [35, 38.2, 4.65],
    [38, 20.1, 18.6],
  ])('%s km/h is held for %s km, and ridden on for %s km', (kmh, held, on) => {
    const range = ranged(hub(), kmh);
    if (!range.holds) throw new Error('not held');
    expect(Math.abs(range.metres / 1000 / held - 1)).toBeLessThan(kmh > 36 ? 0.03 : 0.02);
    expect(Math.abs((range.on?.metres ?? 0) / 1000 - on)).toBeLessThan(0.06 * on + 0.2);
    expect(msToKmh(range.on?.toV ?? 0)).toBeLessThan(kmh);
  });

  it('that is never held is a ride of its own, ended where it is half of what was wanted', () => {
    const range = ranged(hub(), 45);
    expect(range.holds).toBe(false);
    expect((range.on?.metres ?? 0) / 1000).toBeGreaterThan(34);
    expect((range.on?.metres ?? 0) / 1000).toBeLessThan(38.5);
    expect(msToKmh(range.on?.toV ?? 0)).toBeCloseTo(22.5, 0);
    expect(range.on?.ends).toBe('crawl');
  });

  it('with legs that help goes further: 90 W, 35 km/h', () => {
    const range = ranged(hub(90), 35);
    if (!range.holds) throw new Error('not held');
    expect(Math.abs(range.metres / 1000 / 51.6 - 1)).toBeLessThan(0.03);
    expect(range.on?.metres).toBeGreaterThan(2500);
  });

  it('ends where the legs alone would carry on for ever', () => {
    const easy = ranged(hub(200), 24);
    expect(easy.on?.ends ?? 'empty').not.toBe(undefined);
    expect((easy.on?.metres ?? 0) / 1000).toBeLessThan(100);
  });
});

describe('riding on', () => {
  it('agrees with steps of a two-thousandth of the charge', () => {
    const machine = hub();
    const v = kmhToMs(38);
    const range = constantSpeedRange(machine, v, 1);
    if (!range.holds || range.on === undefined) throw new Error('not ridden on');
    let [charge, metres] = [range.endCharge, 0];
    let speed = v;
    const d = 1 / 2000;
    while (charge > range.on.endCharge) {
      const supply = supplyAt(machine.pack, charge - d / 2);
      // The fastest that is held, from the last speed downwards.
      while (wayAt(machine, waysToHold(machine, speed, 'helping'), supply, speed) === undefined)
        speed -= 0.002;
      const way = wayAt(machine, waysToHold(machine, speed, 'helping'), supply, speed);
      const amps = batteryAmps(supply, way?.batteryW ?? 0);
      metres +=
        (speed * d * wholeCapacityAh(machine.pack) * 3600) / (amps * peukertFactor(machine.pack, amps));
      charge -= d;
    }
    expect(Math.abs(range.on.metres / metres - 1)).toBeLessThan(0.004);
  });

  it('gives a distance for any build that moves, and never more charge than there is (property)', () => {
    fc.assert(
      fc.property(anyBuild, fc.double({ min: 5, max: 70, noNaN: true }), (build, kmh) => {
        const machine = assemble(build);
        const range = constantSpeedRange(machine, kmhToMs(kmh), 1, 'helping');
        const { on } = range;
        if (on === undefined) return;
        for (const value of [on.metres, on.seconds, on.usedWh, on.fromV, on.toV])
          expect(value).toBeGreaterThanOrEqual(0);
        expect(on.fromV).toBeLessThanOrEqual(kmhToMs(kmh) + 1e-9);
        expect(on.endCharge).toBeGreaterThanOrEqual(0);
        expect(Number.isFinite(on.metres)).toBe(true);
      }),
      runs(60),
    );
  });
});
