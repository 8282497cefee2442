import type { EChartsOption, SeriesOption } from 'echarts';
import {
  convert,
  formatNumber,
  msToKmh,
  shownUnit,
  unitText,
  type Continuous,
  type RepeatedClimb,
  type Trace,
  type UnitSystem,
} from '@apple-cart/core';
import { niceMax } from './curve.ts';
import type { ChartInk } from './ink.ts';
import { caption, cased, cursorLine, line, paper, type Xy } from './pieces.ts';

export interface ContinuousChartInput {
  readonly dry: readonly Continuous[];
  /** The same with fluid in the air gap, or without it where the build has it. */
  readonly other: readonly Continuous[];
  readonly otherName: string;
  /** What the test hill asks of the motor, at its speed; undefined where it is not climbed. */
  readonly hill: { readonly v: number; readonly motorW: number; readonly name: string } | undefined;
  readonly system: UnitSystem;
}

/** Power at the shaft that the motor holds for ever, against road speed. */
export function continuousChart(
  { dry, other, otherName, hill, system }: ContinuousChartInput,
  ink: ChartInk,
): EChartsOption {
  const unit = shownUnit('km/h', system);
  const speed = (v: number): number => convert(msToKmh(v), 'km/h', unit);
  const xy = (points: readonly Continuous[]): readonly Xy[] => points.map((p): Xy => [speed(p.v), p.motorW]);
  const [own, beside] = [xy(dry), xy(other)];
  const xMax = niceMax(Math.max(...own.map(([x]) => x), 10));
  const yMax = niceMax(
    Math.max(...own.map(([, y]) => y), ...beside.map(([, y]) => y), hill?.motorW ?? 0) * 1.12,
  );
  const end = own.at(Math.floor(own.length * 0.8));
  const otherEnd = beside.at(-1);
  const frame = paper(
    { max: xMax, title: `Speed, ${unit}` },
    { max: yMax, title: 'At the shaft, W' },
    ink,
    (x) => {
      const near = dry.reduce<Continuous | undefined>(
        (best, p) =>
          best === undefined || Math.abs(speed(p.v) - x) < Math.abs(speed(best.v) - x) ? p : best,
        undefined,
      );
      if (near === undefined) return '';
      return `${formatNumber(speed(near.v), 1)} ${unit}<br>for ever <b>${formatNumber(near.motorW, 0)} W</b>, ${formatNumber(near.phaseA, 0)} A phase`;
    },
  );
  return {
    ...frame,
    series: [
      line(beside, { color: ink.ink3, width: 1.6, dash: [5, 4], z: 3 }),
      ...cased(own, ink.heat, ink),
      ...(end === undefined
        ? []
        : [
            caption(
              {
                at: end,
                color: ink.heat,
                align: 'center',
                vertical: 'top',
                offset: [0, 8],
                lines: [{ text: 'holds for ever', style: 'strong' }],
              },
              ink,
            ),
          ]),
      ...(otherEnd === undefined
        ? []
        : [
            caption(
              {
                at: otherEnd,
                color: ink.ink2,
                align: 'right',
                offset: [-6, -4],
                lines: [{ text: otherName, style: 'thin' }],
              },
              ink,
            ),
          ]),
      ...(hill === undefined
        ? []
        : [
            {
              type: 'scatter' as const,
              silent: true,
              data: [[speed(hill.v), hill.motorW]],
              symbol: 'circle',
              symbolSize: 13,
              itemStyle: { color: ink.sheet, borderColor: ink.ink, borderWidth: 2.4, opacity: 1 },
              z: 9,
            },
            caption(
              {
                at: [speed(hill.v), hill.motorW],
                color: ink.ink,
                align: 'right',
                offset: [-11, -4],
                lines: [
                  { text: hill.name, style: 'strong' },
                  { text: `asks ${formatNumber(hill.motorW, 0)} W`, style: 'plain' },
                ],
              },
              ink,
            ),
          ]),
      cursorLine(own),
    ],
  };
}

export interface RepeatChartInput {
  readonly trace: Trace;
  /** One way up, m: a climb is this and the way down again. */
  readonly lengthM: number;
  /** Those that came to the top. */
  readonly climbs: readonly RepeatedClimb[];
  readonly rollbackC: number | undefined;
  readonly damageC: number;
}

/** The axis's words stand above this share of the height. */
const HEADROOM = 0.9;

/** The winding over one climb after the other, the way down between, to where it ends. */
export function repeatChart(
  { trace, lengthM, climbs, rollbackC, damageC }: RepeatChartInput,
  system: UnitSystem,
  ink: ChartInk,
): EChartsOption {
  const unit = shownUnit('C', system);
  const warm = (celsius: number): number => convert(celsius, 'C', unit);
  const points = trace.metres.map((x, i): Xy => [x / (2 * lengthM), warm(trace.windingC[i] ?? 0)]);
  const hottest = Math.max(...trace.windingC, rollbackC ?? 0);
  const enough = niceMax(warm(hottest) * 1.2);
  // A limit just below the top would run through the axis's words there.
  const near = warm(damageC) > HEADROOM * enough && warm(damageC) <= enough;
  const yMax = near ? niceMax(warm(damageC) * 1.2) : enough;
  const xMax = Math.max(1, Math.ceil((points.at(-1)?.[0] ?? 1) - 1e-3));
  const end = points.at(-1);
  const stalls = end !== undefined && end[0] < xMax - 1e-3;
  const frame = paper(
    { max: xMax, title: 'Climbs' },
    { max: yMax, title: `Winding, ${unitText(unit)}` },
    ink,
    (x) => {
      const climb = climbs[Math.floor(x)];
      if (climb === undefined) return `climb ${String(Math.floor(x) + 1)}: not to the top`;
      return `climb ${String(climb.climb)}<br>top <b>${formatNumber(warm(climb.topC), 0)} ${unitText(unit)}</b>, foot ${formatNumber(warm(climb.bottomC), 0)} ${unitText(unit)}<br>${formatNumber(climb.upSeconds / 60, 1)} min up, ${formatNumber(climb.chargePct, 0)} % charge after`;
    },
  );
  const limit = (celsius: number, text: string): readonly SeriesOption[] =>
    warm(celsius) > yMax
      ? []
      : [
          line(
            [
              [0, warm(celsius)],
              [xMax, warm(celsius)],
            ],
            { color: ink.heat, width: 1.2, dash: [6, 4], z: 2 },
          ),
          caption(
            {
              at: [xMax, warm(celsius)],
              color: ink.heat,
              align: 'right',
              offset: [-4, -3],
              lines: [{ text, style: 'thin' }],
            },
            ink,
          ),
        ];
  return {
    ...frame,
    series: [
      ...(rollbackC === undefined ? [] : limit(rollbackC, 'held back from here')),
      ...limit(damageC, 'suffers from here'),
      ...cased(points, ink.heat, ink),
      ...(stalls
        ? [
            caption(
              {
                at: end,
                color: ink.ink,
                align: 'right',
                offset: [-6, -12],
                lines: [{ text: 'ends here', style: 'strong' }],
              },
              ink,
            ),
          ]
        : []),
      cursorLine(points),
    ],
  };
}
