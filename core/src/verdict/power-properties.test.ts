import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { knownBuild } from '../document/known.ts';
import { cellLayout } from '../power-chain/cell-layout.ts';
import { readings } from '../power-chain/expectations.ts';
import { RUNS, anyBuild, sample, runs } from '../test/sample.ts';
import { chargePlan, packCard } from '../power-chain/charge-plan.ts';
import { evaluate } from '../test/evaluate.ts';
import { lightsVerdict } from '../power-chain/lights.ts';
import { packsStudy } from '../power-chain/packs-study.ts';
import { shippedRules } from '../law/rules.ts';
import { voltsOrAmps } from '../explore/volts-or-amps.ts';

/** Every number within a value, however deep, with where it stands. */
function* numbers(value: unknown, path = ''): Generator<readonly [string, number]> {
  if (typeof value === 'number') yield [path, value];
  else if (typeof value === 'object' && value !== null) {
    for (const [key, inside] of Object.entries(value)) yield* numbers(inside, `${path}.${key}`);
  }
}
const noNaN = (value: unknown): void => {
  for (const [path, number] of numbers(value)) if (Number.isNaN(number)) throw new Error(`NaN at ${path}`);
};

describe('whatever the build', () => {
  it('nothing said of its power is NaN', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        noNaN(evaluate(build).power);
        noNaN(chargePlan(build));
        noNaN(packCard(build));
        noNaN(packsStudy(build));
        noNaN(lightsVerdict(build));
        noNaN(readings(build));
        noNaN(cellLayout(build.packs[0], knownBuild(build).packs[0]).box);
      }),
      runs(80),
    );
  });

  it('a step more is worked out without NaN, and the build itself is left alone', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        const before = JSON.stringify(build);
        const steps = voltsOrAmps(build, [], shippedRules());
        for (const step of steps) noNaN({ ...step, build: undefined });
        expect(JSON.stringify(build)).toBe(before);
        expect(steps[0]?.build).toBe(build);
      }),
      runs(25),
    );
  });

  it('every cell of a layout stands in a group, and every group has as many', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 24 }),
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 1, max: 12 }),
        fc.constantFrom('square' as const, 'hexagonal' as const),
        (series, parallel, rows, nesting) => {
          const build = sample({
            pack: { make: 'cells', cellsInSeries: series },
            cell: { parallel, rows, nesting },
          });
          const layout = cellLayout(build.packs[0], knownBuild(build).packs[0]);
          const counts = new Map<number, number>();
          for (const { group } of layout.cells) counts.set(group, (counts.get(group) ?? 0) + 1);
          expect(counts.size).toBe(series);
          for (const count of counts.values()) expect(count).toBe(parallel);
          for (const pair of layout.insulate) expect(pair.groupsApart).toBeGreaterThan(1);
        },
      ),
      RUNS,
    );
  });
});

describe('the pack', () => {
  const range = (build: ReturnType<typeof sample>): number => {
    const { cruise } = evaluate(build).range;
    return cruise.holds ? cruise.metres : 0;
  };

  it('from cells behaves as the ready-made one of the same label', () => {
    const box = { boxLengthMm: 340, boxHeightMm: 90, boxWidthMm: 90 };
    const ready = sample({
      pack: {
        cellsInSeries: 13,
        nominalV: 46.8,
        capacityAh: 14,
        massKg: 3.5,
        healthPct: 95,
        wiringMohm: 25,
        ...box,
      },
    });
    const cells = sample({
      pack: { make: 'cells', cellsInSeries: 13, massKg: 3.5, healthPct: 95, wiringMohm: 25, ...box },
      cell: { parallel: 4, capacityAh: 3.5 },
    });
    expect(range(cells)).toBeCloseTo(range(ready), 6);
    expect(evaluate(cells).power.energyWh).toBeCloseTo(evaluate(ready).power.energyWh, 6);
  });

  it('sags less, the lower the resistance of its cells', () => {
    const sag = (resistanceMohm: number): number => {
      const { halfV, loadedV } = evaluate(
        sample({
          pack: { make: 'cells', cellsInSeries: 13, wiringMohm: 25 },
          cell: { parallel: 4, capacityAh: 3.5, resistanceMohm },
        }),
      ).power;
      return halfV - loadedV;
    };
    expect(sag(20)).toBeLessThan(sag(40));
    // 13 groups of four cells of 40 mohm are 130 mohm at 25 C and half charge; with 25 mohm of leads, at 18 A.
    const warm = sample({
      pack: {
        make: 'cells',
        cellsInSeries: 13,
        wiringMohm: 25,
        healthPct: 100,
        bmsCurrentA: 30,
        startC: 25,
      },
      cell: { parallel: 4, capacityAh: 3.5, resistanceMohm: 40 },
      controller: { batteryCurrentA: 18 },
      brief: { temperatureC: 25 },
    });
    const { halfV, loadedV } = evaluate(warm).power;
    expect(halfV - loadedV).toBeCloseTo(18 * (0.13 + 0.025), 6);
  });

  it('of power cells sags less than one of energy cells, and holds as much', () => {
    const of = (chemistry: 'nmc' | 'nmc-power') =>
      evaluate(sample({ pack: { chemistry, cellsInSeries: 13 } })).power;
    expect(of('nmc-power').loadedV).toBeGreaterThan(of('nmc').loadedV);
    expect(of('nmc-power').energyWh).toBe(of('nmc').energyWh);
  });

  it('with leads of known length and conductor has their resistance and no other', () => {
    const known = knownBuild(sample({ cabling: { leadMm: 1000, leadMm2: 2.5 } }));
    // 2 m of 2.5 mm2 at 40 C: 13.79 mohm x 1.0786 = 14.88; with 14 for protection, strips and plugs.
    expect(known.packs[0].wiringMohm).toMatchObject({ source: 'worked' });
    expect(known.packs[0].wiringMohm.value).toBeCloseTo(14 + 14.88, 1);
    const measured = knownBuild(
      sample({ pack: { wiringMohm: 22 }, cabling: { leadMm: 1000, leadMm2: 2.5 } }),
    );
    expect(measured.packs[0].wiringMohm).toMatchObject({ value: 22, source: 'measured' });
  });

  it('that is second weighs as well', () => {
    const one = evaluate(sample({ pack: { massKg: 4 } }));
    const two = evaluate(sample({ pack: { massKg: 4 }, second: { join: 'switch', massKg: 3 } }));
    expect(two.figures.find((f) => f.id === 'mass')?.value).toBeCloseTo(
      (one.figures.find((f) => f.id === 'mass')?.value ?? 0) + 3,
      9,
    );
  });
});

describe('the weakest link in the tray', () => {
  const figure = (build: ReturnType<typeof sample>) => {
    const found = evaluate(build).figures.find((f) => f.id === 'weakest');
    if (found === undefined) throw new Error('no figure');
    return found;
  };

  it('is not fine as long as a link is unknown, and says how many are', () => {
    const { state, condition } = figure(
      sample({ pack: { bmsCurrentA: 60, cellsContinuousA: 60, cellsPeakA: 90 } }),
    );
    expect(state).toBe('unknown');
    expect(condition).toEqual(['4 links not known']);
  });

  it('is a stop though links are unknown, once one of the known fails', () => {
    const build = sample({ pack: { cellsContinuousA: 3, cellsPeakA: 4 }, brief: { hillGradePct: 8 } });
    expect(figure(build)).toMatchObject({ state: 'stop', words: 'Cells' });
  });

  it('shows every link in its working, with limit and source', () => {
    const { working } = figure(sample());
    const labels = working.steps.map((s) => s.label);
    for (const name of [
      'Cells',
      'Protection',
      'Plug',
      'Power leads',
      'Controller',
      'Phase leads',
      'Phase plug',
    ])
      expect(labels).toContain(name);
    expect(working.formulas[0]).toContain('margin');
  });
});
