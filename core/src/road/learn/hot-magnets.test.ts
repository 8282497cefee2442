import { describe, expect, it } from 'vitest';
import { simulatedLog } from '../../instruments/simulated-logger.ts';
import { withValue } from '../../document/quantity-at.ts';
import { assemble } from '../../machine/assemble.ts';
import { withMagnetsAt } from '../../machine/magnets.ts';
import { warmResistance } from '../../machine/motor.ts';
import { msToKmh } from '../../quantity/units.ts';
import { topSpeed } from '../../ride/steady.ts';
import { evenHill } from '../../route/route.ts';
import { of, outcome, ride } from '../../test/learn-rides.ts';
import { sample } from '../../test/sample.ts';
import type { Recording } from '../channels.ts';
import { predicted, stretchesOf } from './force-rows.ts';
import { prepared, type LearnRide } from './learn-ride.ts';

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

  it('reads its speed constant off a top speed as hot as it was, where the winding was read', () => {
    // Half an hour up a hill, and then as fast as it goes.
    const seconds = Float64Array.from({ length: 1900 }, (_, i) => i);
    const speed = Float64Array.from(seconds, (s) => (s < 1840 ? 6 : 45));
    const recording = (windingC: number): Recording => ({
      seconds,
      columns: { speed, windingC: Float64Array.from(seconds, () => windingC) },
    });
    const top = (windingC: number, topKmh: number): LearnRide => ({
      key: 'top',
      ride: ride('top-speed', { topKmh, pedalled: 'no', airC: 12 }),
      recording: recording(windingC),
    });
    const shellC = prepared(build, top(110, 45))?.magnetC(1850) ?? NaN;
    expect(shellC).toBeGreaterThan(35);
    const machine = assemble(build);
    const circuitOhm = warmResistance(machine.motor.resistance20, 110) + machine.controllerOhm;
    const hot = topSpeed({ ...withMagnetsAt(machine, shellC), circuitOhm }, 1);
    expect(hot.traction.limit).toBe('voltage');
    const topKmh = hot.moves ? msToKmh(hot.v) : NaN;
    const told = of(outcome(build, [top(110, topKmh)]), 'drive.kvRpmPerV');
    expect(Math.abs(told.after / 9 - 1)).toBeLessThan(0.004);
    // Nobody read it: its copper is taken as cooler than it was, and the winding as a slower one.
    const unread = outcome(build, [{ ...top(110, topKmh), recording: undefined }]);
    expect(Math.abs(of(unread, 'drive.kvRpmPerV').after / 9 - 1)).toBeGreaterThan(0.01);
  });
});
