import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sample, runs } from '../test/sample.ts';
import { cellLayout } from '../power-chain/cell-layout.ts';
import { cellBox, type CellRows } from './cell-box.ts';
import { knownBuild } from './known.ts';
import { withQuantity, withValues } from './quantity-at.ts';

const round = (rest: Partial<CellRows> = {}): CellRows => ({
  count: 40,
  rows: 4,
  round: true,
  nesting: 'square',
  widthMm: 18,
  depthMm: 18,
  heightMm: 65,
  gapMm: 2,
  caseMm: 4,
  ...rest,
});

describe('a box of cells', () => {
  it('of ten by four, 18 mm with 2 mm between and 4 mm round, is 206 by 86 mm (by hand)', () => {
    const box = cellBox(round());
    expect(box.columns).toBe(10);
    expect(box.lengthMm).toBeCloseTo(9 * 20 + 18 + 8, 9);
    expect(box.depthMm).toBeCloseTo(3 * 20 + 18 + 8, 9);
    expect(box.heightMm).toBeCloseTo(65 + 6 + 8, 9);
  });

  it('nested hexagonally has rows sqrt(3)/2 of a pitch apart, and half a pitch of length (by hand)', () => {
    const box = cellBox(round({ nesting: 'hexagonal' }));
    expect(box.lengthMm).toBeCloseTo(206 + 10, 9);
    expect(box.depthMm).toBeCloseTo((3 * 20 * Math.sqrt(3)) / 2 + 18 + 8, 9);
  });

  it('of blocks stands square, whatever the nesting', () => {
    const blocks = round({
      round: false,
      count: 4,
      rows: 2,
      widthMm: 151,
      depthMm: 98,
      nesting: 'hexagonal',
    });
    expect(cellBox(blocks)).toEqual(cellBox({ ...blocks, nesting: 'square' }));
    expect(cellBox(blocks).lengthMm).toBeCloseTo(2 * 151 + 2 + 8, 9);
    expect(cellBox(blocks).depthMm).toBeCloseTo(2 * 98 + 2 + 8, 9);
  });

  it('seats every cell once, inside the case and clear of every other', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 120 }),
        fc.integer({ min: 1, max: 14 }),
        fc.constantFrom('square' as const, 'hexagonal' as const),
        (count, rows, nesting) => {
          const cells = round({ count, rows, nesting });
          const box = cellBox(cells);
          expect(box.seats).toHaveLength(count);
          for (const [i, a] of box.seats.entries()) {
            expect(a.x).toBeGreaterThanOrEqual(13 - 1e-9);
            expect(a.x).toBeLessThanOrEqual(box.lengthMm - 13 + 1e-9);
            expect(a.y).toBeLessThanOrEqual(box.depthMm - 13 + 1e-9);
            for (const b of box.seats.slice(i + 1)) {
              expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThanOrEqual(20 - 1e-9);
            }
          }
        },
      ),
      runs(40),
    );
  });
});

describe('a pack made from cells', () => {
  const build = (rest: object = {}) => {
    const base = sample({
      pack: { make: 'cells', cellsInSeries: 10 },
      cell: { parallel: 4, capacityAh: 3.5, continuousA: 8, peakA: 12, chargeA: 1.7, massG: 48, ...rest },
    });
    return { base, known: knownBuild(base) };
  };

  // Series and parallel arithmetic: volts add in series, amp-hours and amps in parallel.
  it('has S times the volts and P times the amp-hours and amps', () => {
    const [pack] = build().known.packs;
    expect(pack.nominalV).toMatchObject({ value: 36, source: 'worked' });
    expect(pack.capacityAh.value).toBeCloseTo(14, 9);
    expect(pack.cellsContinuousA.value).toBe(32);
    expect(pack.cellsPeakA.value).toBe(48);
    expect(pack.maxChargeA.value).toBeCloseTo(6.8, 9);
  });

  it('weighs its cells and something for strips and case, until it is on the scales', () => {
    const { base, known } = build();
    expect(known.packs[0].massKg.value).toBeGreaterThan(40 * 0.048);
    expect(known.packs[0].massKg.value).toBeLessThan(40 * 0.048 * 1.4);
    const weighed = knownBuild(withQuantity(base, 'packs.0.massKg', { source: 'measured', value: 2.6 }));
    expect(weighed.packs[0].massKg).toMatchObject({ value: 2.6, source: 'measured' });
  });

  it('fills the side view with the box of its layout', () => {
    const { base, known } = build();
    const { box } = cellLayout(base.packs[0], known.packs[0]);
    expect(known.packs[0].boxLengthMm.value).toBeCloseTo(box.lengthMm, 9);
    expect(known.packs[0].boxHeightMm.value).toBeCloseTo(box.depthMm, 9);
    expect(known.packs[0].boxWidthMm.value).toBeCloseTo(box.heightMm, 9);
  });

  it('keeps what was entered of a ready pack, unused, for the way back', () => {
    const { base } = build();
    const back = knownBuild(withValues(base, 'packs.0', { make: 'ready' }));
    expect(back.packs[0].capacityAh).toMatchObject({ value: 13, source: 'assumed' });
  });
});

describe('the layout of groups', () => {
  it('with a group in every column never sets cells more than a group apart beside each other', () => {
    const base = sample({ pack: { make: 'cells', cellsInSeries: 10 }, cell: { parallel: 4, rows: 4 } });
    const layout = cellLayout(base.packs[0], knownBuild(base).packs[0]);
    expect(layout.insulate).toEqual([]);
    expect(layout.cells.filter((c) => c.group === 3)).toHaveLength(4);
    expect(layout.cells.every((c) => c.plusUp === (c.group % 2 === 0))).toBe(true);
  });

  it('of long rows says where neighbours differ most: 10 in series 1 side by side in two rows, 9 groups', () => {
    const base = sample({ pack: { make: 'cells', cellsInSeries: 10 }, cell: { parallel: 1, rows: 5 } });
    const worst = cellLayout(base.packs[0], knownBuild(base).packs[0]).insulate[0];
    // Column of groups 0 to 4, then 5 to 9 back: 0 stands beside 9.
    expect(worst?.groupsApart).toBe(9);
    expect(worst?.volts).toBeCloseTo(9 * 4.2, 9);
  });
});
