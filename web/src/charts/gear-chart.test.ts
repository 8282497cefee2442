import { describe, expect, it } from 'vitest';
import { evaluate, gearName, shippedRules, newBuild } from '@apple-cart/core';
import { NAMED_INK } from '../test/ink.ts';
import { gearChart } from './gear-chart.ts';

const { gears } = evaluate(newBuild('Build', 'mid-drive'), shippedRules());
const [lowest] = gears;
const chart = (system: 'metric' | 'imperial') =>
  gearChart(
    {
      rows: gears,
      name: (row) => gearName(row, gears.length),
      used: lowest,
      loads: [{ name: 'the level asks', force: () => 20 }],
      system,
    },
    NAMED_INK,
  );

describe('the gear chart', () => {
  it('has a line for every gear, the hill’s heavy, and one for what the road asks', () => {
    const series = chart('metric').series as { type: string; lineStyle?: { width: number } }[];
    const lines = series.filter((s) => s.type === 'line');
    // A cased line is two: paper below, ink above.
    expect(lines).toHaveLength(gears.length - 1 + 2 + 1);
    expect(Math.max(...lines.map((l) => l.lineStyle?.width ?? 0))).toBe(8);
    expect(JSON.stringify(series)).not.toMatch(/null|NaN/);
  });

  it('speaks the reader’s units', () => {
    expect(JSON.stringify(chart('imperial'))).toContain('mph');
    expect(JSON.stringify(chart('metric'))).toContain('km/h');
  });
});

describe('a gear’s name', () => {
  it('is its cog, its hub gear, or both', () => {
    expect(gearName({ cogTeeth: 34, hubGear: null }, 8)).toBe('34 T');
    expect(gearName({ cogTeeth: 19, hubGear: 2 }, 1)).toBe('gear 2');
    expect(gearName({ cogTeeth: 19, hubGear: 2 }, 2)).toBe('19 T, gear 2');
  });
});
