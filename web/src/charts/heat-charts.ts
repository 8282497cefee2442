import type { EChartsOption, SeriesOption } from 'echarts';
import {
  convert,
  formatNumber,
  msToKmh,
  shownUnit,
  unitText,
  type Continuous,
  type RepeatedClimb,
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
  const otherEnd = beside.at(Math.floor(beside.length * 0.82));
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
                offset: [10, -4],
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

/** Winding at the top and at the foot again of one climb after the other. */
export function repeatChart(
  climbs: readonly RepeatedClimb[],
  {
    rollbackC,
    damageC,
    airC,
  }: { readonly rollbackC: number | undefined; readonly damageC: number; readonly airC: number },
  system: UnitSystem,
  ink: ChartInk,
): EChartsOption {
  const unit = shownUnit('C', system);
  const warm = (celsius: number): number => convert(celsius, 'C', unit);
  const points: Xy[] = [[0, warm(airC)]];
  for (const c of climbs) {
    points.push([c.climb - 0.5, warm(c.topC)], [c.climb, warm(c.bottomC)]);
  }
  const hottest = Math.max(...climbs.map((c) => c.topC), rollbackC ?? 0);
  const yMax = niceMax(warm(hottest) * 1.15);
  const xMax = Math.max(1, climbs.length);
  const frame = paper(
    { max: xMax, title: 'Climbs' },
    { max: yMax, title: `Winding, ${unitText(unit)}` },
    ink,
    (x) => {
      const climb = climbs[Math.min(climbs.length - 1, Math.floor(x))];
      if (climb === undefined) return '';
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
      cursorLine(points),
    ],
  };
}
