import { describe, expect, it } from 'vitest';
import { assemble } from '../machine/assemble.ts';
import { torqueConstant } from '../machine/motor.ts';
import { sample } from '../test/sample.ts';
import { knownBuild } from './known.ts';

const UNKNOWN = { source: 'unknown' } as const;
const NOBODY = { motorSprocketTeeth: UNKNOWN, wheelSprocketTeeth: UNKNOWN, pitchMm: UNKNOWN };
const brushed = (drive: object = {}) =>
  sample(
    {
      drive: {
        commutation: 'brushes',
        ratedPowerW: 450,
        labelV: 24,
        kvRpmPerV: UNKNOWN,
        reduction: UNKNOWN,
        ...NOBODY,
        ...drive,
      },
    },
    'external',
  );
const can = (drive: object = {}) =>
  sample(
    {
      drive: {
        medium: 'belt',
        ratedPowerW: 1000,
        labelV: 36,
        kvRpmPerV: UNKNOWN,
        reduction: UNKNOWN,
        ...NOBODY,
        ...drive,
      },
    },
    'external',
  );
/** Back EMF at the label's volts, on the road, km/h. */
const unloadedKmh = (build: ReturnType<typeof sample>): number => {
  const machine = assemble(build);
  const { kvRpmPerV, labelV } = knownBuild(build).drive;
  expect(machine.motor.kt).toBeCloseTo(torqueConstant(kvRpmPerV.value), 9);
  return (3.6 * labelV.value) / machine.motor.kt / (machine.gears[0]?.motorRatio ?? NaN);
};
const drive = (build: ReturnType<typeof sample>) => knownBuild(build).drive;

describe('sprockets that nobody has counted', () => {
  it('gear a motor for the road, not for its own turns: 450 W at 24 V with brushes, 1,000 W of an outrunner', () => {
    // 11 to 44 of each would run 105 and 160 km/h without load. A belt drive of the trade: 12 to 184 (common practice, no source).
    expect(Math.abs(unloadedKmh(brushed()) / 41 - 1)).toBeLessThan(0.05);
    expect(Math.abs(unloadedKmh(can()) / 54 - 1)).toBeLessThan(0.05);
    expect(drive(can()).wheelSprocketTeeth.value).toBeGreaterThan(100);
    expect(drive(can()).wheelSprocketTeeth.origin).toBe(
      'geared for some 54 km/h without load at 36 V, as motors of 1000 W are, from memory; count the teeth',
    );
  });

  it('follow the one that was counted', () => {
    const ratio = drive(can()).wheelSprocketTeeth.value / 11;
    const one = drive(can({ motorSprocketTeeth: 14 }));
    expect(one.wheelSprocketTeeth.value / 14).toBeCloseTo(ratio, 0);
    expect(drive(can({ wheelSprocketTeeth: 184 })).motorSprocketTeeth.value).toBe(Math.round(184 / ratio));
    // A motor with a gearbox of its own needs no more than the smallest wheel's.
    const slow = drive(brushed({ reduction: 60 }));
    expect([slow.motorSprocketTeeth.value, slow.wheelSprocketTeeth.value]).toEqual([11, 28]);
  });

  it('are no larger across than a wheel has room for, of the pitch that goes round them', () => {
    const across = (build: ReturnType<typeof sample>): number =>
      (drive(build).wheelSprocketTeeth.value * drive(build).pitchMm.value) / Math.PI;
    // Half-inch chain round 120 teeth would be half a metre across.
    expect(drive(brushed()).pitchMm.value).toBe(6.35);
    expect(drive(can()).pitchMm.value).toBe(5);
    expect(drive(brushed({ reduction: 10 })).pitchMm.value).toBe(12.7);
    for (const build of [
      brushed(),
      can(),
      brushed({ pitchMm: 12.7 }),
      brushed({ ratedPowerW: 200 }),
      can({ pitchMm: 8 }),
    ])
      expect(across(build)).toBeLessThan(301);
  });
});
