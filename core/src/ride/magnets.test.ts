import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assemble } from '../machine/assemble.ts';
import { withMagnetsAt } from '../machine/magnets.ts';
import type { Machine } from '../machine/machine.ts';
import { magnetShare, torqueConstant } from '../machine/motor.ts';
import { evenHill } from '../route/route.ts';
import { anyBuild, runs, sample } from '../test/sample.ts';
import { pace, ride } from '../test/rides.ts';
import { continuousAt } from './continuous.ts';

const direct = sample(
  {
    brief: { riderPowerW: 0, temperatureC: 20 },
    drive: { windingSensor: 'no', freewheel: false, kvRpmPerV: 9, damageC: 200 },
    pack: { nominalV: 52, cellsInSeries: 14, capacityAh: 30, bmsCurrentA: 60 },
    controller: { batteryCurrentA: 40, phaseCurrentA: 100, limitsSpeed: false },
    controls: { throttle: 'full', assistSensor: 'none' },
  },
  'direct-drive-hub',
);
/** The same with magnets that do not mind. */
const steadfast = (machine: Machine): Machine => ({
  ...machine,
  motor: { ...machine.motor, weakerPerK: 0 },
});

describe('magnets that weaken as they warm', () => {
  // NdFeB 0.11 %/K and ferrite 0.2 %/K: values of handbooks of magnets, from memory.
  it('are 6.6 % weaker at 80 C, those of a motor with brushes 12 %', () => {
    expect(magnetShare(assemble(direct).motor, 80)).toBeCloseTo(0.934, 6);
    const brushed = sample({ drive: { commutation: 'brushes' } }, 'external');
    expect(magnetShare(assemble(brushed).motor, 80)).toBeCloseTo(0.88, 6);
    expect(magnetShare(assemble(direct).motor, 20)).toBe(1);
    expect(assemble(direct).motor.kt).toBeCloseTo(torqueConstant(9), 12);
  });

  it('take more amps for the same force, by as much as they are weaker, and more of the cold than of the warm', () => {
    const machine = assemble(direct);
    const one = ride(machine, evenHill('', 6000, 6), {
      pace: pace(18),
      charge: 0.7,
      draining: 'stays',
      speed: 5,
      traceEvery: 100,
    });
    const { phaseA = [], shellC = [], speed = [] } = one.trace ?? {};
    const last = phaseA.length - 2;
    expect(speed[last]).toBeCloseTo(5, 3);
    expect(shellC[last]).toBeGreaterThan(35);
    const forces = phaseA
      .slice(3, last)
      .map((amps, i) => amps * magnetShare(machine.motor, shellC[i + 3] ?? NaN));
    // The heat is stepped every two to four seconds, the row is written in between.
    for (const force of forces) expect(force / (forces[0] ?? NaN)).toBeCloseTo(1, 3);
  });

  it('make a long hill hotter than copper alone does, and end it sooner', () => {
    const machine = assemble(direct);
    const up = (m: Machine) =>
      ride(m, evenHill('', 100_000, 9), {
        pace: pace(18),
        charge: 0.7,
        draining: 'stays',
        speed: 5,
        untilC: 150,
        mostSeconds: 7200,
      });
    const [hot, steady] = [up(machine), up(steadfast(machine))];
    expect(hot.ends).toBe('hot');
    // Worked by hand: with a shell that comes to some 70 C the copper takes up to 12 % more at the end.
    expect(hot.seconds / steady.seconds).toBeLessThan(0.95);
    expect(hot.seconds / steady.seconds).toBeGreaterThan(0.7);
  });

  it('hold less for ever: what is borne in amps is less in force, by the shell it comes to', () => {
    const machine = assemble(direct);
    const [gear] = machine.gears;
    if (gear === undefined) throw new Error('no gear');
    const [hot, steady] = [continuousAt(machine, gear, 5), continuousAt(steadfast(machine), gear, 5)];
    expect(hot.phaseA).toBeCloseTo(steady.phaseA, 6);
    expect(hot.forceN).toBeLessThan(0.97 * steady.forceN);
    const share = magnetShare(machine.motor, hot.shellC);
    const lost = (1 - share) * machine.motor.kt * hot.phaseA * gear.motorRatio;
    expect(steady.motorW - hot.motorW).toBeCloseTo(5 * lost, 6);
  });

  it('of a weakened field: the amps that would cancel them go with them, so that the leads stay what they are', () => {
    const weakened = assemble(
      sample(
        {
          drive: { freewheel: false, kvRpmPerV: 9, cancelA: 150 },
          controller: { weakens: 'yes', weakeningA: 30 },
        },
        'direct-drive-hub',
      ),
    );
    const warm = withMagnetsAt(weakened, 100);
    expect((warm.weakening?.cancelA ?? NaN) / warm.motor.kt).toBeCloseTo(150 / weakened.motor.kt, 9);
    expect(weakened.weakening?.cancelA).toBe(150);
  });

  it('never keep a hill cooler, over many builds', () => {
    fc.assert(
      fc.property(anyBuild, fc.integer({ min: 2, max: 8 }), (build, grade) => {
        const machine = assemble(build);
        // From warm magnets on: in frost they are stronger than at 20 C.
        const warmth = { windingC: 20, shellC: Math.max(20, machine.airC) };
        const up = (m: Machine) =>
          ride(m, evenHill('', 3000, grade), {
            pace: pace(9),
            charge: 0.7,
            draining: 'stays',
            speed: 2.5,
            warmth,
          });
        const [hot, steady] = [up({ ...machine, airC: 20 }), up(steadfast({ ...machine, airC: 20 }))];
        // One that cannot do as it is wished has less force, and is no hotter for it.
        if (hot.ends !== 'arrived' || steady.ends !== 'arrived' || hot.slowest < 2.499) return;
        expect(hot.hottestC).toBeGreaterThan(steady.hottestC - 0.01);
      }),
      runs(60),
    );
  });
});
