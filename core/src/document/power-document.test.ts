import { describe, expect, it } from 'vitest';
import * as z from 'zod';
import shelfFile from '../../../demo/parts.json' with { type: 'json' };
import { applyPart } from '../parts/apply-part.ts';
import { part, type Part } from '../parts/part.ts';
import { refreshed, staleValues } from '../parts/refresh-part.ts';
import { evaluate } from '../test/evaluate.ts';
import { sample, type Changes } from '../test/sample.ts';
import { chemistry } from './choices.ts';
import { inUse, knownBuild } from './known.ts';
import { withQuantity, withValues } from './quantity-at.ts';
import { readBuild } from './read.ts';

const shelf = z.array(part).parse(shelfFile);
const first = <T extends Part['type']>(type: T): Extract<Part, { type: T }> => {
  const found = shelf.find((p): p is Extract<Part, { type: T }> => p.type === type);
  if (found === undefined) throw new Error(type);
  return found;
};

describe('what counts of the power chain', () => {
  it('follows how the pack came about', () => {
    const ready = sample();
    const cells = sample({ pack: { make: 'cells' } });
    for (const path of ['packs.0.capacityAh', 'packs.0.cellsContinuousA'] as const) {
      expect(inUse(ready, path), path).toBe(true);
      expect(inUse(cells, path), path).toBe(false);
    }
    for (const path of ['packs.0.cell.parallel', 'packs.0.cell.capacityAh'] as const) {
      expect(inUse(ready, path), path).toBe(false);
      expect(inUse(cells, path), path).toBe(true);
    }
    expect(inUse(cells, 'packs.0.cell.depthMm')).toBe(false);
  });

  it('asks for what a protection board carries only where there is one', () => {
    const counts = (pack: NonNullable<Changes['pack']>) => inUse(sample({ pack }), 'packs.0.bmsCurrentA');
    expect(counts({ board: 'yes' })).toBe(true);
    expect(counts({ board: 'unknown' })).toBe(true);
    expect(counts({ board: 'no' })).toBe(false);
    expect(counts({ chemistry: 'lead-acid', board: 'unknown' })).toBe(false);
  });

  it('asks of a second pack, a fuse, a resistor and lights only where there are any', () => {
    const bare = sample({ cabling: { protection: 'none', inrush: 'none' } });
    const full = sample({
      second: { join: 'combiner' },
      cabling: { protection: 'fuse', inrush: 'resistor' },
      supply: {
        means: 'converter',
        accessories: [{ name: 'lamp', volts: 12, watts: 6, onPct: 50, light: true }],
      },
    });
    for (const path of [
      'packs.1.capacityAh',
      'joining.ratedA',
      'cabling.fuseA',
      'cabling.preChargeOhm',
      'supply.ratedW',
    ] as const) {
      expect(inUse(bare, path), path).toBe(false);
      expect(inUse(full, path), path).toBe(true);
    }
    expect(inUse(sample({ second: { join: 'parallel' } }), 'joining.ratedA')).toBe(false);
  });

  it('asks how much braking gives back only of a motor that brakes', () => {
    const brakes = sample({ drive: { freewheel: false }, controller: { regenerates: 'yes' } });
    expect(inUse(brakes, 'controller.regenA')).toBe(true);
    expect(inUse(sample(), 'controller.regenA')).toBe(false);
  });
});

describe('usual values of a chemistry', () => {
  it.each(chemistry.options)(
    '%s: cells give for ten seconds more than for good, and take less on charge',
    (kind) => {
      const [pack] = knownBuild(sample({ pack: { chemistry: kind } })).packs;
      const { cell } = pack;
      expect(pack.cellsPeakA.value).toBeGreaterThan(pack.cellsContinuousA.value);
      expect(pack.maxChargeA.value).toBeLessThan(pack.cellsContinuousA.value);
      expect(cell.peakA.value).toBeGreaterThan(cell.continuousA.value);
    },
  );

  it('make a second pack of another chemistry by its own cells: 48 V of lead-acid are 24', () => {
    const [, second] = knownBuild(
      sample({ second: { join: 'switch', chemistry: 'lead-acid', nominalV: 48 } }),
    ).packs;
    expect(second?.cellsInSeries.value).toBe(24);
  });
});

describe('cells, chargers, plugs and leads of the shelf', () => {
  it('a cell makes the pack one from cells, of its chemistry, with box and mass to be worked out anew', () => {
    const cell = first('cell');
    const build = applyPart(sample({ pack: { massKg: 4, boxLengthMm: 300 } }), cell);
    expect(build.packs[0].make).toBe('cells');
    expect(build.packs[0].massKg).toEqual({ source: 'unknown' });
    // Nobody has said yet how many stand in a row and side by side.
    const counts = ['packs.0.cellsInSeries', 'packs.0.cell.parallel'] as const;
    expect(knownBuild(build).packs[0].boxLengthMm.source).toBe('unknown');
    expect(knownBuild(build).packs[0].boxLengthMm.restsOn?.map((k) => k.path)).toEqual(counts);
    const counted = counts.reduce((b, path) => withQuantity(b, path, { source: 'label', value: 4 }), build);
    expect(knownBuild(counted).packs[0].boxLengthMm.source).toBe('worked');
    expect(build.packs[0].cell.price).toBe(cell.price);
    expect(readBuild(build).ok).toBe(true);
  });

  it('a pack makes it ready-made again', () => {
    const build = applyPart(applyPart(sample(), first('cell')), first('pack'));
    expect(build.packs[0].make).toBe('ready');
    expect(evaluate(build).known.packs[0].capacityAh).toMatchObject({
      source: 'label',
      value: first('pack').capacityAh,
    });
  });

  it('offer to be refreshed by the values they brought, and nothing else', () => {
    for (const type of ['cell', 'charger', 'wire'] as const) {
      const build = applyPart(sample(), first(type));
      expect(staleValues(build, first(type)), type).toEqual([]);
    }
    const charger = first('charger');
    const build = applyPart(sample(), charger);
    const changed = part.parse({ ...charger, currentA: charger.currentA + 1 });
    expect(staleValues(build, changed)).toEqual([
      { path: 'packs.0.charger.currentA', here: charger.currentA, shelf: charger.currentA + 1 },
    ]);
    expect(refreshed(build, changed).packs[0].charger.volts).toEqual({
      source: 'label',
      value: charger.volts,
    });
  });

  it('keep the used cells that were measured', () => {
    const used = [{ name: 'A1', mah: 2200, mohm: 40 }];
    const base = sample({ pack: { make: 'cells' } });
    const with_ = withValues(base, 'packs.0.cell', { used });
    expect(applyPart(with_, first('cell')).packs[0].cell.used).toEqual(used);
  });
});

describe('a document with nonsense in its power chain', () => {
  const wrong = (change: (b: ReturnType<typeof sample>) => unknown): readonly string[] => {
    const result = readBuild(change(sample()));
    return result.ok ? [] : result.issues.map((i) => i.path);
  };

  it.each([
    [
      'a thousand in series',
      { cellsInSeries: { source: 'measured', value: 1000 } },
      'packs.0.cellsInSeries.value',
    ],
    [
      'no cells in series',
      { cellsInSeries: { source: 'measured', value: 0 } },
      'packs.0.cellsInSeries.value',
    ],
    ['a chemistry of its own', { chemistry: 'plutonium' }, 'packs.0.chemistry'],
  ])('%s says where', (_what, pack, path) => {
    expect(wrong((b) => withValues(b, 'packs.0', pack))).toEqual([path]);
  });

  it('negative ohms and three plugs say where', () => {
    expect(
      wrong((b) => withValues(b, 'packs.0.cell', { resistanceMohm: { source: 'measured', value: -3 } })),
    ).toEqual(['packs.0.cell.resistanceMohm.value']);
    expect(wrong((b) => ({ ...b, cabling: { ...b.cabling, connectors: 3 } }))).toEqual([
      'cabling.connectors',
    ]);
  });

  it('too many used cells, and one that weighs nothing on the meter, say where', () => {
    const many = Array.from({ length: 1001 }, () => ({ name: '', mah: 2200, mohm: null }));
    expect(wrong((b) => withValues(b, 'packs.0.cell', { used: many }))).toEqual(['packs.0.cell.used']);
    expect(wrong((b) => withValues(b, 'packs.0.cell', { used: [{ name: '', mah: 0, mohm: null }] }))).toEqual(
      ['packs.0.cell.used.0.mah'],
    );
  });
});
