import type { EChartsOption, SeriesOption } from 'echarts';
import {
  BINDING_WORDS,
  formatNumber,
  gearInWords,
  unitText,
  type Binding,
  type Limit,
  type Trace,
  type UnitSystem,
} from '@apple-cart/core';
import { FONTS, type ChartInk } from './ink.ts';
import { line, paper, type Xy } from './pieces.ts';
import { PANELS, axesOf, panelGrid, scalesOf, type Axis, type Scales } from './ride-panels.ts';

export interface RideChartInput {
  readonly trace: Trace;
  /** Elevation at each row of the trace, m. */
  readonly elevationM: readonly number[];
  /** The pinned build on the same road. */
  readonly pinned: Trace | undefined;
  /** Where the controller begins to hold back, and where the winding suffers, C. */
  readonly rollbackC: number | undefined;
  readonly damageC: number;
  readonly system: UnitSystem;
}

/** What a binding is drawn in. */
export const bindingInk = (binding: Binding, ink: ChartInk): string =>
  ({
    wish: ink.fine,
    rolling: ink.rule,
    braking: ink.ink3,
    standing: ink.ink,
    ...(Object.fromEntries(Object.entries(ink.limit).map(([limit, { line: own }]) => [limit, own])) as Record<
      Limit,
      string
    >),
  })[binding];

/** A stretch of the road with one thing that binds: rows from and to, the last shared with the next stretch. */
export interface Stretch {
  readonly binding: Binding;
  readonly from: number;
  readonly to: number;
}

/** A trace cut where what binds changes. */
export function bindingStretches({ binding }: Pick<Trace, 'binding'>): readonly Stretch[] {
  const out: { binding: Binding; from: number; to: number }[] = [];
  binding.forEach((one, i) => {
    const last = out.at(-1);
    if (last?.binding === one) last.to = i;
    else {
      if (last !== undefined) last.to = i;
      out.push({ binding: one, from: i, to: i });
    }
  });
  return out;
}

/** The row nearest to a distance. */
export function rowAt(metres: readonly number[], x: number): number {
  let [low, high] = [0, metres.length - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((metres[middle] ?? 0) <= x) low = middle;
    else high = middle;
  }
  return Math.abs((metres[low] ?? 0) - x) <= Math.abs((metres[high] ?? 0) - x) ? low : high;
}

/** What the cursor says at a row of the trace. */
function wordsAt(trace: Trace, i: number, { units, far, fast, warm }: Scales): string {
  const at = (values: readonly number[]): number => values[i] ?? 0;
  const text = (value: number, digits: number): string => formatNumber(value, digits);
  const second = at(trace.seconds);
  const clock = `${String(Math.floor(second / 60))}:${String(Math.floor(second % 60)).padStart(2, '0')}`;
  const cadence = at(trace.cadenceRpm) > 0 ? `, ${text(at(trace.cadenceRpm), 0)} rpm` : '';
  const heat = unitText(units.heat);
  const gear = gearInWords({ cogTeeth: at(trace.cogTeeth), hubGear: trace.hubGear[i] ?? null });
  return [
    `${text(far(at(trace.metres)), 2)} ${units.distance}, ${clock} min; ${text(at(trace.gradePct), 1)} %`,
    `<b>${text(fast(at(trace.speed)), 1)} ${units.speed}</b>, ${gear}${cadence}`,
    `${text(at(trace.batteryW), 0)} W, ${text(at(trace.volts), 1)} V, ${text(at(trace.batteryA), 1)} A; phase ${text(at(trace.phaseA), 0)} A`,
    `winding ${text(warm(at(trace.windingC)), 0)} ${heat}, shell ${text(warm(at(trace.shellC)), 0)} ${heat}`,
    `${text(at(trace.charge) * 100, 0)} % charge`,
    `<b>${BINDING_WORDS[trace.binding[i] ?? 'wish']}</b>`,
  ].join('<br>');
}

const on = (panel: number, series: SeriesOption): SeriesOption => ({
  ...series,
  xAxisIndex: panel,
  yAxisIndex: panel,
});

/** The ground in the colours of what binds. */
function profileSeries(
  trace: Trace,
  elevation: readonly number[],
  floor: number,
  { far }: Scales,
  ink: ChartInk,
): SeriesOption {
  const stretches = bindingStretches(trace);
  return {
    type: 'custom',
    silent: true,
    animation: false,
    tooltip: { show: false },
    clip: true,
    data: stretches.map((_, i) => [i]),
    z: 2,
    renderItem: (params, api) => {
      const stretch = stretches[params.dataIndex];
      if (stretch === undefined) return null;
      const at = (i: number, y: number): number[] => api.coord([far(trace.metres[i] ?? 0), y]);
      const points: number[][] = [];
      for (let i = stretch.from; i <= stretch.to; i += 1) points.push(at(i, elevation[i] ?? 0));
      return {
        type: 'polygon',
        shape: { points: [...points, at(stretch.to, floor), at(stretch.from, floor)] },
        style: { fill: bindingInk(stretch.binding, ink), opacity: 0.85 },
      };
    },
  };
}

/** A level that matters, drawn across a panel with its words. */
const level = (y: number, xMax: number, text: string, color: string): SeriesOption => ({
  type: 'line',
  silent: true,
  data: [
    [0, y],
    [xMax, y],
  ],
  showSymbol: false,
  lineStyle: { color, width: 1.2, type: [6, 4] },
  tooltip: { show: false },
  endLabel: {
    show: true,
    formatter: text,
    color,
    fontFamily: FONTS.text,
    fontSize: 12,
    align: 'right',
    offset: [-4, -8],
  },
  z: 3,
});

/** What the cursor is caught by, in every panel. */
const unseen = (points: readonly Xy[]): SeriesOption => ({
  type: 'line',
  data: points.map(([x, y]) => [x, y]),
  showSymbol: false,
  lineStyle: { opacity: 0 },
  itemStyle: { opacity: 0 },
  z: 0,
});

function seriesOf(
  { trace, elevationM, pinned, rollbackC, damageC }: RideChartInput,
  axes: readonly Axis[],
  scales: Scales,
  ink: ChartInk,
): readonly SeriesOption[] {
  const { far, high, fast, warm } = scales;
  const xy = (of: Trace, values: readonly number[], shown: (value: number) => number = (v) => v) =>
    values.map((value, i): Xy => [far(of.metres[i] ?? 0), shown(value)]);
  const elevation = elevationM.map(high);
  const xMax = far(trace.metres.at(-1) ?? 1);
  const heatMax = axes[3]?.max ?? 0;
  const hot = (celsius: number | undefined, text: string): readonly SeriesOption[] =>
    celsius !== undefined && warm(celsius) < heatMax
      ? [on(3, level(warm(celsius), xMax, text, ink.heat))]
      : [];
  const before = { color: ink.ink, width: 1.3, dash: [5, 4], z: 3 };
  return [
    on(0, profileSeries(trace, elevation, axes[0]?.min ?? 0, scales, ink)),
    on(0, line(xy(trace, elevation), { color: ink.ink, width: 1.6, z: 5 })),
    ...(pinned === undefined
      ? []
      : [
          on(1, line(xy(pinned, pinned.speed, fast), before)),
          on(3, line(xy(pinned, pinned.windingC, warm), before)),
        ]),
    on(1, line(xy(trace, trace.speed, fast), { color: ink.speed, width: 2, z: 4 })),
    on(2, line(xy(trace, trace.batteryW), { color: ink.energy.line, width: 1.6, z: 4 })),
    on(3, line(xy(trace, trace.shellC, warm), { color: ink.ink3, width: 1.2, z: 3 })),
    on(3, line(xy(trace, trace.windingC, warm), { color: ink.heat, width: 2.2, z: 4 })),
    ...hot(rollbackC, 'held back from here'),
    ...hot(damageC, 'suffers from here'),
    on(
      4,
      line(
        xy(trace, trace.charge, (q) => q * 100),
        { color: ink.voltage, width: 2, z: 4 },
      ),
    ),
    ...axes.map(({ min }, panel) => on(panel, unseen(trace.metres.map((x): Xy => [far(x), min])))),
  ];
}

/** The profile coloured by what binds; speed, power, winding and charge beneath; one cursor through all. */
export function rideChart(input: RideChartInput, ink: ChartInk): EChartsOption {
  const { trace, system } = input;
  const scales = scalesOf(system);
  const axes = axesOf(input, scales);
  const foot = `Distance, ${scales.units.distance}`;
  const xMax = scales.far(trace.metres.at(-1) ?? 1);
  const frame = paper({ max: xMax, title: foot }, { max: 1, title: '' }, ink, (x) =>
    wordsAt(trace, rowAt(trace.metres, scales.metresAt(x)), scales),
  );
  const xAxis = frame.xAxis as { axisLabel: object; nameTextStyle: object };
  const yAxis = frame.yAxis as { axisLabel: object; nameTextStyle: object };
  const last = PANELS.length - 1;
  return {
    ...frame,
    axisPointer: { link: [{ xAxisIndex: 'all' }] },
    grid: panelGrid(),
    xAxis: PANELS.map((_, i) => ({
      ...xAxis,
      gridIndex: i,
      name: i === last ? foot : '',
      // Beneath the numbers, which it would push aside on a short road.
      nameTextStyle: { ...xAxis.nameTextStyle, padding: [20, 0, 0, 0] },
      axisLabel: { ...xAxis.axisLabel, show: i === last },
    })),
    yAxis: axes.map(({ min, max, title, interval }, i) => ({
      ...yAxis,
      gridIndex: i,
      min,
      max,
      name: title,
      interval,
      // Panels touch: the labels at their edges stand inside.
      axisLabel: {
        ...yAxis.axisLabel,
        verticalAlignMinLabel: 'bottom',
        verticalAlignMaxLabel: 'top',
        hideOverlap: true,
      },
      minorSplitLine: { show: false },
      nameTextStyle: { ...yAxis.nameTextStyle, textBorderColor: ink.sheet, textBorderWidth: 3 },
    })),
    series: [...seriesOf(input, axes, scales, ink)],
  };
}
