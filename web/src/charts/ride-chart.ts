import type { EChartsOption, SeriesOption } from 'echarts';
import {
  firstOf,
  BINDING_WORDS,
  convert,
  formatNumber,
  msToKmh,
  shownUnit,
  unitText,
  type Binding,
  type Limit,
  type Trace,
  type Unit,
  type UnitSystem,
} from '@apple-cart/core';
import { FONTS, type ChartInk } from './ink.ts';
import { line, paper, type Xy } from './pieces.ts';

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

/** Heights of the panels, shares of the whole; gaps between them carry nothing. */
const PANELS = [0.25, 0.2, 0.16, 0.18, 0.12] as const;
const GAP = 0.012;
/** Left edge for axis labels, and foot for the distance, px. */
const LEFT = 46;
const RIGHT = 12;

/** The end of a small axis: a round number whose half is one too. */
export function evenMax(value: number): number {
  const decade = 10 ** Math.floor(Math.log10(Math.max(value, 1e-9)));
  return ([1, 2, 4, 6, 8, 10].find((m) => m * decade >= value - 1e-9) ?? 10) * decade;
}

const round = (value: number, step: number, up: boolean): number =>
  (up ? Math.ceil(value / step) : Math.floor(value / step)) * step;

/** The profile coloured by what binds; speed, power, winding and charge beneath; one cursor through all. */
export function rideChart(input: RideChartInput, ink: ChartInk): EChartsOption {
  const { trace, elevationM, pinned, rollbackC, damageC, system } = input;
  const [distance, height, speedUnit, heat] = (['km', 'm', 'km/h', 'C'] as const).map((unit) =>
    shownUnit(unit, system),
  ) as [Unit, Unit, Unit, Unit];
  const far = (metres: number): number => convert(metres / 1000, 'km', distance);
  const high = (metres: number): number => convert(metres, 'm', height);
  const fast = (v: number): number => convert(msToKmh(v), 'km/h', speedUnit);
  const warm = (celsius: number): number => convert(celsius, 'C', heat);
  const rows = trace.metres.length;
  const xy = (of: Trace, values: readonly number[], shown: (value: number) => number): readonly Xy[] =>
    values.map((value, i): Xy => [far(of.metres[i] ?? 0), shown(value)]);

  const elevation = elevationM.map(high);
  const [lowest, highest] = [Math.min(...elevation), Math.max(...elevation)];
  const step = firstOf(
    [
      [highest - lowest > 120, 50],
      [highest - lowest > 40, 20],
    ],
    10,
  );
  const floor = round(lowest - 0.15 * (highest - lowest), step, false);
  const top = Math.max(floor + step, round(highest, step, true));
  const speedMax = evenMax(Math.max(...trace.speed, ...(pinned?.speed ?? [])) * 1.05 * fast(1));
  const powerMax = evenMax(Math.max(...trace.batteryW, 50) * 1.02);
  const powerMin = Math.min(0, ...trace.batteryW) < -20 ? -evenMax(-Math.min(...trace.batteryW)) : 0;
  const hottest = Math.max(...trace.windingC, ...(pinned?.windingC ?? []));
  const heatMax = evenMax(
    Math.max(warm(hottest) * 1.05, rollbackC === undefined ? 0 : warm(rollbackC) * 1.05, 60),
  );
  const coldest = Math.min(0, ...trace.windingC.map(warm));

  const axes = [
    { min: floor, max: top, title: `Elevation, ${height}` },
    { min: 0, max: speedMax, title: `Speed, ${speedUnit}` },
    { min: powerMin, max: powerMax, title: 'From the pack, W' },
    { min: coldest < 0 ? round(coldest, 10, false) : 0, max: heatMax, title: `Winding, ${unitText(heat)}` },
    { min: 0, max: 100, title: 'Charge, %' },
  ] as const;
  const xMax = far(trace.metres.at(-1) ?? 1);
  const frame = paper({ max: xMax, title: `Distance, ${distance}` }, { max: 1, title: '' }, ink, (x) =>
    words(rowAt(trace.metres, convert(x, distance, 'km') * 1000)),
  );
  const words = (i: number): string => {
    const at = (values: readonly number[]): number => values[i] ?? 0;
    const second = at(trace.seconds);
    const clock = `${String(Math.floor(second / 60))}:${String(Math.floor(second % 60)).padStart(2, '0')}`;
    const cadence = at(trace.cadenceRpm) > 0 ? `, ${formatNumber(at(trace.cadenceRpm), 0)} rpm` : '';
    return [
      `${formatNumber(far(at(trace.metres)), 2)} ${distance}, ${clock} min; ${formatNumber(at(trace.gradePct), 1)} %`,
      `<b>${formatNumber(fast(at(trace.speed)), 1)} ${speedUnit}</b>, ${formatNumber(at(trace.cogTeeth), 0)}-tooth cog${cadence}`,
      `${formatNumber(at(trace.batteryW), 0)} W, ${formatNumber(at(trace.volts), 1)} V, ${formatNumber(at(trace.batteryA), 1)} A; phase ${formatNumber(at(trace.phaseA), 0)} A`,
      `winding ${formatNumber(warm(at(trace.windingC)), 0)} ${unitText(heat)}, shell ${formatNumber(warm(at(trace.shellC)), 0)} ${unitText(heat)}`,
      `${formatNumber(at(trace.charge) * 100, 0)} % charge`,
      `<b>${BINDING_WORDS[trace.binding[i] ?? 'wish']}</b>`,
    ].join('<br>');
  };

  const whole = PANELS.reduce((sum, h) => sum + h, 0) + GAP * (PANELS.length - 1);
  // Titles and the foot take what the panels leave.
  const scale = 0.93 / whole;
  let from = 0.005;
  const grid = PANELS.map((h) => {
    const one = {
      left: LEFT,
      right: RIGHT,
      top: `${(100 * from).toFixed(2)}%`,
      height: `${(100 * h * scale).toFixed(2)}%`,
    };
    from += (h + GAP) * scale;
    return one;
  });
  const on = (panel: number, series: SeriesOption): SeriesOption => ({
    ...series,
    xAxisIndex: panel,
    yAxisIndex: panel,
  });
  const base = (panel: number): number => axes[panel]?.min ?? 0;

  const profile: SeriesOption = {
    type: 'custom',
    silent: true,
    animation: false,
    tooltip: { show: false },
    clip: true,
    data: bindingStretches(trace).map((_, i) => [i]),
    z: 2,
    renderItem: (params, api) => {
      const stretch = bindingStretches(trace)[params.dataIndex];
      if (stretch === undefined) return null;
      const points: number[][] = [];
      for (let i = stretch.from; i <= stretch.to; i += 1)
        points.push(api.coord([far(trace.metres[i] ?? 0), elevation[i] ?? 0]));
      const foot = (i: number): number[] => api.coord([far(trace.metres[i] ?? 0), base(0)]);
      return {
        type: 'polygon',
        shape: { points: [...points, foot(stretch.to), foot(stretch.from)] },
        style: { fill: bindingInk(stretch.binding, ink), opacity: 0.85 },
      };
    },
  };
  const level = (panel: number, y: number, text: string, color: string): SeriesOption =>
    on(panel, {
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

  return {
    ...frame,
    axisPointer: { link: [{ xAxisIndex: 'all' }] },
    grid,
    xAxis: PANELS.map((_, i) => ({
      ...(frame.xAxis as object),
      gridIndex: i,
      name: i === PANELS.length - 1 ? `Distance, ${distance}` : '',
      axisLabel: {
        ...(frame.xAxis as { axisLabel: object }).axisLabel,
        show: i === PANELS.length - 1,
      },
    })),
    yAxis: axes.map(({ min, max, title }, i) => ({
      ...(frame.yAxis as object),
      gridIndex: i,
      min,
      max,
      name: title,
      interval: i === 0 ? step * Math.ceil((max - min) / step / 2) : max / 2,
      // Panels touch: the labels at their edges stand inside.
      axisLabel: {
        ...(frame.yAxis as { axisLabel: object }).axisLabel,
        verticalAlignMinLabel: 'bottom',
        verticalAlignMaxLabel: 'top',
        hideOverlap: true,
      },
      minorSplitLine: { show: false },
      nameTextStyle: {
        ...(frame.yAxis as { nameTextStyle: object }).nameTextStyle,
        textBorderColor: ink.sheet,
        textBorderWidth: 3,
      },
    })),
    series: [
      on(0, profile),
      on(
        0,
        line(
          elevation.map((e, i): Xy => [far(trace.metres[i] ?? 0), e]),
          { color: ink.ink, width: 1.6, z: 5 },
        ),
      ),
      ...(pinned === undefined
        ? []
        : [
            on(1, line(xy(pinned, pinned.speed, fast), { color: ink.ink, width: 1.3, dash: [5, 4], z: 3 })),
            on(
              3,
              line(xy(pinned, pinned.windingC, warm), { color: ink.ink, width: 1.3, dash: [5, 4], z: 3 }),
            ),
          ]),
      on(1, line(xy(trace, trace.speed, fast), { color: ink.speed, width: 2, z: 4 })),
      on(
        2,
        line(
          xy(trace, trace.batteryW, (w) => w),
          { color: ink.energy.line, width: 1.6, z: 4 },
        ),
      ),
      on(3, line(xy(trace, trace.shellC, warm), { color: ink.ink3, width: 1.2, z: 3 })),
      on(3, line(xy(trace, trace.windingC, warm), { color: ink.heat, width: 2.2, z: 4 })),
      ...(rollbackC !== undefined && warm(rollbackC) < heatMax
        ? [level(3, warm(rollbackC), 'held back from here', ink.heat)]
        : []),
      ...(warm(damageC) < heatMax ? [level(3, warm(damageC), 'suffers from here', ink.heat)] : []),
      on(
        4,
        line(
          xy(trace, trace.charge, (q) => q * 100),
          { color: ink.voltage, width: 2, z: 4 },
        ),
      ),
      ...PANELS.map((_, panel) =>
        on(panel, {
          type: 'line',
          data: Array.from({ length: rows }, (_row, i) => [far(trace.metres[i] ?? 0), base(panel)]),
          showSymbol: false,
          lineStyle: { opacity: 0 },
          itemStyle: { opacity: 0 },
          z: 0,
        }),
      ),
    ],
  };
}
