import { describe, expect, it } from 'vitest';
import type { LogWindow } from '@apple-cart/contracts';
import { LOG_COLUMNS, panelsOf } from '../../charts/log-chart.ts';
import { logTable } from './log-table.ts';

const rows = (n: number): number[] => Array.from({ length: n }, (_, i) => i);
const window = (columns: LogWindow['columns'], n = 3): LogWindow => ({
  rows: n,
  from: 0,
  bucket: 1,
  columns,
});

describe('the table of a recording', () => {
  it('has what is drawn, in the reader’s units (by hand: 10 m/s are 36 km/h and 22.4 mph)', () => {
    const told = window({ metres: [0, 1000, 2000], speed: [10, 10, 10], out: [100, 200, 300] });
    const metric = logTable(told, 'metric');
    expect(metric.columns.map((c) => c.name)).toEqual(['Distance, km', 'Speed, km/h', 'From the pack, W']);
    expect(metric.rows[1]).toEqual([1, 36, 200]);
    const [, , second] = logTable(told, 'imperial').rows;
    expect(second?.[0]).toBeCloseTo(1.2427, 3);
    expect(second?.[1]).toBeCloseTo(22.37, 2);
  });

  it('leaves a gap where nothing was read, and reads the mean of a bucket', () => {
    const told = window({
      metres: [0, null, 2000],
      volts: { min: [50, 49, 48], max: [54, 53, 52], mean: [52, null, 50] },
    });
    expect(logTable(told, 'metric').rows).toEqual([
      [0, 52],
      [undefined, undefined],
      [2, 50],
    ]);
  });

  it('has four hundred rows and a few at most, evenly over the way', () => {
    const told = window({ metres: rows(10_000), speed: rows(10_000) }, 10_000);
    const { rows: shown } = logTable(told, 'metric');
    expect(shown.length).toBeLessThanOrEqual(400);
    expect(shown.length).toBeGreaterThan(200);
    expect(shown[1]?.[0]).toBeCloseTo(0.025, 9);
  });
});

describe('the panels of a recording', () => {
  it('are those that hold anything; the volts stand where no winding was felt', () => {
    expect(panelsOf(window({ metres: [0, 1], volts: [50, 49], speed: [null, null] }))).toEqual(['volts']);
    expect(panelsOf(window({ metres: [0, 1], volts: [50, 49], windingC: [20, 30] }))).toEqual(['windingC']);
    expect(panelsOf(window({}))).toEqual([]);
    for (const id of ['seconds', 'metres', 'elevation', 'speed', 'out', 'windingC', 'volts'])
      expect(LOG_COLUMNS).toContain(id);
  });
});
