import { withCellsAt } from '../test/hand-machine.ts';
import { describe, expect, it } from 'vitest';
import { assemble } from '../machine/assemble.ts';
import type { Machine } from '../machine/machine.ts';
import { airCooling, heatStep } from '../machine/thermal.ts';
import { copperGrowth } from '../machine/motor.ts';
import { sample } from '../test/sample.ts';
import { bearableC, heatOf } from './continuous.ts';
import { thirtyMinutePower } from './thirty-minute.ts';

const machineOf = (
  amps: number,
  phase = 3 * amps,
  kind: 'geared-hub' | 'direct-drive-hub' = 'geared-hub',
): Machine =>
  assemble(
    sample(
      {
        controller: { batteryCurrentA: amps, phaseCurrentA: phase },
        pack: { bmsCurrentA: 200, healthPct: 100 },
      },
      kind,
    ),
  );

describe('thirty-minute power', () => {
  it('ends where the winding is at what it bears, by steps of a second', () => {
    const machine = withCellsAt(machineOf(80, 250), 25);
    const held = thirtyMinutePower(machine);
    expect(held.heat).toBe(true);
    const gear = machine.gears.reduce((a, b) => (b.motorRatio < a.motorRatio ? b : a));
    const cooling = airCooling(machine.thermal, held.v);
    let warm = { windingC: machine.airC, shellC: machine.airC };
    for (let s = 0; s < 1800; s += 1) {
      const heat = heatOf(machine, gear, held.v, held.phaseA);
      const copper = heat.copper20W * (1 + copperGrowth * (warm.windingC - 20));
      warm = heatStep(machine.thermal, warm, copper + heat.coreW, heat.shellW, cooling, machine.airC, 1);
    }
    // The current is found to a thousandth of its limit; backward Euler with 1 s is good for a kelvin.
    expect(Math.abs(warm.windingC - bearableC(machine))).toBeLessThan(2);
  });

  it('is set by the controller where that is small, and never falls with more current', () => {
    expect(thirtyMinutePower(machineOf(6)).heat).toBe(false);
    const watts = [4, 8, 15, 25, 40, 80].map((a) => thirtyMinutePower(machineOf(a)).watts);
    watts.forEach((w, i) => {
      expect(w).toBeGreaterThanOrEqual((watts[i - 1] ?? 0) - 1);
    });
  });

  it('of a common 250 W hub behind 15 A is a few hundred watts, above its label (common practice, no source)', () => {
    const hub = assemble(
      sample({
        drive: { kvRpmPerV: 32, resistanceOhm: 0.26, reduction: 4.4, massKg: 3.4 },
        pack: { nominalV: 36, cellsInSeries: 10 },
        controller: { batteryCurrentA: 15 },
      }),
    );
    const { watts } = thirtyMinutePower(hub);
    expect(watts).toBeGreaterThan(200);
    expect(watts).toBeLessThan(480);
  });

  it('does not ask where the help ends by speed', () => {
    const limited = sample({ controller: { limitsSpeed: true, assistCutoffKmh: 6 } });
    const free = sample({ controller: { limitsSpeed: false } });
    expect(thirtyMinutePower(assemble(limited))).toEqual(thirtyMinutePower(assemble(free)));
  });
});
