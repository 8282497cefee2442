import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { supplyAt } from '../machine/battery.ts';
import { supplyOn } from '../machine/diodes.ts';
import { assemble } from '../machine/assemble.ts';
import type { Machine } from '../machine/machine.ts';
import { roadForce } from '../machine/road-load.ts';
import { msToKmh } from '../quantity/units.ts';
import { HAND_SUPPLY, handMachine } from '../test/hand-machine.ts';
import { RUNS, anyBuild, sample, runs } from '../test/sample.ts';
import { climb } from './climb.ts';
import { gradeCurve } from './grade-curve.ts';
import { axleLoadsKg, gripGradePct, liftGradePct, startGrade } from './start-grade.ts';
import { steadySpeed, topSpeed } from './steady.ts';
import { traction } from './traction.ts';

describe('top speed', () => {
  it('is where the force meets the load', () => {
    const machine = handMachine({ phaseA: 200 });
    const outcome = steadySpeed(machine, HAND_SUPPLY, 0, 'best');
    expect(outcome.moves).toBe(true);
    if (!outcome.moves) return;
    expect(outcome.traction.totalN).toBeCloseTo(roadForce(machine.road, outcome.v, 0), 4);
    expect(outcome.traction.limit).toBe('voltage');
    expect(outcome.v).toBeLessThan(5);
  });

  it('ends at a speed limit without a fade', () => {
    const outcome = steadySpeed(handMachine({ cutoff: 4, phaseA: 100 }), HAND_SUPPLY, 0, 'best');
    expect(outcome.moves && outcome.v).toBeCloseTo(4, 5);
  });

  it('is none when the hill is too steep: a value, not an exception', () => {
    const outcome = steadySpeed(handMachine({ phaseA: 5 }), HAND_SUPPLY, 30, 'best');
    expect(outcome.moves).toBe(false);
    expect(outcome.traction.limit).toBe('phase-current');
  });

  const nothingBeyond = (machine: Machine, mores: readonly number[]): void => {
    const top = topSpeed(machine, 0.5);
    if (!top.moves) return;
    const supply = supplyOn(machine, 0.5);
    for (const more of mores) {
      const v = top.v + more;
      expect(traction(machine, supply, v, 'best').totalN).toBeLessThan(roadForce(machine.road, v, 0) + 1e-6);
    }
  };

  it('is the only one: beyond it the load is always the greater, over many builds', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        nothingBeyond(assemble(build), [0.05, 0.5, 2, 6]);
      }),
      RUNS,
    );
  });

  it('is not missed where the motor reaches no farther than the lower end of the cadence span', () => {
    // 56 turns of the crank at no load on too few volts, and legs that turn 54 at least: each gear pulls where it begins.
    const low = assemble(
      sample(
        {
          drive: { kvRpmPerV: 24, reduction: 16.5 },
          gearing: { cogTeeth: [12, 15, 19, 24], ringTeeth: 42 },
          brief: { riderPowerW: 0, cadenceMinRpm: 54, cadenceMaxRpm: 90 },
          controller: { limitsSpeed: false },
          controls: { assistSensor: 'cadence', throttle: 'none' },
        },
        'mid-drive',
      ),
    );
    expect(topSpeed(low, 0.5)).toMatchObject({ moves: true, traction: { gear: { cogTeeth: 12 } } });
    nothingBeyond(
      low,
      Array.from({ length: 80 }, (_, i) => 0.05 * (i + 1)),
    );
  });
});

describe('the top speed of a motor whose core takes most of what it is given', () => {
  it('is not missed where a taller gear, which turns it slower, pulls again a little faster', () => {
    const dragged = assemble(
      sample(
        {
          drive: { kvRpmPerV: 36, resistanceOhm: 0.046, hysteresisNm: 1.2, eddyNms: 0.0004, reduction: 29 },
          gearing: { cogTeeth: [35, 23, 38, 10, 33, 39, 24], hubRatios: [1, 1.36], ringTeeth: 46 },
          brief: { riderPowerW: 0, cadenceMinRpm: 48.6, cadenceMaxRpm: 75.7, riderMassKg: 170 },
          controller: { limitsSpeed: false, limitsPower: true, powerLimitW: 250 },
          controls: { assistSensor: 'cadence', throttle: 'none' },
        },
        'mid-drive',
      ),
    );
    const top = topSpeed(dragged, 0.5);
    if (!top.moves) throw new Error('it stalls');
    const supply = supplyOn(dragged, 0.5);
    for (let v = top.v + 0.05; v < 8; v += 0.05)
      expect(traction(dragged, supply, v, 'best').totalN, String(v)).toBeLessThan(
        roadForce(dragged.road, v, 0) + 1e-6,
      );
  });
});

const free = (
  kind: 'geared-hub' | 'mid-drive' | 'direct-drive-hub' = 'geared-hub',
  changes: Parameters<typeof sample>[0] = {},
) =>
  sample(
    {
      ...changes,
      controls: { assistSensor: 'cadence', throttle: 'full', ...changes.controls },
      controller: { limitsSpeed: false, batteryCurrentA: 19, phaseCurrentA: 50, ...changes.controller },
      brief: { riderPowerW: 0, ...changes.brief },
    },
    kind,
  );
const topKmh = (build: ReturnType<typeof sample>, charge = 0.5): number => {
  const top = topSpeed(assemble(build), charge);
  return top.moves ? msToKmh(top.v) : 0;
};

describe('volts and amps, facts of the trade (common practice, no source)', () => {
  it('19 to 35 A: more hill force, the same top speed where voltage binds', () => {
    const amps = (batteryCurrentA: number) =>
      assemble(
        free('geared-hub', {
          controller: { batteryCurrentA, phaseCurrentA: batteryCurrentA * 2.5, resistanceMohm: 10 },
          pack: { bmsCurrentA: 60, healthPct: 95 },
          drive: { kvRpmPerV: 32, massKg: 5.8 },
        }),
      );
    const [small, large] = [amps(19), amps(35)];
    const supply = supplyAt(small.pack, 0.5);
    const [a, b] = [topSpeed(small, 0.5), topSpeed(large, 0.5)];
    expect(a.moves && a.traction.limit).toBe('voltage');
    expect(a.moves && b.moves && Math.abs(a.v - b.v)).toBeLessThan(1e-6);
    expect(traction(large, supply, 4, 'best').totalN).toBeGreaterThan(
      1.5 * traction(small, supply, 4, 'best').totalN,
    );
  });

  it('48 to 52 V on the same motor: 2 to 3 mph more', () => {
    const cells = (cellsInSeries: number): number =>
      topKmh(
        free('geared-hub', {
          pack: { cellsInSeries },
          controller: { batteryCurrentA: 30, phaseCurrentA: 80 },
        }),
      );
    const mph = (cells(14) - cells(13)) / 1.609344;
    expect(mph).toBeGreaterThan(1.5);
    expect(mph).toBeLessThan(3);
  });

  it('a 14S machine loses about 3 mph from full to half charge', () => {
    const build = free('geared-hub', {
      pack: { cellsInSeries: 14 },
      controller: { batteryCurrentA: 30, phaseCurrentA: 80 },
    });
    const mph = (topKmh(build, 1) - topKmh(build, 0.5)) / 1.609344;
    expect(mph).toBeGreaterThan(2);
    expect(mph).toBeLessThan(4);
  });

  it('more volts raise the top speed and more amps leave it, wherever voltage binds, over many builds', () => {
    let seen = 0;
    fc.assert(
      fc.property(anyBuild, (build) => {
        const machine = assemble(build);
        // More amps let a mid-drive hold a taller gear, and then it is faster after all.
        if (machine.kind === 'mid-drive') return;
        const top = topSpeed(machine, 0.5);
        // Where the wind alone pushes faster than the motor can turn, volts do nothing.
        if (!top.moves || top.traction.limit !== 'voltage' || top.traction.motorN < 1) return;
        seen += 1;
        const amps = topSpeed(
          {
            ...machine,
            limits: {
              ...machine.limits,
              batteryA: machine.limits.batteryA * 1.6,
              phaseA: machine.limits.phaseA * 1.6,
            },
          },
          0.5,
        );
        expect(amps.moves && amps.v).toBeCloseTo(top.v, 5);
        const more = (pack: typeof machine.pack) => ({ ...pack, cellsInSeries: pack.cellsInSeries + 1 });
        // Behind diodes another than the first may be the one that drives.
        const others = machine.others.map((other) => ({ ...other, pack: more(other.pack) }));
        const volts = topSpeed({ ...machine, pack: more(machine.pack), others }, 0.5);
        expect(volts.moves && volts.v).toBeGreaterThan(top.v);
      }),
      runs(300),
    );
    expect(seen).toBeGreaterThan(20);
  });
});

describe('a smaller chainring on a mid-drive', () => {
  it('adds force and takes speed in the same proportion, whatever binds, over many builds', () => {
    const limits = new Set<string>();
    fc.assert(
      fc.property(
        anyBuild,
        fc.double({ min: 0.6, max: 0.95, noNaN: true }),
        fc.double({ min: 0.1, max: 9, noNaN: true }),
        (any, k, v) => {
          const kind = 'mid-drive' as const;
          const build = {
            ...any,
            drive: { ...any.drive, kind },
            controller: { ...any.controller, limitsSpeed: false },
            controls: { ...any.controls, throttleLimited: false },
          };
          const ring = (teeth: number) =>
            assemble({
              ...build,
              gearing: { ...build.gearing, ringTeeth: { source: 'assumed' as const, value: teeth } },
            });
          const [large, small] = [ring(48), ring(48 * k)];
          const supply = supplyAt(large.pack, 0.5);
          large.gears.forEach((gear, i) => {
            const other = small.gears[i];
            if (other === undefined) throw new Error('gears differ');
            const before = traction(large, supply, v, gear);
            const after = traction(small, supply, v * k, other);
            limits.add(before.limit);
            expect(after.limit).toBe(before.limit);
            expect(after.motorN * k).toBeCloseTo(before.motorN, 6);
          });
        },
      ),
      RUNS,
    );
    expect([...limits]).toEqual(
      expect.arrayContaining(['voltage', 'phase-current', 'battery-current', 'cadence']),
    );
  });
});

describe('climb', () => {
  it('conserves energy: pack and rider in, copper, core, gears and road out', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        const machine = assemble(build);
        const hill = climb(machine, 0.5, 1000, 5, 'best');
        if (!hill.climbs) return;
        const wheel = hill.v * roadForce(machine.road, hill.v, 5);
        expect(hill.wheelW).toBeCloseTo(wheel, 2);
        // The shaft never gives more than the pack less copper; the tyre never more than shaft and rider.
        expect(hill.motorW).toBeLessThanOrEqual(hill.batteryW - hill.copperW + 1e-6);
        expect(hill.motorN * hill.v).toBeLessThanOrEqual(hill.motorW * machine.efficiency + 1e-6);
        expect(hill.batteryW + hill.riderW).toBeCloseTo(hill.copperW + hill.otherLossW + hill.wheelW, 6);
        expect(hill.otherLossW).toBeGreaterThanOrEqual(-1e-6);
        expect(hill.energyWh).toBeCloseTo((hill.batteryW * 1000) / hill.v / 3600, 9);
      }),
      RUNS,
    );
  });

  it('names the gear and its cadence', () => {
    const hill = climb(assemble(free('mid-drive')), 0.5, 500, 8, 'best');
    expect(hill.climbs && hill.cogTeeth).toBeGreaterThan(20);
    expect(hill.climbs && hill.cadenceRpm).toBeGreaterThan(40);
  });
});

describe('speed against grade', () => {
  it('falls with the grade, splits exactly where the limit changes and never has a gap', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        const machine = assemble(build);
        const curve = gradeCurve(machine, 0.5, machine.gears[0] ?? 'best');
        curve.slice(1).forEach((point, i) => {
          const before = curve[i];
          if (before === undefined) return;
          expect(point.v).toBeLessThanOrEqual(before.v);
          if (point.limit !== before.limit) expect(before.v - point.v).toBeLessThan(0.01);
        });
      }),
      RUNS,
    );
  });

  it('meets the steady speed found by search', () => {
    const machine = assemble(free());
    const points = gradeCurve(machine, 0.5, 'best').filter((p) => p.gradePct > 2 && p.gradePct < 10);
    expect(points.length).toBeGreaterThan(5);
    for (const point of points) {
      const steady = steadySpeed(machine, supplyAt(machine.pack, 0.5), point.gradePct, 'best');
      expect(steady.moves && steady.v).toBeCloseTo(point.v, 4);
    }
  });
});

describe('starting on a grade (statics)', () => {
  const b = {
    wheelbase: 1,
    massHeight: 1,
    massAhead: 0.4,
    grip: 0.5,
    towed: 0,
    hitchHeight: 0.35,
    drivenWheel: 'rear' as const,
  };

  it('lifts the front where the mass stands over the rear contact: 0.4 / 1 = 40 %', () => {
    expect(liftGradePct(b)).toBeCloseTo(40, 12);
  });

  it('slips at mu (L - a) / (L - mu h) = 0.5 x 0.6 / 0.5 = 60 % when the rear drives', () => {
    expect(gripGradePct(b)).toBeCloseTo(60, 12);
  });

  it('slips at mu a / (L + mu h) = 0.5 x 0.4 / 1.5 = 13.3 % when the front drives', () => {
    expect(gripGradePct({ ...b, drivenWheel: 'front' })).toBeCloseTo(13.333, 3);
  });

  it('agrees with the balance of moments at that grade', () => {
    const tangent = gripGradePct(b) / 100;
    const cosine = 1 / Math.hypot(1, tangent);
    const rear = (cosine * (b.wheelbase - b.massAhead) + cosine * tangent * b.massHeight) / b.wheelbase;
    expect(rear * b.grip).toBeCloseTo(cosine * tangent, 12);
  });

  it('slips earlier with a trailer, which pulls back at its hitch', () => {
    const q = 0.5;
    const tangent = gripGradePct({ ...b, towed: q }) / 100;
    const cosine = 1 / Math.hypot(1, tangent);
    const pull = cosine * tangent * (1 + q);
    const rear =
      (cosine * (b.wheelbase - b.massAhead) + cosine * tangent * (b.massHeight + q * b.hitchHeight)) /
      b.wheelbase;
    expect(rear * b.grip).toBeCloseTo(pull, 12);
    expect(gripGradePct({ ...b, towed: q })).toBeLessThan(gripGradePct(b));
    expect(liftGradePct({ ...b, towed: q })).toBeCloseTo(40 / 1.175, 9);
  });

  it('has no grip limit where load transfer outruns the slope', () => {
    expect(gripGradePct({ ...b, grip: 1 })).toBe(Infinity);
  });

  it('is decided by the least of force, grip and lift', () => {
    const weak = startGrade(handMachine({ phaseA: 10 }), 0.5, 'best');
    expect(weak).toMatchObject({ decides: 'force', gradePct: weak.byForcePct });
    const strong = startGrade(handMachine({ phaseA: 200 }), 0.5, 'best');
    expect(strong.decides).toBe('front-lift');
    expect(strong.gradePct).toBeCloseTo(45, 9);
    // 10 A x 10 N less rolling on 100 kg: tan(asin(a) - atan(0.01)), by hand 9.25 %
    expect(weak.byForcePct).toBeCloseTo(9.24, 1);
  });

  it('shares the mass by moments: 100 kg, 0.4 ahead of 1 m: 60 rear, 40 front', () => {
    expect(axleLoadsKg(100, b)).toEqual({ rear: 60, front: 40 });
  });
});
