import type { EChartsOption, SeriesOption } from 'echarts';
import { FONTS, type ChartInk } from './ink.ts';

export type Xy = readonly [number, number];

export const still = { silent: true, animation: false, tooltip: { show: false } } as const;

interface LineLook {
  readonly color: string;
  readonly width: number;
  readonly dash?: readonly number[];
  readonly z?: number;
}

/** A line without marks. */
export const line = (points: readonly Xy[], { color, width, dash, z = 3 }: LineLook): SeriesOption => ({
  type: 'line',
  ...still,
  data: points.map(([x, y]) => [x, y]),
  showSymbol: false,
  z,
  lineStyle: { color, width, ...(dash === undefined ? {} : { type: [...dash] }), cap: 'butt', join: 'round' },
});

/** A heavy line on a paper casing, so that it stands before everything else. */
export const cased = (points: readonly Xy[], color: string, ink: ChartInk): readonly SeriesOption[] => [
  line(points, { color: ink.sheet, width: 8, z: 4 }),
  line(points, { color, width: 4, z: 5 }),
];

interface Caption {
  readonly at: Xy;
  readonly lines: readonly { readonly text: string; readonly style: 'strong' | 'value' | 'plain' | 'thin' }[];
  readonly color: string;
  readonly align?: 'left' | 'right' | 'center';
  readonly offset?: readonly [number, number];
  readonly vertical?: 'top' | 'bottom' | 'middle';
}

/** Words standing at a point of the chart: a direct label. */
export function caption(
  { at, lines, color, align = 'left', offset = [0, 0], vertical = 'bottom' }: Caption,
  ink: ChartInk,
): SeriesOption {
  // A halo of paper keeps words readable where they cross a line.
  const halo = { textBorderColor: ink.sheet, textBorderWidth: 4 };
  return {
    type: 'scatter',
    ...still,
    data: [[at[0], at[1]]],
    symbolSize: 0.01,
    itemStyle: { opacity: 1 },
    z: 8,
    label: {
      show: true,
      position: [offset[0], offset[1]],
      align,
      verticalAlign: vertical,
      formatter: lines.map(({ text, style }) => `{${style}|${text.replace(/[{}|]/g, ' ')}}`).join('\n'),
      rich: {
        strong: { fontFamily: FONTS.head, fontWeight: 700, fontSize: 14, color, lineHeight: 17, ...halo },
        value: { fontFamily: FONTS.head, fontWeight: 700, fontSize: 22, color, lineHeight: 26, ...halo },
        plain: { fontFamily: FONTS.text, fontSize: 12, color: ink.ink2, lineHeight: 15, ...halo },
        thin: { fontFamily: FONTS.text, fontSize: 12, color, lineHeight: 15, ...halo },
      },
    },
  };
}

/** A flat tint between two lines. */
export function band(lower: readonly Xy[], upper: readonly Xy[], fill: string): SeriesOption {
  const outline = [...upper, ...[...lower].reverse()];
  return {
    type: 'custom',
    ...still,
    z: 1,
    clip: true,
    data: outline.length < 3 ? [] : [[0]],
    renderItem: (_params, api) => ({
      type: 'polygon',
      shape: { points: outline.map(([x, y]) => api.coord([x, y])) },
      style: { fill },
    }),
  };
}

/** Diagonals over a part of the x axis: what is impossible there. */
export function hatched(from: number, to: number, yMax: number, color: string): SeriesOption {
  return {
    type: 'custom',
    ...still,
    z: 1,
    data: from < to ? [[0]] : [],
    renderItem: (_params, api) => {
      const [x0 = 0, y0 = 0] = api.coord([from, yMax]);
      const [x1 = 0, y1 = 0] = api.coord([to, 0]);
      const height = y1 - y0;
      const children = [];
      for (let x = x0 - height; x < x1; x += 9) {
        const start = Math.max(x, x0);
        const end = Math.min(x + height, x1);
        if (end <= start) continue;
        children.push({
          type: 'line' as const,
          shape: { x1: start, y1: y1 - (start - x), x2: end, y2: y1 - (end - x) },
          style: { stroke: color, lineWidth: 1 },
        });
      }
      children.push({
        type: 'line' as const,
        shape: { x1: x0, y1: y0, x2: x0, y2: y1 },
        style: { stroke: color, lineWidth: 1 },
      });
      return { type: 'group', children };
    },
  };
}

/** Short strokes across a line where it changes. */
export function crossTicks(points: readonly (readonly [Xy, Xy])[], color: string): SeriesOption {
  return {
    type: 'custom',
    ...still,
    z: 7,
    data: points.map((_, i) => [i]),
    renderItem: (params, api) => {
      const pair = points[params.dataIndex];
      if (pair === undefined) return null;
      const [x = 0, y = 0] = api.coord([...pair[0]]);
      const [u = 0, v = 0] = api.coord([...pair[1]]);
      const length = Math.hypot(u - x, v - y) || 1;
      const [nx, ny] = [(-(v - y) / length) * 7, ((u - x) / length) * 7];
      return {
        type: 'line',
        shape: { x1: x - nx, y1: y - ny, x2: x + nx, y2: y + ny },
        style: { stroke: color, lineWidth: 1.4 },
      };
    },
  };
}

interface Axis {
  readonly max: number;
  readonly title: string;
  readonly min?: number;
  /** Between two lines of the paper, where the chart is not to choose it. */
  readonly interval?: number;
}

/** Round the axes of a chart, px, and below its upper edge the middle of the upright axis's title, within them. */
export const MARGINS = { left: 40, right: 10, top: 10, bottom: 26 } as const;
export const TITLE_BELOW = 16;

/** Graph paper: grid, axes with titles inside, no animation; `cursor` says what stands at an x, in HTML. */
export function paper(x: Axis, y: Axis, ink: ChartInk, cursor: (x: number) => string): EChartsOption {
  const axis = {
    type: 'value' as const,
    axisLine: { show: true, lineStyle: { color: ink.ink, width: 1.5 } },
    axisTick: { show: false },
    axisLabel: { color: ink.ink2, fontFamily: FONTS.num, fontSize: 12, fontWeight: 500 },
    splitLine: { lineStyle: { color: ink.gridMajor } },
    minorTick: { show: false, splitNumber: 2 },
    minorSplitLine: { show: true, lineStyle: { color: ink.grid } },
    nameTextStyle: { color: ink.ink2, fontFamily: FONTS.text, fontSize: 12 },
  };
  return {
    animation: false,
    textStyle: { fontFamily: FONTS.text, color: ink.ink },
    grid: { ...MARGINS },
    xAxis: {
      ...axis,
      min: x.min ?? 0,
      max: x.max,
      ...(x.interval === undefined ? {} : { interval: x.interval }),
      name: x.title,
      nameLocation: 'end',
      nameGap: 0,
      nameTextStyle: { ...axis.nameTextStyle, align: 'right', verticalAlign: 'top', padding: [8, 0, 0, 0] },
      axisLabel: { ...axis.axisLabel, showMaxLabel: false },
    },
    yAxis: {
      ...axis,
      min: y.min ?? 0,
      max: y.max,
      name: y.title,
      nameLocation: 'end',
      nameGap: -TITLE_BELOW,
      nameTextStyle: { ...axis.nameTextStyle, align: 'left', padding: [0, 0, 0, 6] },
    },
    tooltip: {
      trigger: 'axis',
      formatter: (params: unknown) => cursor(cursorX(params)),
      backgroundColor: ink.sheet,
      borderColor: ink.ink,
      borderWidth: 1,
      borderRadius: 0,
      padding: [6, 10],
      shadowBlur: 0,
      extraCssText: 'box-shadow:none',
      textStyle: { color: ink.ink, fontFamily: FONTS.text, fontSize: 13 },
      axisPointer: { type: 'line', lineStyle: { color: ink.ink3, type: 'dashed' } },
    },
  };
}

/** The x of the cursor, from what the tooltip is given. */
export const cursorX = (params: unknown): number => {
  const first: unknown = Array.isArray(params) ? params[0] : params;
  const value = (first as { axisValue?: unknown } | undefined)?.axisValue;
  return typeof value === 'number' ? value : Number(value);
};

/** An unseen line that the cursor follows; the drawn ones are silent. */
export const cursorLine = (points: readonly Xy[]): SeriesOption => ({
  type: 'line',
  data: points.map(([x, y]) => [x, y]),
  showSymbol: false,
  lineStyle: { opacity: 0 },
  itemStyle: { opacity: 0 },
  z: 0,
});

interface DotLook {
  readonly symbol: string;
  readonly size: number;
  /** Filled with it; only its outline where there is none. */
  readonly fill?: string;
  readonly edge?: string;
  readonly width?: number;
  readonly rotate?: number;
  readonly z: number;
}

/** Marks at points, all alike. */
export const dots = (points: readonly Xy[], look: DotLook): SeriesOption => ({
  type: 'scatter',
  ...still,
  data: points.map(([x, y]) => [x, y]),
  symbol: look.symbol,
  symbolSize: look.size,
  symbolRotate: look.rotate ?? 0,
  itemStyle: {
    color: look.fill ?? 'transparent',
    opacity: 1,
    ...(look.edge === undefined ? {} : { borderColor: look.edge, borderWidth: look.width ?? 1.3 }),
  },
  z: look.z,
});
