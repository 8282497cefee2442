import { describe, expect, it } from 'vitest';
import { simulatedLog } from '../../instruments/simulated-logger.ts';
import { withValue } from '../../document/quantity-at.ts';
import { evenHill } from '../../route/route.ts';
import { ride } from '../../test/learn-rides.ts';
import { sample } from '../../test/sample.ts';
import { predicted, stretchesOf } from './force-rows.ts';
import { prepared } from './learn-ride.ts';

/** A direct-drive hub that is warmed for half an hour by a hill, its winding read. */
const build = sample(
  {
    brief: { riderPowerW: 0, temperatureC: 12, cruiseSpeedKmh: 16 },
    drive: { windingSensor: 'no', freewheel: false, kvRpmPerV: 9, resistanceOhm: 0.3, damageC: 250 },
    pack: { nominalV: 52, cellsInSeries: 14, capacityAh: 60, bmsCurrentA: 60 },
    controller: { batteryCurrentA: 40, phaseCurrentA: 100, limitsSpeed: false },
    controls: { throttle: 'full', assistSensor: 'none' },
  },
  'direct-drive-hub',
);
const route = evenHill('', 8000, 7);
const none = { cda: 0, crr: 0, eta: 0, ohm: 0, mass: 0, gain: 0, zero: 0, wind: 0 };

describe('learning from a motor that gets hot', () => {
  it('asks no more of it hot than of it cold: resistance and magnets explain the watts from the foot to the top', () => {
    const recording = simulatedLog(build, {
      windMs: 0,
      windFromDeg: undefined,
      airC: 12,
      fault: 'none',
      route,
      effort: 'cruise',
      seed: 5,
      truth: {},
    });
    const ready = prepared(withValue(build, 'brief.temperatureC', 12), {
      key: 'hot',
      ride: ride('hill'),
      recording,
    });
    if (ready?.windingC === undefined) throw new Error('nothing was read');
    const top = ready.seconds.length - 1;
    expect(ready.windingC[top - 60]).toBeGreaterThan(100);
    // The shell is warm by then, and its magnets 3 % weaker: the copper takes 6 % more by them alone.
    expect(ready.magnetC(top - 60)).toBeGreaterThan(40);
    const off = stretchesOf(ready).map((s) => predicted(s, none) / s.measured - 1);
    const mean = (of: readonly number[]): number => of.reduce((sum, x) => sum + x, 0) / of.length;
    const third = Math.floor(off.length / 3);
    expect(third).toBeGreaterThan(5);
    expect(Math.abs(mean(off.slice(-third)) - mean(off.slice(0, third)))).toBeLessThan(0.004);
  });
});
