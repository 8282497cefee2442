import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../document/document.ts';
import { lawFacts } from '../law/facts.ts';
import { climb } from '../ride/climb.ts';
import { busPoint } from '../ride/packs-together.ts';
import { rideCourse } from '../ride/route-ride.ts';
import { courseOf } from '../ride/course.ts';
import { constantSpeedRange } from '../ride/range.ts';
import { topSpeed } from '../ride/steady.ts';
import { evenHill } from '../route/route.ts';
import { evaluate } from '../test/evaluate.ts';
import { pace } from '../test/rides.ts';
import { RUNS, sample } from '../test/sample.ts';
import { study } from '../verdict/study.ts';
import { assemble } from './assemble.ts';
import { batteryAmps, supplyAt } from './battery.ts';
import { behindDiodes, boardOpensAfter, mostWatts, supplyOn, terminalVolts } from './diodes.ts';

const pack = fc.record({
  openVolts: fc.double({ min: 20, max: 80, noNaN: true }),
  ohm: fc.double({ min: 0.02, max: 0.5, noNaN: true }),
  bmsA: fc.double({ min: 5, max: 60, noNaN: true }),
});

describe('packs behind diodes as one source', () => {
  // Worked beforehand: 50 V behind 0.1, 49 V behind 0.1 and 46 V behind 0.2 ohm; 600 W, and 2500 W with 0.02 V a diode.
  const three = [
    { openVolts: 50, ohm: 0.1, bmsA: 10 },
    { openVolts: 49, ohm: 0.1, bmsA: 30 },
    { openVolts: 46, ohm: 0.2, bmsA: 30 },
  ];

  it('give 12.27 A at 48.886 V for 600 W: 11.14, 1.14 and nothing', () => {
    const supply = behindDiodes(three);
    const amps = batteryAmps(supply, 600);
    expect(terminalVolts(supply, amps)).toBeCloseTo(48.886, 3);
    expect(amps).toBeCloseTo(11.14 + 1.137, 2);
    const dropped = behindDiodes(three.map((one) => ({ ...one, openVolts: one.openVolts - 0.02 })));
    expect(terminalVolts(dropped, batteryAmps(dropped, 2500))).toBeCloseTo(46.81, 3);
  });

  it('trip the board that carries most of its label first, though all together could carry it', () => {
    const supply = behindDiodes(three);
    // 2500 W: 31.7 A of a board for 10 A, while the three labels come to 70 A.
    expect(boardOpensAfter(supply, 10, batteryAmps(supply, 2500))).toBeLessThan(1);
    expect(boardOpensAfter(supply, 10, batteryAmps(supply, 600))).toBeUndefined();
  });

  it('are what the bus of constant power finds, whatever they are and however many (property)', () => {
    fc.assert(
      fc.property(
        fc.array(pack, { minLength: 1, maxLength: 4 }),
        fc.double({ min: 1, max: 3000, noNaN: true }),
        (packs, watts) => {
          const supply = behindDiodes(packs);
          const bus = busPoint(packs, watts, 'combiner');
          const amps = batteryAmps(supply, watts);
          expect(amps === Infinity).toBe(bus === undefined);
          expect(watts > mostWatts(supply) * (1 + 1e-9)).toBe(bus === undefined);
          if (bus === undefined) return;
          expect(amps).toBeCloseTo(
            bus.amps.reduce((sum, one) => sum + one, 0),
            6,
          );
          expect(terminalVolts(supply, amps)).toBeCloseTo(bus.volts, 6);
          // No pack alone stands higher.
          for (const one of packs)
            expect(terminalVolts(supply, amps)).toBeGreaterThanOrEqual(one.openVolts - amps * one.ohm - 1e-9);
        },
      ),
      RUNS,
    );
  });
});

const LOW = {
  nominalV: 36,
  cellsInSeries: 10,
  capacityAh: 12,
  bmsCurrentA: 60,
  healthPct: 100,
  wiringMohm: 20,
};
const HIGH = { ...LOW, nominalV: 48, cellsInSeries: 13 };
const strong = (first: object, second?: object, join: 'combiner' | 'switch' | 'parallel' = 'combiner') =>
  sample({
    brief: { hillGradePct: 10, hillLengthM: 400, riderMassKg: 95, riderPowerW: 0, cruiseSpeedKmh: 25 },
    drive: { massKg: 6, kvRpmPerV: 42 },
    controller: {
      batteryCurrentA: 40,
      phaseCurrentA: 110,
      limitsSpeed: false,
      lowVoltageCutoffV: 30,
      ratedV: 80,
    },
    controls: { throttle: 'full' },
    pack: first,
    ...(second === undefined ? {} : { second: { chargeLimitPct: 100, ...second, join } }),
    joining: { diodeDropV: 0 },
  });
const speeds = (build: BuildDocument) => {
  const machine = assemble(build);
  const [top, hill] = [topSpeed(machine, 0.5), climb(machine, 0.5, 400, 10, 'best')];
  return { top: top.moves ? top.v : 0, hill: hill.climbs ? hill.v : 0 };
};

describe('a machine on packs behind diodes', () => {
  it('is as fast as its higher pack makes it, whichever stands first', () => {
    const [one, other, high] = [strong(LOW, HIGH), strong(HIGH, LOW), strong(HIGH)].map(speeds);
    expect(one?.top).toBeCloseTo(other?.top ?? 0, 9);
    expect(one?.hill).toBeCloseTo(other?.hill ?? 0, 9);
    // The lower one is never sagged down to.
    expect(one?.top).toBeCloseTo(high?.top ?? 0, 1);
    expect(one?.top).toBeGreaterThan(1.1 * speeds(strong(LOW)).top);
  });

  it('sags less on two alike, as if they were joined directly, less the drop of a diode', () => {
    const [diodes, direct, alone] = [
      strong(HIGH, HIGH),
      strong(HIGH, HIGH, 'parallel'),
      strong(HIGH, HIGH, 'switch'),
    ].map(speeds);
    expect(diodes?.hill).toBeCloseTo(direct?.hill ?? 0, 6);
    expect(diodes?.hill).toBeGreaterThan(alone?.hill ?? 0);
    const dropped = speeds({
      ...strong(HIGH, HIGH),
      joining: { ...strong(HIGH, HIGH).joining, diodeDropV: { source: 'measured', value: 0.7 } },
    });
    expect(dropped.top).toBeLessThan(diodes?.top ?? 0);
  });

  it('goes from the working to the tray by the volts of all of them', () => {
    const [one, two] = [strong(LOW, HIGH), strong(HIGH, LOW)].map((build) => evaluate(build));
    for (const id of ['top-speed', 'hill', 'start'])
      expect(one?.figures.find((f) => f.id === id)?.value).toBeCloseTo(
        two?.figures.find((f) => f.id === id)?.value ?? 0,
        6,
      );
    // The working names what stands behind the terminals: on the hill both feed, on the flat the higher one alone.
    const alike = evaluate(strong(HIGH, HIGH));
    const working = alike.figures.find((f) => f.id === 'hill')?.working.steps ?? [];
    expect(working.find(({ symbol }) => symbol === 'Voc')?.label).toContain('of 2 packs side by side');
    const higher = one?.figures.find((f) => f.id === 'hill')?.working.steps ?? [];
    expect(higher.find(({ symbol }) => symbol === 'Voc')?.label).toContain('of the highest pack');
    expect(one?.findings.some(({ title }) => title.includes('worked out on'))).toBe(false);
  });

  it('is to the law one way of riding, on full packs whatever each is charged to', () => {
    const build = strong(LOW, { ...HIGH, chargeLimitPct: 80 });
    const ways = lawFacts(study(build));
    expect(ways.map(({ profile }) => profile)).toEqual(['']);
    const full = lawFacts(study(strong(HIGH, LOW)));
    expect(ways[0]?.facts.motorAloneKmh).toEqual(full[0]?.facts.motorAloneKmh);
  });

  it('cuts out where the pack that feeds first is beyond its board, though the other could carry more', () => {
    const weak = strong(LOW, { ...HIGH, bmsCurrentA: 12 });
    const hill = climb(assemble(weak), 0.5, 400, 10, 'best');
    expect(hill.climbs && hill.cutsOutAfter).toBeLessThan(10);
    const course = courseOf(
      evenHill('', 2000, 10),
      { speed: 0, fromDeg: undefined, otherwise: 'ahead' },
      pace(40),
    );
    const options = { pace: pace(40), legs: 'resting', gear: 'best', charge: 1 } as const;
    expect(rideCourse(assemble(weak), course, options).ends).toBe('cut-out');
    expect(rideCourse(assemble(strong(LOW, HIGH)), course, options).ends).toBe('arrived');
  });

  it('holds a speed that neither board would carry alone', () => {
    const each = { ...HIGH, bmsCurrentA: 9 };
    const [both, alone] = [strong(each, each), strong(each)].map((build) =>
      constantSpeedRange(assemble(build), 12, 1),
    );
    expect(alone?.holds).toBe(false);
    expect(both?.holds).toBe(true);
  });

  it('rides on with both of a kind where the speed is no longer held', () => {
    const wanted = 13;
    const [diodes, direct] = [strong(HIGH, HIGH), strong(HIGH, HIGH, 'parallel')].map((build) =>
      constantSpeedRange(assemble(build), wanted, 1),
    );
    const whole = (range: typeof diodes): number =>
      (range?.holds === true ? range.metres : 0) + (range?.on?.metres ?? 0);
    expect(whole(diodes) / whole(direct)).toBeCloseTo(1, 1);
  });

  it('has one pack alone where they are changed over by hand', () => {
    const machine = assemble(strong(LOW, HIGH, 'switch'));
    expect(supplyOn(machine, 0.5)).toEqual(supplyAt(machine.pack, 0.5));
  });
});
