import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { knownBuild } from '../document/known.ts';
import { assemble } from '../machine/assemble.ts';
import { normals } from '../quantity/numerics.ts';
import { readBuild } from '../document/read.ts';
import { chancesOf } from '../trips/uncertain.ts';
import { sample, type Changes, runs } from '../test/sample.ts';
import type { DriveKind } from '../document/choices.ts';
import { coastSeconds, type Coasting } from './coasting.ts';
import { QUANTITY_PATHS } from '../document/document.ts';
import { helpedBy } from './helped.ts';
import { MEASURE_HELPERS, measureOf, withMeasured } from './helpers.ts';
import { toldIn, type MeasureId, type MeasureOutcome, type Readings } from './helper.ts';
import { phraseText } from '../quantity/phrase.ts';
import type { UnitSystem } from '../quantity/unit-system.ts';

function measure(
  id: MeasureId,
  readings: Readings,
  changes: Changes = {},
  kind: DriveKind = 'geared-hub',
  system: UnitSystem = 'metric',
): MeasureOutcome {
  const build = sample(changes, kind);
  return MEASURE_HELPERS[id].work(readings, {
    build,
    known: knownBuild(build),
    machine: assemble(build),
    pack: 0,
    system,
  });
}
const value = (outcome: MeasureOutcome, at = 0): number =>
  outcome.ok ? (outcome.values[at]?.value ?? NaN) : NaN;
const sd = (outcome: MeasureOutcome, at = 0): number => (outcome.ok ? (outcome.values[at]?.sd ?? NaN) : NaN);

describe('Kv from a spin (worked by hand)', () => {
  const spun: Readings = { kmh: 62.1, rolloutMm: 2100, volts: 53.8, amps: 1.1 };

  it('62.1 km/h on 2100 mm at 53.8 V and 1.1 A behind a reduction of 5 is 46.17 rpm/V, sd 1 %', () => {
    const out = measure('spin', spun, { drive: { reduction: 5, resistanceOhm: 0.11 } });
    expect(value(out)).toBeCloseTo(46.17, 1);
    expect(sd(out) / value(out)).toBeCloseTo(0.01, 9);
  });

  it('says that a reduction which nobody knows goes into it, and asks a mid-drive for its cog', () => {
    const guessed = measure('spin', spun, { drive: { reduction: { source: 'unknown' } } });
    expect(JSON.stringify(guessed)).toMatch(/reduction inside is not known/);
    const middleBuild = sample({}, 'mid-drive');
    expect(measureOf('spin', spun, middleBuild, 0, 'metric')).toBeUndefined();
    expect(measureOf('spin', { ...spun, cogTeeth: 21 }, middleBuild, 0, 'metric')?.ok).toBe(true);
    expect(measureOf('spin', spun, sample(), 0, 'metric')?.ok).toBe(true);
    const middle = measure(
      'spin',
      { ...spun, cogTeeth: 21 },
      { drive: { reduction: 20 }, gearing: { ringTeeth: 42 } },
      'mid-drive',
    );
    expect(value(middle)).toBeCloseTo(((((62.1 / 3.6 / 2.1) * 60) / 2) * 20) / 53.4, 0);
  });
});

describe('winding resistance (worked by hand)', () => {
  it('298 mV at 1.75 A and 12 °C are 0.1703 ohm, 0.1758 at 20 °C', () => {
    const out = measure('winding', { amps: 1.75, first: 298, celsius: 12 });
    expect(value(out)).toBeCloseTo(0.1758, 4);
    expect(sd(out)).toBeGreaterThan(0.002);
    expect(sd(out)).toBeLessThan(0.004);
  });

  it('of pairs that differ by more than 5 % is a fault and no value', () => {
    expect(measure('winding', { amps: 1, first: 100, second: 104, third: 102, celsius: 20 }).ok).toBe(true);
    expect(measure('winding', { amps: 1, first: 100, second: 106, celsius: 20 }).ok).toBe(false);
  });
});

describe('the pack’s sag (worked by hand)', () => {
  it('53.1 V at 1.1 A and 50.9 V at 16.2 A are 0.1457 ohm, sd 0.006; what is not the cells’ is the wiring’s', () => {
    const large: Changes = { pack: { capacityAh: 25, healthPct: 100 } };
    const out = measure('sag', { v1: 53.1, i1: 1.1, v2: 50.9, i2: 16.2 }, large);
    expect(JSON.stringify(out)).toMatch(/145\.69/);
    expect(sd(out)).toBeCloseTo(5.6, 1);
    // Put back, the whole pack shows what was measured.
    const build = sample({ pack: { ...large.pack, wiringMohm: value(out) } });
    const pack = assemble(build).pack;
    const again = MEASURE_HELPERS.sag.work(
      { v1: 53.1, i1: 1.1, v2: 50.9, i2: 16.2 },
      { build, known: knownBuild(build), machine: assemble(build), pack: 0, system: 'metric' },
    );
    expect(value(again)).toBeCloseTo(1000 * pack.wiringOhm, 6);
  });

  it('refuses currents that are too near each other, volts that do not fall, and less than the cells alone', () => {
    expect(measure('sag', { v1: 53, i1: 10, v2: 52, i2: 11 }).ok).toBe(false);
    expect(measure('sag', { v1: 50, i1: 1, v2: 53, i2: 16 }).ok).toBe(false);
    expect(measure('sag', { v1: 53, i1: 1, v2: 52.9, i2: 30 }).ok).toBe(false);
  });
});

describe('on the floor and the scale (worked by hand)', () => {
  it('three turns over 6475 mm roll out 2158 mm, sd 2.4', () => {
    const out = measure('roll-out', { mm: 6475, turns: 3 });
    expect(value(out)).toBeCloseTo(2158.3, 1);
    expect(sd(out)).toBeCloseTo(2.4, 9);
  });

  it('112 kg on 1.08 m, the front raised by 0.30 m with 19.2 kg more on the rear: 0.98 m up', () => {
    const out = measure(
      'scales',
      { front: 45, rear: 67, raisedMm: 300, moreKg: 19.2 },
      { donor: { wheelbaseMm: 1080, rolloutMm: 2136 } },
    );
    expect(value(out)).toBeCloseTo((45 * 1080) / 112, 6);
    expect(value(out, 1) / 1000).toBeCloseTo(0.98, 2);
  });

  it('31 mm under a level of 600 mm is 5.2 %, sd 0.17; 2.9° and −2.1° by telephone are 4.37 %', () => {
    const flat = measure('level', { lengthMm: 600, gapMm: 31 });
    expect([value(flat), sd(flat)].map((x) => Number(x.toFixed(2)))).toEqual([5.17, 0.17]);
    expect(value(measure('telephone', { first: 2.9, turned: -2.1 }))).toBeCloseTo(4.37, 2);
  });
});

describe('rolling out', () => {
  const MARKS = [30, 25, 20, 15, 10];
  const build: Changes = {
    brief: { riderMassKg: 70, loadMassKg: 0, temperatureC: 20, altitudeM: 0 },
    donor: { massKg: 20, crr: 0.008 },
  };
  const { road } = assemble(sample(build));
  const mass = road.massKg + 2;
  const truth = (cda: number, crr: number, slope: number, w: number): Coasting => ({
    a: (9.80665 * crr * road.massKg) / mass,
    b: (road.airDensity * cda) / (2 * mass),
    d: (9.80665 * slope * road.massKg) / mass,
    w,
  });
  const timesAt = (c: Coasting, from: number, marks: readonly number[], noise = () => 0): Readings =>
    Object.fromEntries(
      marks.flatMap((v, i) => [
        [`there${String(i + 1)}`, coastSeconds(c, from, v) + noise()],
        [`back${String(i + 1)}`, coastSeconds({ ...c, d: -c.d, w: -c.w }, from, v) + noise()],
      ]),
    );
  const times = (c: Coasting, noise?: () => number): Readings =>
    timesAt(
      c,
      35 / 3.6,
      MARKS.map((kmh) => kmh / 3.6),
      noise,
    );

  it('passes the marks after 4.33, 9.86, 17.04, 26.46 and 38.75 s at a .0769 and b .0030 (worked beforehand)', () => {
    const c = { a: 0.0769, b: 0.003, d: 0, w: 0 };
    const at = MARKS.map((kmh) => coastSeconds(c, 35 / 3.6, kmh / 3.6));
    [4.33, 9.86, 17.04, 26.46, 38.75].forEach((s, i) => {
      expect(Math.abs((at[i] ?? 0) / s - 1)).toBeLessThan(0.005);
    });
  });

  it('gives drag and rolling back, with slope and wind as unknowns, over many machines', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.25, max: 1.2, noNaN: true }),
        fc.double({ min: 0.004, max: 0.016, noNaN: true }),
        fc.double({ min: -0.002, max: 0.002, noNaN: true }),
        fc.double({ min: -1.2, max: 1.2, noNaN: true }),
        (cda, crr, slope, w) => {
          const out = measure('coast-down', times(truth(cda, crr, slope, w)), build);
          // The times tell the wind but roughly: a windy day leans a little to a still one, within the error it states.
          expect(Math.abs(value(out) - cda)).toBeLessThan(Math.max(0.02 * cda, sd(out)));
          expect(Math.abs(value(out, 1) - crr)).toBeLessThan(Math.max(0.02 * crr, sd(out, 1)));
        },
      ),
      runs(40),
    );
  });

  it('finds slope and wind also where a first step towards them would have it roll on for ever', () => {
    // An easy tyre, one way down the wind and the slope: 0.4 % of rolling against 0.2 % of slope.
    const out = measure('coast-down', times(truth(0.56, 0.004, 0.002, 1.2)), build);
    expect(value(out)).toBeCloseTo(0.56, 2);
    expect(Math.abs(value(out, 1) / 0.004 - 1)).toBeLessThan(0.02);
    expect(out.ok ? phraseText(out.words) : '').toMatch(/slope of 0\.20\s% and a wind of 1\.2\sm\/s/);
  });

  it('with a hand’s 0.2 s and 1 m/s of wind finds the truth within two of its own errors in nine of ten', () => {
    const c = truth(0.5, 0.008, 0.002, 1);
    let within = 0;
    for (let seed = 1; seed <= 40; seed += 1) {
      const normal = normals(seed);
      const out = measure(
        'coast-down',
        times(c, () => 0.2 * normal()),
        build,
      );
      if (Math.abs(value(out) - 0.5) < 2 * sd(out) && Math.abs(value(out, 1) - 0.008) < 2 * sd(out, 1))
        within += 1;
    }
    expect(within).toBeGreaterThanOrEqual(36);
  });

  it('says what is missing or misread', () => {
    expect(measure('coast-down', { there1: 4, there2: 9, there3: 16 }).ok).toBe(false);
    const all = times(truth(0.5, 0.008, 0, 0));
    expect(measure('coast-down', { ...all, there3: 3 }, build).ok).toBe(false);
  });

  it('is timed by the marks of a speedometer in mph for whoever reads miles', () => {
    const miles = MEASURE_HELPERS['coast-down'].readings.map(({ label }) => toldIn(label, 'imperial'));
    const marks = miles.slice(0, 5).map((label) => Number(/to (\d+) mph, one way/.exec(label)?.[1]));
    expect(miles[0]).toContain('Seconds from 22 to');
    const mph = 0.44704;
    const readings = timesAt(
      truth(0.5, 0.008, 0.001, 0.5),
      22 * mph,
      marks.map((m) => m * mph),
    );
    const out = measure('coast-down', readings, build, 'geared-hub', 'imperial');
    expect(value(out)).toBeCloseTo(0.5, 2);
    expect(value(out, 1)).toBeCloseTo(0.008, 4);
  });

  it('tells the same drag of a hub from 16 to 10 mph', () => {
    const changes: Changes = {
      ...build,
      drive: { freewheel: false, eddyNms: 0 },
      donor: { massKg: 30 - 6 },
    };
    // By hand: the same force takes the speed down by 6 mph in 0.9656 of the time that 10 km/h take.
    const share = (6 * 0.44704) / (10 / 3.6);
    const words = (readings: Readings, system: UnitSystem): string => {
      const out = measure('hub-drag', readings, changes, 'direct-drive-hub', system);
      return out.ok ? phraseText(out.words, 'metric') : '';
    };
    const metric = words({ with: 14.73, without: 16.6 }, 'metric');
    expect(metric).toMatch(/2\.\d\d\sN/);
    expect(words({ with: 14.73 * share, without: 16.6 * share }, 'imperial')).toBe(metric);
  });

  it('tells the drag of a hub: 14.73 s with and 16.60 s without it are 2.16 N (worked by hand, 102 kg)', () => {
    const out = measure(
      'hub-drag',
      { with: 14.73, without: 16.6 },
      { ...build, drive: { freewheel: false, eddyNms: 0 }, donor: { massKg: 30 - 6 } },
      'direct-drive-hub',
    );
    expect(JSON.stringify(out)).toMatch(/"value":2\.\d+,"unit":"N"/);
    expect(measure('hub-drag', { with: 14.73, without: 16.6 }).ok).toBe(false);
  });
});

describe('what was measured', () => {
  it('stands in the build with its plus-minus, which the band draws by, and how it was come by', () => {
    const build = withMeasured(sample(), [{ path: 'drive.kvRpmPerV', value: 46.1732, sd: 0.4617 }], 'a spin');
    expect(build.drive.kvRpmPerV).toEqual({
      source: 'measured',
      value: 46.17,
      plusMinus: 0.46,
      note: 'a spin',
    });
    const chance = chancesOf(build).find((c) => c.moves[0].known.path === 'drive.kvRpmPerV');
    expect(chance?.moves[0].deviation).toBeCloseTo(0.46, 9);
    expect(readBuild(build).ok).toBe(true);
  });
});

describe('what can be measured', () => {
  it('is offered beside its value, a hub’s drag only where it drags', () => {
    const freewheel = sample({ drive: { freewheel: true } });
    const fixed = sample({ drive: { freewheel: false } }, 'direct-drive-hub');
    expect(helpedBy(fixed, 'drive.hysteresisNm').map((h) => h.id)).toEqual(['hub-drag']);
    expect(helpedBy(freewheel, 'drive.hysteresisNm')).toEqual([]);
    expect(helpedBy(fixed, 'packs.2.wiringMohm').map((h) => h.id)).toEqual(['sag']);
    expect(helpedBy(fixed, 'brief.hillGradePct')).toHaveLength(2);
    // A field compares what it is offered: a list that is made anew each time would have it drawn for ever.
    for (const build of [freewheel, fixed])
      expect(QUANTITY_PATHS.filter((path) => helpedBy(build, path) !== helpedBy(build, path))).toEqual([]);
  });
});
