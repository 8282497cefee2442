import type { EChartsOption, SeriesOption } from 'echarts';
import type { LogWindow } from '@apple-cart/contracts';
import { formatNumber, unitText, type Trace, type UnitSystem } from '@apple-cart/core';
import type { ChartInk } from './ink.ts';
import { line, paper, type Xy } from './pieces.ts';
import { evenMax, scalesOf, type Scales } from './ride-panels.ts';

/** The channels that are drawn, from the top down: elevation, speed, power, and the winding or else the volts. */
const PANELS = ['elevation', 'speed', 'out', 'windingC', 'volts'] as const;
export type LogPanel = (typeof PANELS)[number];
/** What has to be asked for to draw them. */
export const LOG_COLUMNS = ['seconds', 'metres', ...PANELS];

export interface LogChartInput {
  readonly window: LogWindow;
  /** The plan on the same road; none where there is none. */
  readonly plan: Trace | undefined;
  readonly rollbackC: number | undefined;
  readonly system: UnitSystem;
  /** What of the way is looked at, in the reader's unit; all of it where nothing is said. */
  readonly view: { readonly from: number; readonly to: number } | undefined;
  readonly wholeM: number;
  /** What of the way is the ride, m, where its recording is cut; the rest is drawn faint. */
  readonly ridden?: { readonly fromM: number; readonly toM: number } | undefined;
}

type Column = readonly (number | null)[];
interface Bucketed {
  readonly min: Column;
  readonly max: Column;
  readonly mean: Column;
}
const NONE: Bucketed = { min: [], max: [], mean: [] };

const bucketed = ({ columns }: LogWindow, id: string): Bucketed => {
  const column = columns[id];
  if (column === undefined) return NONE;
  return Array.isArray(column) ? { min: column, max: column, mean: column } : column;
};

/** The panels of which the recording holds anything: four at most. */
export const panelsOf = (window: LogWindow): readonly LogPanel[] => {
  const there = PANELS.filter((id) => bucketed(window, id).mean.some((v) => v !== null));
  return there.includes('windingC') ? there.filter((id) => id !== 'volts') : there;
};

/** Down and up through each bucket: no spike is lost, whatever the level. */
function zigzag(
  { min, max }: Bucketed,
  x: Column,
  xOf: (m: number) => number,
  y: (v: number) => number,
): Xy[] {
  const out: Xy[] = [];
  for (let i = 0; i < x.length; i += 1) {
    const [at, low, high] = [x[i], min[i], max[i]];
    if (at === null || at === undefined || low === null || low === undefined) continue;
    out.push([xOf(at), y(low)]);
    if (high !== null && high !== undefined && high !== low) out.push([xOf(at), y(high)]);
  }
  return out;
}

interface PanelLook {
  readonly title: string;
  readonly unit: string;
  readonly color: string;
  readonly digits: number;
  readonly y: (value: number) => number;
  readonly plan: ((trace: Trace) => readonly number[]) | undefined;
}

function looks(scales: Scales, ink: ChartInk): Readonly<Record<LogPanel, PanelLook>> {
  const { units, high, fast, warm } = scales;
  const same = (v: number): number => v;
  return {
    elevation: {
      title: 'Elevation',
      unit: units.height,
      color: ink.ink,
      digits: 0,
      y: high,
      plan: undefined,
    },
    speed: { title: 'Speed', unit: units.speed, color: ink.speed, digits: 1, y: fast, plan: (t) => t.speed },
    out: {
      title: 'From the pack',
      unit: 'W',
      color: ink.energy.line,
      digits: 0,
      y: same,
      plan: (t) => t.batteryW,
    },
    windingC: {
      title: 'Winding',
      unit: unitText(units.heat),
      color: ink.heat,
      digits: 0,
      y: warm,
      plan: (t) => t.windingC,
    },
    volts: { title: 'Pack', unit: 'V', color: ink.voltage, digits: 1, y: same, plan: (t) => t.volts },
  };
}

interface Axis {
  readonly min: number;
  readonly max: number;
}

/** From nought where that is near; volts and heights have no use for it. */
function axisOf(id: LogPanel, points: readonly Xy[]): Axis {
  let [low, high] = [Infinity, -Infinity];
  for (const [, y] of points) {
    low = Math.min(low, y);
    high = Math.max(high, y);
  }
  if (low > high) return { min: 0, max: 1 };
  if (id === 'elevation' || id === 'volts') {
    const step = id === 'elevation' ? 10 : 2;
    return { min: Math.floor(low / step - 0.3) * step, max: Math.ceil(high / step + 0.2) * step };
  }
  const below = low < -0.02 * high && low < 0 ? -evenMax(-low) : 0;
  return { min: below, max: evenMax(Math.max(high * 1.03, id === 'windingC' ? 50 : 1)) };
}

const LEFT = 50;
const RIGHT = 12;
const GAP = 1.2;
const HEIGHTS: Readonly<Record<LogPanel, number>> = {
  elevation: 16,
  speed: 26,
  out: 26,
  windingC: 24,
  volts: 24,
};

/** The nearest row to a way, m. */
function rowAt(metres: Column, x: number): number {
  let best = 0;
  let least = Infinity;
  metres.forEach((m, i) => {
    const off = m === null ? Infinity : Math.abs(m - x);
    if (off < least) [best, least] = [i, off];
  });
  return best;
}

function planAt(trace: Trace, values: readonly number[], x: number): number | undefined {
  const at = trace.metres.findIndex((m) => m >= x);
  return at < 0 ? values.at(-1) : values[at];
}

interface PanelLines {
  readonly points: readonly Xy[];
  readonly planned: readonly Xy[];
  readonly axis: Axis;
  readonly metres: Column;
  readonly xMax: number;
  /** Stretches that are not of the ride, from and to in the reader's unit. */
  readonly faint: readonly Xy[];
}
const NO_AXIS: Axis = { min: 0, max: 1 };

/** What stands in one panel: as it was recorded, the plan above it, where the winding is held back, and what the cursor is caught by. */
function panelSeries(
  id: LogPanel,
  panel: number,
  { points, planned, axis, metres, xMax, faint }: PanelLines,
  look: Readonly<Record<LogPanel, PanelLook>>,
  { far, warm }: Scales,
  rollbackC: number | undefined,
  ink: ChartInk,
): readonly SeriesOption[] {
  const area =
    id === 'elevation' ? { areaStyle: { color: ink.span, opacity: 1, origin: 'start' as const } } : {};
  const level = rollbackC === undefined ? Infinity : warm(rollbackC);
  const held =
    id === 'windingC' && level < axis.max
      ? [
          line(
            [
              [0, level],
              [xMax, level],
            ],
            { color: ink.heat, width: 1.2, dash: [6, 4] },
          ),
        ]
      : [];
  const unseen: SeriesOption = {
    type: 'line',
    data: metres.map((m) => [far(m ?? 0), axis.min]),
    showSymbol: false,
    lineStyle: { opacity: 0 },
    itemStyle: { opacity: 0 },
    z: 0,
  };
  const how = {
    color: look[id].color,
    width: id === 'elevation' ? 1.2 : 2,
    z: id === 'elevation' ? 1 : 3,
  };
  return [
    {
      ...line(
        points.filter(([x]) => !faint.some((off) => isWithin(x, off))),
        how,
      ),
      ...area,
    },
    ...faint.map((off): SeriesOption => {
      const drawn = line(
        points.filter(([x]) => isWithin(x, off)),
        how,
      );
      return { ...drawn, lineStyle: { ...how, opacity: FAINT } };
    }),
    ...(planned.length === 0 ? [] : [line(planned, { color: ink.ink, width: 1, z: 4 })]),
    ...held,
    unseen,
  ].map((s) => ({ ...s, xAxisIndex: panel, yAxisIndex: panel, clip: true }));
}

/** How much is seen of what is not of the ride. */
const FAINT = 0.3;
const isWithin = (x: number, [from, to]: Xy): boolean => x >= from && x <= to;

/** What lies before and behind a stretch of a way. */
const besides = (from: number, to: number, whole: number): readonly Xy[] =>
  [[0, from] as const, [to, whole] as const].filter(([begin, end]) => end > begin);

/** Measured as it was recorded, the plan thin above it, one cursor through all panels. */
export function logChart(input: LogChartInput, ink: ChartInk): EChartsOption {
  const { window, plan, rollbackC, system, view, wholeM, ridden } = input;
  const scales = scalesOf(system);
  const { far, metresAt, units } = scales;
  const panels = panelsOf(window);
  const look = looks(scales, ink);
  const metres = bucketed(window, 'metres').mean;
  const seconds = bucketed(window, 'seconds').mean;
  const lines = panels.map((id) => zigzag(bucketed(window, id), metres, far, look[id].y));
  const plans = panels.map((id): readonly Xy[] => {
    const of = look[id].plan;
    if (plan === undefined || of === undefined) return [];
    return of(plan).map((v, i): Xy => [far(plan.metres[i] ?? 0), look[id].y(v)]);
  });
  const axes = panels.map((id, i) => axisOf(id, [...(lines[i] ?? []), ...(plans[i] ?? [])]));
  const words = (x: number): string => {
    const i = rowAt(metres, metresAt(x));
    const t = seconds[i] ?? 0;
    const rows = panels.map((id) => {
      const { title, unit, digits, y } = look[id];
      const value = bucketed(window, id).mean[i];
      const of = look[id].plan;
      const planned =
        plan === undefined || of === undefined ? undefined : planAt(plan, of(plan), metresAt(x));
      const held = planned === undefined ? '' : ` plan ${formatNumber(y(planned), digits)}`;
      return `${title} <b>${value === null || value === undefined ? '–' : formatNumber(y(value), digits)}</b> ${unit}${held}`;
    });
    const clock = `${String(Math.floor(t / 60))}:${String(Math.floor(t % 60)).padStart(2, '0')}`;
    return [`${formatNumber(far(metres[i] ?? 0), 2)} ${units.distance}, ${clock} min`, ...rows].join('<br>');
  };
  const xMax = far(wholeM);
  const faint = ridden === undefined ? [] : besides(far(ridden.fromM), far(ridden.toM), xMax);
  const frame = paper({ max: xMax, title: '' }, { max: 1, title: '' }, ink, words);
  const xAxis = frame.xAxis as { axisLabel: object; nameTextStyle: object };
  const yAxis = frame.yAxis as { axisLabel: object; nameTextStyle: object };
  const whole = panels.reduce((sum, id) => sum + HEIGHTS[id], 0) + GAP * (panels.length - 1);
  let from = 1;
  const grid = panels.map((id) => {
    const height = (HEIGHTS[id] * 90) / whole;
    const one = {
      left: LEFT,
      right: RIGHT,
      top: `${String(from)}%`,
      height: `${String(height)}%`,
      outerBoundsMode: 'none' as const,
    };
    from += height + (GAP * 90) / whole;
    return one;
  });
  const last = panels.length - 1;
  const series = panels.flatMap((id, i) =>
    panelSeries(
      id,
      i,
      { points: lines[i] ?? [], planned: plans[i] ?? [], axis: axes[i] ?? NO_AXIS, metres, xMax, faint },
      look,
      scales,
      rollbackC,
      ink,
    ),
  );
  return {
    ...frame,
    axisPointer: { link: [{ xAxisIndex: 'all' }] },
    grid,
    dataZoom: [
      {
        type: 'inside',
        xAxisIndex: panels.map((_, i) => i),
        filterMode: 'none',
        zoomOnMouseWheel: 'ctrl',
        moveOnMouseWheel: false,
        preventDefaultMouseMove: false,
        ...(view === undefined ? {} : { startValue: view.from, endValue: view.to }),
      },
    ],
    xAxis: panels.map((_, i) => ({
      ...xAxis,
      gridIndex: i,
      max: xMax,
      name: i === last ? `Distance, ${units.distance}` : '',
      nameTextStyle: { ...xAxis.nameTextStyle, padding: [22, 0, 0, 0] },
      axisLabel: { ...xAxis.axisLabel, show: i === last },
    })),
    yAxis: panels.map((id, i) => ({
      ...yAxis,
      // Its name stands before the ground, its lines behind what is drawn.
      z: 2,
      gridIndex: i,
      min: axes[i]?.min ?? 0,
      max: axes[i]?.max ?? 1,
      interval: ((axes[i]?.max ?? 1) - (axes[i]?.min ?? 0)) / 2,
      name: `${look[id].title}, ${look[id].unit}`,
      axisLabel: {
        ...yAxis.axisLabel,
        formatter: (v: number) => formatNumber(v, 0),
        verticalAlignMinLabel: 'bottom',
        verticalAlignMaxLabel: 'top',
      },
      minorSplitLine: { show: false },
      nameTextStyle: { ...yAxis.nameTextStyle, textBorderColor: ink.sheet, textBorderWidth: 3 },
    })),
    series,
  };
}
