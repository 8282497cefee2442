import { describe, expect, it } from 'vitest';
import { qty, type Candidate, type Finalist, type Ladder, type Miss } from '@apple-cart/core';
import type { EChartsOption } from 'echarts';
import { overlap, type Box } from '../drawing/place-labels.ts';
import { NAMED_INK as INK } from '../test/ink.ts';
import { series, tooltip, words } from '../test/options.ts';
import { init } from './echarts-core.ts';
import { ladderChart } from './ladder-chart.ts';
import { REASON_SHAPES, searchChart, type SearchChartInput } from './search-chart.ts';

const rung = (id: string, cost: number, gain: number, stepCost: number, stepGain: number) => ({
  id,
  what: [`Step ${id}, `, qty(10, 'kg', 0), ' less'],
  cost,
  gain,
  stepCost,
  stepGain,
  noIdea: [],
  unpriced: false,
});
const found: Ladder = {
  aim: 'hill',
  rungs: [rung('a', 0, 1.7, 0, 1.7), rung('b', 50, 2.2, 50, 0.5), rung('c', 400, 2.3, 350, 0.1)],
  stopsAt: 2,
};
/** Where the numbered squares of a chart are drawn, px. */
function squares(option: EChartsOption): readonly Box[] {
  const chart = init(null, null, { renderer: 'svg', ssr: true, width: 620, height: 330 });
  chart.setOption(option);
  const svg = chart.renderToSVGString();
  chart.dispose();
  return [...svg.matchAll(/<path d="M0 0l18 0l0 18l-18 0Z"[^>]*translate\(([\d.-]+) ([\d.-]+)\)/g)].map(
    ([, x, y]) => ({ x: Number(x), y: Number(y), width: 18, height: 18 }),
  );
}
type Points = { readonly data?: readonly unknown[] };
const points = (one: unknown): readonly unknown[] => (one as Points).data ?? [];

describe('the chart of what the next money gains', () => {
  const option = ladderChart({ found, unit: 'km/h', sign: '£', system: 'metric' }, INK);

  it('begins at nothing, and is whole up to where it gains less', () => {
    const [casing, whole] = series(option);
    expect(points(casing)).toEqual([
      [0, 0],
      [0, 1.7],
      [50, 2.2],
    ]);
    expect(points(whole)).toEqual(points(casing));
    const broken = series(option).find(
      (s) => (s as { lineStyle?: { type?: unknown } }).lineStyle?.type !== undefined,
    );
    expect(points(broken)).toEqual([
      [50, 2.2],
      [400, 2.3],
    ]);
  });

  it('numbers its rungs, and says under the cursor what so much money buys', () => {
    expect(squares(option)).toHaveLength(3);
    expect(tooltip(option, 60)).toMatch(/^Step b, 10\skg less<br>/);
    expect(tooltip(option, 60)).toContain('£50');
  });

  it('is drawn in miles where the reader wants them, and without any rung', () => {
    const miles = ladderChart({ found, unit: 'km/h', sign: '$', system: 'imperial' }, INK);
    expect(tooltip(miles, 60)).toMatch(/^Step b, 22\slb less<br>/);
    const top = points(series(miles)[0]).at(-1) as readonly number[];
    expect(top[1]).toBeCloseTo(2.2 / 1.609344, 6);
    const none = ladderChart(
      { found: { aim: 'hill', rungs: [], stopsAt: undefined }, unit: 'km/h', sign: '£', system: 'metric' },
      INK,
    );
    expect(tooltip(none, 10)).toBe('');
  });
});

const candidate = (price: number, hillKmh: number | undefined): Candidate => ({
  motor: 0,
  geared: 0,
  pair: 0,
  price,
  massKg: 30,
  hillKmh,
  rangeKm: 40,
});
const finalist = (price: number, hillKmh: number): Finalist =>
  ({ ...candidate(price, hillKmh), names: [`at ${String(price)}`] }) as unknown as Finalist;
const input: SearchChartInput = {
  goal: 'hill',
  standing: [candidate(1300, 11), candidate(1450, 12)],
  misses: [
    { ...candidate(1700, 18), reason: 'price' },
    { ...candidate(1200, undefined), reason: 'hill' },
  ] satisfies readonly Miss[],
  finalists: [finalist(1450, 15), finalist(1250, 10)],
  hand: { price: 1400, value: 9 },
  budget: 1600,
  wanted: 8,
  sign: '£',
  system: 'metric',
};

describe('the chart of the search', () => {
  const option = searchChart(input, INK);

  it('has a shape for each reason, and those that stand filled', () => {
    const shapes = Object.values(REASON_SHAPES).map(
      ({ symbol, rotate }) => `${symbol} ${String(rotate ?? 0)}`,
    );
    expect(new Set(shapes).size).toBe(shapes.length);
    expect(new Set(Object.values(REASON_SHAPES).map(({ shape }) => shape)).size).toBe(shapes.length);
    const symbols = series(option).map((s) => (s as { symbol?: string }).symbol);
    expect(symbols).toContain('triangle');
    expect(symbols.filter((s) => s === 'circle').length).toBeGreaterThan(1);
  });

  it('steps from one finalist to the next by price, and never gives more than is there', () => {
    const front = series(option).find(
      (s) => points(s).length === 3 && (s as { type?: string }).type === 'line',
    );
    expect(points(front)).toEqual([
      [1250, 10],
      [1450, 10],
      [1450, 15],
    ]);
    expect(tooltip(option, 1420)).toContain('at 1450');
  });

  it('names the build in hand, the budget and what was asked, where there are any', () => {
    expect(words(option)).toContain('In hand');
    expect(words(option)).toContain('budget');
    expect(words(option)).toContain('asked: 8 km/h');
    const bare = searchChart(
      { ...input, budget: null, wanted: null, hand: { price: 1, value: undefined }, finalists: [] },
      INK,
    );
    expect(words(bare)).not.toContain('budget');
    expect(words(bare)).not.toContain('In hand');
    expect(tooltip(bare, 1000)).toBe('');
  });

  it('has no number over another, however near the finalists are', () => {
    const near = [finalist(1450, 15), finalist(1450, 15), finalist(1455, 15.1), finalist(1452, 14.9)];
    const boxes = squares(searchChart({ ...input, finalists: near }, INK));
    expect(boxes).toHaveLength(4);
    const over = boxes.flatMap((a, i) => boxes.slice(i + 1).filter((b) => overlap(a, b, 0) > 0));
    expect(over).toEqual([]);
    // Where there is room each stands on its point.
    const apart = squares(option);
    expect(apart).toHaveLength(2);
    expect((apart[1]?.y ?? 0) < (apart[0]?.y ?? 0)).toBe(true);
  });

  it('has room for everything on its axes', () => {
    const { min, max } = option.xAxis as { min: number; max: number };
    expect(min).toBeLessThan(1200);
    expect(max).toBeGreaterThan(1700);
  });

  it.each([
    [1040, 2090],
    [1210, 1260],
    [90, 8700],
    [400, 400],
  ])('has prices from %d to %d on even steps, from one end to the other', (low, high) => {
    const { xAxis } = searchChart(
      {
        ...input,
        standing: [candidate(low, 11), candidate(high, 12)],
        misses: [],
        finalists: [],
        hand: { price: low, value: 9 },
        budget: null,
      },
      INK,
    );
    const { min, max, interval } = xAxis as { min: number; max: number; interval: number };
    expect(min / interval).toBeCloseTo(Math.round(min / interval), 9);
    expect(max / interval).toBeCloseTo(Math.round(max / interval), 9);
    expect([min < low, max > high]).toEqual([true, true]);
    expect((max - min) / interval).toBeLessThan(8);
  });
});
