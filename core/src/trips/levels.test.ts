import { describe, expect, it } from 'vitest';
import { assemble } from '../machine/assemble.ts';
import { sample, type Changes } from '../test/sample.ts';
import { evaluate } from '../test/evaluate.ts';
import { builtToLevel } from './at-level.ts';
import { levelRatios, levelsOf } from './levels.ts';

const RIDE: Changes = {
  brief: { riderMassKg: 75, loadMassKg: 5, riderPowerW: 75, temperatureC: 15 },
  donor: { cdaM2: 0.55, crr: 0.008 },
  drive: { efficiency: 0.93, hysteresisNm: 0, eddyNms: 0 },
  // Gears for every speed: the legs give their watts throughout.
  gearing: {
    chainEfficiency: 1,
    ringTeeth: 30,
    cogTeeth: [80, 70, 60, 50, 40, 34, 28, 24, 21, 18, 15, 13, 11],
  },
};
/** A geared hub that gives k watts at its shaft for each watt of the rider's, 105 kg in all. */
const hub = (changes: Changes = {}) =>
  sample({
    ...RIDE,
    ...changes,
    controls: {
      assistSensor: 'torque',
      throttle: 'none',
      assistRatio: 3,
      leastRatio: 0.5,
      levels: 4,
      ...changes.controls,
    },
    controller: { limitsSpeed: false, limitsPower: false, batteryCurrentA: 25, ...changes.controller },
  });

const heavy = (build: ReturnType<typeof hub>, gradePct: number) => {
  const machine = assemble(build);
  return levelsOf(build, { ...machine, road: { ...machine.road, massKg: 105, crr: 0.008 } }, gradePct);
};

describe('levels of help', () => {
  it('grow by equal ratios from the lowest to the highest', () => {
    const five = levelRatios(0.5, 3, 5);
    [0.5, 0.78, 1.22, 1.92, 3].forEach((k, i) => {
      expect(five[i]).toBeCloseTo(k, 2);
    });
    expect(levelRatios(0.5, 3, 1)).toEqual([3]);
  });

  it.each([
    [0, [20.3, 23.1, 27.4, 30.8]],
    [4, [7.6, 9.8, 14.0, 17.6]],
    [8, [4.2, 5.6, 8.3, 10.8]],
  ])('hold these speeds on %d %% at .5, 1, 2 and 3 times 75 W (worked beforehand)', (grade, speeds) => {
    for (const [i, k] of [0.5, 1, 2, 3].entries()) {
      const build = hub({ controls: { assistRatio: k, levels: 1 } });
      const [one] = heavy(build, grade);
      const kmh = grade === 0 ? one?.flatKmh : one?.hillKmh;
      expect(Math.abs((kmh ?? 0) / (speeds[i] ?? 1) - 1), `${String(k)} at ${String(grade)} %`).toBeLessThan(
        0.04,
      );
    }
  });

  it('take more and go less far the higher they are', () => {
    const levels = heavy(hub(), 6);
    expect(levels).toHaveLength(4);
    for (const [i, level] of levels.entries()) {
      const below = levels[i - 1];
      if (below === undefined) continue;
      expect(level.flatKmh).toBeGreaterThan(below.flatKmh ?? 0);
      expect(level.whPerKm).toBeGreaterThan(below.whPerKm ?? 0);
      expect(level.rangeKm).toBeLessThan(below.rangeKm ?? 0);
    }
    // The highest asks for what the build is ridden with.
    expect(levels.at(-1)?.sets).toMatchObject({ value: 3 });
  });

  it('behind a cadence sensor part the amps, the watts or the speed evenly', () => {
    const cadence = (levelsBy: 'amps' | 'watts' | 'speed') =>
      heavy(
        hub({
          controls: { assistSensor: 'cadence', levels: 5, levelsBy },
          controller: {
            limitsSpeed: true,
            assistCutoffKmh: 25,
            limitsPower: true,
            powerLimitW: 500,
            batteryCurrentA: 15,
          },
        }),
        6,
      ).map((one) => one.sets);
    expect(cadence('amps').map((s) => [Math.round(s.value * 10) / 10, s.unit])).toEqual([
      [3, 'A'],
      [6, 'A'],
      [9, 'A'],
      [12, 'A'],
      [15, 'A'],
    ]);
    expect(cadence('watts').map((s) => s.value)).toEqual([100, 200, 300, 400, 500]);
    expect(cadence('speed').map((s) => Math.round(s.value))).toEqual([5, 10, 15, 20, 25]);
  });

  it('hold in the highest what the tray says of the hill', () => {
    const { range, hill } = evaluate(hub({ controls: { assistSensor: 'cadence' } }));
    const { climb } = hill;
    expect(range.levels.at(-1)?.hillKmh).toBeCloseTo(climb.climbs ? climb.v * 3.6 : NaN, 6);
  });

  it('are five where nobody has said how many, and none without a sensor', () => {
    expect(evaluate(hub({ controls: { levels: 0 } })).range.levels).toHaveLength(5);
    expect(evaluate(hub({ controls: { assistSensor: 'none', throttle: 'full' } })).range.levels).toEqual([]);
  });

  // 24 put in by a wheel held a twentieth too small is ridden at 25.2; a third of it is put in as 8.
  it('of speed are told as they are put in, and ridden by the wheel that the controller holds', () => {
    const build = hub({
      donor: { ...RIDE.donor, rolloutMm: 2100 },
      controls: { assistSensor: 'cadence', levelsBy: 'speed', levels: 3 },
      controller: { limitsSpeed: true, assistCutoffKmh: 24, setRolloutMm: 2000 },
    });
    const levels = levelsOf(build, assemble(build), 0);
    expect(levels.map(({ sets }) => [sets.value, sets.unit])).toEqual([
      [8, 'km/h'],
      [16, 'km/h'],
      [24, 'km/h'],
    ]);
    expect(levels.at(-1)?.flatKmh).toBeGreaterThan(24);
    // A build of the highest level is the build, and is so for the law too.
    const end = (b: typeof build) => evaluate(b).known.controller.assistCutoffKmh.value;
    const [highest] = levels.slice(-1);
    if (highest === undefined) throw new Error('no levels');
    expect(end(builtToLevel(build, highest))).toBeCloseTo(25.2, 6);
  });
});
