import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../document/document.ts';
import { knownBuild, knownInUse } from '../document/known.ts';
import { withQuantity } from '../document/quantity-at.ts';
import { assemble } from '../machine/assemble.ts';
import { climb } from '../ride/climb.ts';
import { sample } from '../test/sample.ts';
import { batteryDemand, hillBeyond, phaseDemand } from './demand.ts';
import { hillOpen } from './hill-open.ts';

const build = (changes: Parameters<typeof sample>[0] = {}) =>
  sample({
    ...changes,
    pack: { nominalV: 48, cellsInSeries: 13, bmsCurrentA: 60, ...changes.pack },
    controller: { batteryCurrentA: 20, phaseCurrentA: 45, limitsSpeed: false, ...changes.controller },
    controls: { throttle: 'full', ...changes.controls },
  });
const demands = (changes: Parameters<typeof sample>[0] = {}, gradePct = 6) => {
  const one = build(changes);
  const known = knownBuild(one);
  const machine = assemble(one);
  const climbed = climb(machine, 0.5, 500, gradePct, 'best');
  return {
    climbed,
    battery: batteryDemand(one, known, climbed, machine),
    phase: phaseDemand(climbed, machine, known),
    machine,
  };
};

describe('amps asked from the pack', () => {
  it('are at most the controller’s limit, or what a power limit leaves of it at the lowest volts: 480 W at 40 V, 12 A', () => {
    expect(demands().battery.peakA).toBe(20);
    expect(
      demands({ controller: { limitsPower: true, powerLimitW: 480, lowVoltageCutoffV: 40 } }).battery.peakA,
    ).toBeCloseTo(12, 9);
    expect(demands({ controller: { limitsPower: true, powerLimitW: 9000 } }).battery.peakA).toBe(20);
  });

  it('are on the hill those of the climb, and never above the most', () => {
    const { battery, climbed } = demands();
    if (!climbed.climbs) throw new Error('does not climb');
    expect(battery.continuousA).toBeCloseTo(Math.min(20, climbed.batteryA), 9);
    for (const grade of [0, 2, 5, 9, 14, 30]) {
      const { battery: asked } = demands({}, grade);
      expect(asked.continuousA).toBeLessThanOrEqual(asked.peakA);
    }
  });

  it('are everything there is on a hill that is not climbed', () => {
    const { battery, climbed } = demands({ brief: { riderPowerW: 0 } }, 60);
    expect(climbed.climbs).toBe(false);
    expect(battery.continuousA).toBe(battery.peakA);
  });

  it('reach to all that a limit in watts lets through, where another value of one that nobody has read stops it on the hill', () => {
    // 2,000 W at 40 V are 50 A, whatever the amps that nobody has said.
    const limited = build({ controller: { limitsPower: true, powerLimitW: 2000, lowVoltageCutoffV: 40 } });
    const unsaid = (['controller.batteryCurrentA', 'drive.kvRpmPerV'] as const).reduce<BuildDocument>(
      (one, path) => withQuantity(one, path, { source: 'unknown' }),
      limited,
    );
    const known = knownBuild(unsaid);
    const machine = assemble(unsaid);
    const climbed = climb(machine, 0.5, 500, 2, 'best');
    const stopped = hillOpen(unsaid, knownInUse(unsaid, known), () => climb(machine, 0.5, 500, 80, 'best'));
    const { peakA, ...rest } = batteryDemand(unsaid, known, climbed, machine, stopped);
    expect(peakA).toBeCloseTo(50, 9);
    expect(machine.limits.batteryA).toBeLessThan(49);
    const beyond = (amps: number): readonly string[] =>
      hillBeyond({ peakA, ...rest }, amps).map(({ path }) => path);
    expect(beyond(49)).toContain('drive.kvRpmPerV');
    expect(beyond(51)).toEqual([]);
  });

  it('are at standstill the copper loss alone: 45 A squared over the circuit’s ohm, at 48 V', () => {
    const { battery, machine } = demands();
    const watts = 45 * 45 * machine.circuitOhm + machine.limits.standbyW;
    expect(battery.startA).toBeCloseTo(Math.min(20, watts / 48), 9);
  });
});

describe('effective phase amps', () => {
  it('are sqrt(2/3) of the direct-current equivalent: equal copper loss in three phases', () => {
    const { phase, machine } = demands();
    // 3 Ieff^2 R / 2 is I^2 R.
    expect((3 * phase.peakA ** 2) / 2).toBeCloseTo(machine.limits.phaseA ** 2, 6);
    expect(phase.startA).toBe(phase.peakA);
  });

  it('are on the hill those of the climb, and more than the pack gives when it is slow', () => {
    const { phase, battery, climbed } = demands({}, 10);
    if (!climbed.climbs) throw new Error('does not climb');
    expect(phase.continuousA).toBeCloseTo(climbed.phaseA * Math.sqrt(2 / 3), 9);
    expect(phase.continuousA).toBeGreaterThan(battery.continuousA);
  });
});
