import { describe, expect, it } from 'vitest';
import * as fc from 'fast-check';
import { assemble } from '../machine/assemble.ts';
import { roadForce } from '../machine/road-load.ts';
import { STANDARD_GRAVITY } from '../quantity/constants.ts';
import { drawnRoute, profileOf } from '../route/drawn.ts';
import { evenHill, type Route } from '../route/route.ts';
import { HAND_THERMAL, handMachine } from '../test/hand-machine.ts';
import { ALL_OUT, pace, ride } from '../test/rides.ts';
import { anyBuild, sample, runs } from '../test/sample.ts';
import { climb } from './climb.ts';
import { EVERYDAY, courseOf } from './course.ts';
import { systemGap } from './ledger.ts';
import { constantSpeedRange } from './range.ts';
import type { Ride } from './ride.ts';
import { TURNING_KG } from './stepper.ts';
import { topSpeed } from './steady.ts';
import { longtail, tandem, trike } from '../test/demo.ts';

/** Up, down, level, with stops, a limit and gravel: everything that a step has to deal with. */
const MIXED: Route = {
  ...drawnRoute(
    'Mixed',
    profileOf(
      [
        { lengthM: 300, gradePct: 0, bearingDeg: 0 },
        { lengthM: 260, gradePct: 7, bearingDeg: 60 },
        { lengthM: 150, gradePct: -9, bearingDeg: 120 },
        { lengthM: 420, gradePct: 2, bearingDeg: 200 },
        { lengthM: 80, gradePct: -3, bearingDeg: 270 },
        { lengthM: 510, gradePct: -1, bearingDeg: 330 },
      ],
      100,
    ),
  ),
  spans: [
    { fromM: 200, toM: 500, surface: 'gravel', limitKmh: null },
    { fromM: 900, toM: 1200, surface: 'paved', limitKmh: 12 },
  ],
  stops: [
    { atM: 350, waitS: 20 },
    { atM: 700, waitS: 5 },
    { atM: 1500, waitS: 33 },
  ],
};

const builds = [longtail, tandem, trike] as const;

describe('energy', () => {
  /** Pack losses and terminals against what is drawn from the cells' own volts, relative. */
  const electricalGap = ({ ledger: l, usedWh }: Ride): number =>
    (l.pack - l.cells - l.leads - usedWh * 3600) / Math.max(1, Math.abs(l.pack));

  it('leaves lamps dim that ask for more than the pack can give', () => {
    const build = sample({
      controls: { throttle: 'full' },
      brief: { riderPowerW: 150 },
      pack: { wiringMohm: 4000 },
    });
    const lamps = Array.from({ length: 4 }, () => ({
      name: 'lamp',
      volts: 0,
      watts: 150,
      onPct: 100,
      light: true,
    }));
    const machine = assemble({ ...build, supply: { ...build.supply, means: 'unknown', accessories: lamps } });
    const one = ride(machine, evenHill('', 500, 0), { pace: pace(15), mostSeconds: 200 });
    const { ledger } = one;
    expect(machine.accessoryW).toBe(600);
    expect(ledger.accessories / one.seconds).toBeLessThan(300);
    expect(Math.abs(systemGap(ledger)) / ledger.pack).toBeLessThan(1e-6);
  });

  it('neither appears nor vanishes on any build, any wind and either way of riding (property)', () => {
    fc.assert(
      fc.property(
        anyBuild,
        fc.double({ min: -6, max: 6, noNaN: true }),
        fc.integer({ min: 0, max: 359 }),
        fc.constantFrom<[number, 'helping' | 'resting']>([15, 'helping'], [25, 'resting'], [140, 'helping']),
        (build, speed, fromDeg, [kmh, legs]) => {
          const machine = assemble(build);
          const one = ride(
            machine,
            MIXED,
            { pace: pace(kmh), legs, mostSeconds: 4000 },
            { speed, fromDeg, otherwise: 'all-sides' },
          );
          const through = Math.max(1, one.ledger.pack + one.ledger.regenerated + one.ledger.rider);
          expect(Math.abs(systemGap(one.ledger)) / through).toBeLessThan(1e-6);
          expect(Math.abs(electricalGap(one))).toBeLessThan(1e-9);
          for (const value of [
            one.metres,
            one.seconds,
            one.usedWh,
            one.hottestC,
            ...Object.values(one.ledger),
          ])
            expect(Number.isFinite(value)).toBe(true);
          for (const loss of ['rolling', 'copper', 'core', 'cells', 'leads', 'controller', 'chain'] as const)
            expect(one.ledger[loss]).toBeGreaterThanOrEqual(0);
          // Brakes and gears take and do not give, but for the last tenth of a metre before each stop.
          for (const loss of ['brakes', 'gears'] as const) expect(one.ledger[loss]).toBeGreaterThan(-60);
          expect(one.charge).toBeLessThanOrEqual(1);
        },
      ),
      runs(120),
    );
  });

  it('of a motor that cannot keep up behind its freewheel goes into its own drag, and comes from no gear', () => {
    const dragging = assemble(
      sample(
        {
          drive: { kvRpmPerV: 28.6, resistanceOhm: 0.6, hysteresisNm: 0.02, eddyNms: 0.03, efficiency: 0.9 },
          gearing: { cogTeeth: [12], ringTeeth: 22 },
          controller: { limitsSpeed: false },
          controls: { throttle: 'full' },
        },
        'mid-drive',
      ),
    );
    const { ledger } = ride(
      dragging,
      MIXED,
      { pace: pace(15), legs: 'helping', mostSeconds: 4000 },
      { speed: 6, fromDeg: 248, otherwise: 'ahead' },
    );
    expect(ledger.gears).toBeGreaterThan(-1);
    expect(ledger.core).toBeGreaterThan(0);
    expect(Math.abs(systemGap(ledger)) / Math.max(1, ledger.pack + ledger.rider)).toBeLessThan(1e-6);
  });

  it('of the grade is weight times the height gained', () => {
    const machine = assemble(longtail);
    const one = ride(machine, MIXED, { pace: pace(18) });
    expect(one.ends).toBe('arrived');
    const rise = (MIXED.profile.at(-1)?.elevationM ?? 0) - (MIXED.profile[0]?.elevationM ?? 0);
    // Profiles are kept to a centimetre a node.
    expect(one.ledger.grade).toBeCloseTo(machine.road.massKg * STANDARD_GRAVITY * rise, -1);
    expect(one.metres).toBeCloseTo(1720, 6);
  });

  it.each(builds.map((b) => [b.name, b] as const))(
    'of %s is within 0.1 % of a solution by 0.02 s steps',
    (_name, build) => {
      const machine = assemble(build);
      const whole = { pace: pace(20) } as const;
      const [a, b] = [ride(machine, MIXED, whole), ride(machine, MIXED, { ...whole, step: 0.02 })];
      expect(Math.abs(a.usedWh / b.usedWh - 1)).toBeLessThan(1e-3);
      expect(Math.abs(a.seconds - b.seconds)).toBeLessThan(0.3);
      expect(Math.abs(a.hottestC - b.hottestC)).toBeLessThan(0.3);
    },
  );

  it('is as near with legs that go by the grade', () => {
    // The trike comes to a stand on the hill, where so small a use is told less closely.
    for (const machine of [longtail, tandem].map(assemble)) {
      const whole = { pace: pace(20), byGrade: true } as const;
      const [a, b] = [ride(machine, MIXED, whole), ride(machine, MIXED, { ...whole, step: 0.02 })];
      expect(Math.abs(a.usedWh / b.usedWh - 1)).toBeLessThan(1e-3);
      expect(Math.abs(a.seconds - b.seconds)).toBeLessThan(0.3);
      expect(systemGap(a.ledger) / a.ledger.pack).toBeCloseTo(0, 6);
    }
  });

  it('comes closer to the fine solution the shorter its steps', () => {
    const machine = assemble(tandem);
    const at = (step: number): number => ride(machine, MIXED, { pace: pace(20), step }).usedWh;
    const fine = at(0.01);
    expect(Math.abs(at(0.1) - fine)).toBeLessThan(Math.abs(at(2) - fine) + 1e-3);
  });
});

describe('motion against closed forms', () => {
  /** Nothing pushes: no control, no rider. */
  const coaster = handMachine({}, { control: 'none' });
  const m = 100 + TURNING_KG;

  it('coasts down on the level as the arctangent says (Newton with F = a + b v^2, integrated)', () => {
    const a = roadForce(coaster.road, 0, 0);
    const b = 0.5 * 1.2 * 0.5;
    const v0 = 9;
    const k = Math.sqrt(b / a);
    const seconds = (m / Math.sqrt(a * b)) * Math.atan(v0 * k);
    const metres = (m / (2 * b)) * Math.log(1 + (b * v0 * v0) / a);
    const one = ride(coaster, evenHill('', 5000, 0), { pace: ALL_OUT, speed: v0 });
    expect(one.ends).toBe('stalled');
    expect(one.metres).toBeCloseTo(metres, -0.5);
    expect(Math.abs(one.metres / metres - 1)).toBeLessThan(2e-3);
    // It waits for a few seconds at rest before the ride is called over.
    expect(one.seconds).toBeGreaterThan(seconds - 1);
    expect(one.seconds).toBeLessThan(seconds + 12);
  });

  it('is written down to where it ends, however seldom a row is due', () => {
    const one = ride(coaster, evenHill('', 970, -6), { pace: ALL_OUT, speed: 1, traceEvery: 400 });
    expect(one.ends).toBe('arrived');
    expect(one.trace?.metres.at(-1)).toBeCloseTo(970, 6);
    expect(one.trace?.seconds.at(-1)).toBe(one.seconds);
  });

  it('rolls down a slope to the terminal speed of its closed form', () => {
    const slope = -6;
    const theta = Math.atan(0.06);
    const along = 100 * STANDARD_GRAVITY * (Math.sin(theta) - 0.01 * Math.cos(theta));
    const terminal = Math.sqrt(along / (0.5 * 1.2 * 0.5));
    const one = ride(coaster, evenHill('', 4000, slope), { pace: ALL_OUT, speed: 1, traceEvery: 50 });
    expect(one.trace?.speed.at(-1)).toBeCloseTo(terminal, 3);
    // On the way: v^2 = vt^2 (1 - exp(-2 b x / m)) + v0^2 exp(-2 b x / m).
    const rows = one.trace ?? { metres: [], speed: [] };
    rows.metres.forEach((x, i) => {
      const decay = Math.exp((-2 * 0.3 * x) / m);
      expect(rows.speed[i]).toBeCloseTo(Math.sqrt(terminal ** 2 * (1 - decay) + decay), 1);
    });
  });

  it('braked on a slope keeps to the speed that it is let run to', () => {
    const one = ride(coaster, evenHill('', 2000, -8), { pace: pace(20, 30), speed: 1, traceEvery: 20 });
    expect(Math.max(...(one.trace?.speed ?? []))).toBeCloseTo(30 / 3.6, 6);
    expect(one.ledger.brakes).toBeGreaterThan(0);
  });
});

describe('a rider', () => {
  const machine = assemble(longtail);
  const one = ride(machine, MIXED, { pace: pace(20), traceEvery: 1 });
  const rows = one.trace;
  if (rows === undefined) throw new Error('no trace');
  const speedNear = (x: number): number => {
    const i = rows.metres.findIndex((metres) => metres >= x - 0.01);
    return rows.speed[i] ?? NaN;
  };

  it('stands at every stop, exactly there, for as long as it takes', () => {
    for (const { atM } of MIXED.stops) expect(speedNear(atM)).toBeLessThan(0.05);
    expect(one.bound.standing).toBeCloseTo(58, 9);
  });

  it('keeps limits, has slowed down before they begin, and does not brake harder than is comfortable', () => {
    rows.metres.forEach((x, i) => {
      if (x > 900 && x < 1200) expect(rows.speed[i]).toBeLessThan(12 / 3.6 + 1e-6);
      const [v0, v1] = [rows.speed[i - 1], rows.speed[i]];
      const [t0, t1] = [rows.seconds[i - 1], rows.seconds[i]];
      if (v0 === undefined || v1 === undefined || t0 === undefined || t1 === undefined || v1 < 0.5) return;
      expect((v0 - v1) / (t1 - t0)).toBeLessThan(EVERYDAY.brake * 1.05);
    });
  });

  it('slows down for bends of a recorded road, and not for the corners of a drawn one', () => {
    const corner = drawnRoute(
      'Corner',
      profileOf(
        Array.from({ length: 40 }, (_, i) => ({ lengthM: 10, gradePct: 0, bearingDeg: i < 20 ? 0 : 90 })),
        0,
      ),
    );
    const recorded = { latDeg: [0, 0], lonDeg: [0, 0], elevationM: [0, 0], smoothM: 0 };
    const slowest = (route: Route): number =>
      Math.min(...(ride(machine, route, { pace: pace(24), speed: 6, traceEvery: 1 }).trace?.speed ?? []));
    // R = 10 m / (pi/2), v = sqrt(2 R).
    expect(slowest({ ...corner, recorded })).toBeCloseTo(Math.sqrt((2 * 10) / (Math.PI / 2)), 1);
    expect(slowest(corner)).toBeGreaterThan(5.9);
  });

  it('who comes back meets the wind from the other side and the hill turned round', () => {
    const out = evenHill('', 1000, 3);
    const north: Route = {
      ...out,
      profile: out.profile.map((p) => ({ ...p, bearingDeg: 0 })),
      andBack: true,
    };
    const course = courseOf(north, { speed: 5, fromDeg: 0, otherwise: 'ahead' }, pace(20));
    expect([...course.ahead]).toEqual([5, -5]);
    expect(course.sine[1]).toBeCloseTo(-(course.sine[0] ?? 0), 12);
    const beside = courseOf(north, { speed: 5, fromDeg: 90, otherwise: 'ahead' }, pace(20));
    expect(beside.ahead[0]).toBeCloseTo(0, 12);
    expect(Math.abs(beside.across[0] ?? 0)).toBeCloseTo(5, 12);
    // Without a direction it may be asked for ahead, both ways.
    expect([
      ...courseOf(north, { speed: 5, fromDeg: undefined, otherwise: 'ahead' }, pace(20)).ahead,
    ]).toEqual([5, 5]);
  });

  it('changes gear so that the cadence stays within reach, and takes no more than a held gear', () => {
    const free = { ...machine, heldGear: null };
    const route = evenHill('', 3000, 3);
    const best = ride(free, route, { pace: pace(18), gear: 'best', speed: 4, traceEvery: 20 });
    const cadences = (best.trace?.cadenceRpm ?? []).filter((c) => c > 0);
    expect(Math.max(...cadences)).toBeLessThanOrEqual(machine.rider.cadenceMaxRpm * 1.02);
    for (const gear of machine.gears) {
      const held = ride(free, route, { pace: pace(18), gear, speed: 4 });
      if (held.ends === 'arrived' && held.seconds < best.seconds * 1.01)
        expect(best.usedWh).toBeLessThan(held.usedWh * 1.02);
    }
  });
});

describe('riding long enough', () => {
  it.each(builds.map((b) => [b.name, b] as const))('%s reaches its steady top speed', (_name, build) => {
    const machine = assemble(build);
    const steady = topSpeed(machine, 0.5);
    const heat = { ...machine, thermal: { ...HAND_THERMAL, windingJK: 1e12, shellJK: 1e12 } };
    const warm = {
      windingC: build.drive.windingC.source === 'unknown' ? 60 : build.drive.windingC.value,
      shellC: 20,
    };
    const one = ride(
      heat,
      evenHill('', 6000, 0),
      { pace: ALL_OUT, charge: 0.5, draining: 'stays', gear: 'best', warmth: warm, traceEvery: 100 },
      { speed: machine.road.headwind, fromDeg: undefined, otherwise: 'ahead' },
    );
    if (!steady.moves) throw new Error('it does not move');
    expect(Math.abs((one.trace?.speed.at(-1) ?? 0) / steady.v - 1)).toBeLessThan(5e-3);
  });

  it('a hill in one gear settles at the steady speed of the climb, with its limit', () => {
    const build = longtail;
    const machine = assemble(build);
    const [gear] = machine.gears.filter((g) => g.cogTeeth === 23);
    if (gear === undefined) throw new Error('no such cog');
    const steady = climb(machine, 0.5, 1400, 9, gear);
    if (!steady.climbs) throw new Error('it stalls');
    const cold = { ...machine, thermal: { ...HAND_THERMAL, windingJK: 1e12, shellJK: 1e12 } };
    const windingC = build.drive.windingC.source === 'unknown' ? 60 : build.drive.windingC.value;
    const one = ride(cold, evenHill('', 3000, 9), {
      pace: ALL_OUT,
      charge: 0.5,
      draining: 'stays',
      gear,
      speed: 2,
      warmth: { windingC, shellC: 20 },
      traceEvery: 50,
    });
    expect(one.trace?.speed.at(-1)).toBeCloseTo(steady.v, 4);
    expect(one.trace?.batteryA.at(-1)).toBeCloseTo(steady.batteryA, 2);
    expect(one.trace?.binding.at(-1)).toBe(steady.limit);
  });

  it.each([
    ['longtail', longtail, 14],
    ['tandem', tandem, 18],
  ])(
    'a steady speed on the level to the end of the charge goes as far as its range (%s)',
    (_, build, kmh) => {
      const machine = { ...assemble(build), heldGear: null };
      const level = {
        ...machine,
        road: { ...machine.road, headwind: 0 },
        thermal: { ...HAND_THERMAL, windingJK: 1e12 },
      };
      const range = constantSpeedRange(level, kmh / 3.6, 1);
      if (!range.holds) throw new Error('not held');
      const one = ride(level, evenHill('', 1000, 0), { pace: pace(kmh), again: true, gear: 'best' });
      // The ride has its launch, its winding's own temperature and its last half minute.
      expect(Math.abs(one.metres / range.metres - 1)).toBeLessThan(0.02);
      expect(['cut-off', 'empty']).toContain(one.ends);
    },
  );
});
