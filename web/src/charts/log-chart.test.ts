import { describe, expect, it } from 'vitest';
import type { LogWindow } from '@apple-cart/contracts';
import { NAMED_INK } from '../test/ink.ts';
import { series } from '../test/options.ts';
import { logChart, type LogChartInput } from './log-chart.ts';

const N = 1000;
const flat = (value: number): number[] => Array.from({ length: N }, () => value);
/** Buckets of sixteen rows; one of them hides a spike between its edges. */
const spiked = {
  min: flat(20),
  max: flat(21).map((v, i) => (i === 500 ? 160 : v)),
  mean: flat(20.5),
};
const window: LogWindow = {
  rows: N * 16,
  from: 0,
  bucket: 16,
  columns: {
    seconds: Array.from({ length: N }, (_, i) => i * 16),
    metres: Array.from({ length: N }, (_, i) => i * 20),
    speed: flat(5),
    out: { min: flat(-120), max: flat(400), mean: flat(150) },
    windingC: spiked,
  },
};
const input = (changes: Partial<LogChartInput> = {}): LogChartInput => ({
  window,
  plan: undefined,
  rollbackC: undefined,
  system: 'metric',
  view: undefined,
  wholeM: N * 20,
  ...changes,
});
const drawn = (changes: Partial<LogChartInput> = {}) => logChart(input(changes), NAMED_INK);
const heights = (option: ReturnType<typeof drawn>): number[] =>
  series(option).flatMap((s) =>
    ((s.data ?? []) as readonly unknown[]).map((p) => (p as readonly number[])[1] ?? NaN),
  );

describe('a recording as it is drawn', () => {
  it('loses no extreme of a bucket: the one spike stands at its height', () => {
    expect(Math.max(...heights(drawn()).filter(Number.isFinite))).toBe(400);
    const winding = series(drawn()).filter((s) =>
      ((s.data ?? []) as readonly unknown[]).some((p) => (p as readonly number[])[1] === 160),
    );
    expect(winding.length).toBeGreaterThan(0);
  });

  it('shows what flows back below nought', () => {
    const axes = [drawn().yAxis].flat() as { min?: number; max?: number }[];
    expect(axes.some((axis) => (axis.min ?? 0) <= -120)).toBe(true);
    for (const axis of axes) expect(axis.max ?? 1).toBeGreaterThan(axis.min ?? 0);
  });

  it('is one grid a panel, none for what was not read, with numbers throughout', () => {
    const option = drawn();
    expect([option.grid].flat()).toHaveLength(3);
    expect(heights(option).every(Number.isFinite)).toBe(true);
    const bare = drawn({
      window: { ...window, columns: { metres: [0, 1], seconds: [0, 1], speed: [3, 4] } },
    });
    expect([bare.grid].flat()).toHaveLength(1);
  });

  it('draws faint what was cut off, before the ride and behind it, in every panel, and loses none of it', () => {
    const lines = (changes: Partial<LogChartInput>, faint: boolean) =>
      series(drawn(changes)).flatMap((s) => {
        const { lineStyle: { opacity, width } = {} } = s as {
          readonly lineStyle?: { readonly opacity?: number; readonly width?: number };
        };
        const at = (s.data as readonly (readonly number[])[]).map(([x]) => x ?? NaN);
        return width === 2 && (opacity === undefined) !== faint ? [at] : [];
      });
    expect(lines({}, true)).toEqual([]);
    const whole = lines({}, false);
    const ridden = { fromM: 1000, toM: 15_000 };
    const [faint, rest] = [lines({ ridden }, true), lines({ ridden }, false)];
    expect(faint).toHaveLength(6);
    expect([Math.min(...(faint[0] ?? [])), Math.max(...(faint[0] ?? []))]).toEqual([0, 1]);
    expect([Math.min(...(faint[1] ?? [])), Math.max(...(faint[1] ?? []))]).toEqual([15, 19.98]);
    expect(faint.flat().length + rest.flat().length).toBe(whole.flat().length);
    // Cut at its end only.
    expect(lines({ ridden: { fromM: 0, toM: 15_000 } }, true)).toHaveLength(3);
  });

  it('speaks the reader’s units', () => {
    expect(JSON.stringify(drawn())).toContain('km/h');
    expect(JSON.stringify(drawn({ system: 'imperial' }))).toContain('mph');
  });
});
