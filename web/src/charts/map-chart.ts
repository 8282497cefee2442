import type { EChartsOption, SeriesOption } from 'echarts';
import {
  LIMIT_WORDS,
  convert,
  formatNumber,
  msToKmh,
  shownUnit,
  type GradePoint,
  type MapCell,
  type UnitSystem,
} from '@apple-cart/core';
import { segments } from './curve.ts';
import { capital } from './hill-chart.ts';
import type { ChartInk } from './ink.ts';
import { atGrade } from './curve.ts';
import { caption, cased, cursorLine, line, paper, type Xy } from './pieces.ts';

/** How long a point of the map is borne, in classes a rider can plan by, minutes. */
export const LASTS = [
  { below: 5, name: 'under 5 min' },
  { below: 15, name: '5 to 15 min' },
  { below: 60, name: '15 to 60 min' },
  { below: Infinity, name: 'an hour and more' },
] as const;

/** The class of a time in seconds; the last for as long as you like. */
export const lastsClass = (seconds: number | undefined): number =>
  seconds === undefined ? LASTS.length - 1 : LASTS.findIndex((c) => seconds / 60 < c.below);

/** Tints of the classes, the shortest strongest. */
export const lastsTint = (
  index: number,
  ink: ChartInk,
): { readonly fill: string; readonly opacity: number } =>
  index === LASTS.length - 1
    ? { fill: ink.fine, opacity: 0.22 }
    : { fill: ink.heat, opacity: [0.62, 0.4, 0.2][index] ?? 0.2 };

export interface MapChartInput {
  readonly cells: readonly MapCell[];
  readonly speeds: readonly number[];
  readonly grades: readonly number[];
  /** The most that is reached, by the limit that binds. */
  readonly held: readonly GradePoint[];
  readonly hill: { readonly gradePct: number; readonly v: number | undefined; readonly name: string };
  readonly system: UnitSystem;
}

/** Speed against grade: what is reached, by which limit it ends, and how long the motor bears each point. */
export function mapChart(input: MapChartInput, ink: ChartInk): EChartsOption {
  const { cells, speeds, grades, held, hill, system } = input;
  const unit = shownUnit('km/h', system);
  const speed = (v: number): number => convert(msToKmh(v), 'km/h', unit);
  const [dv, dg] = [(speeds[1] ?? 1) - (speeds[0] ?? 0), (grades[1] ?? 1) - (grades[0] ?? 0)];
  const tidy = (value: number): number => Number(value.toPrecision(6));
  const xMax = tidy((grades.at(-1) ?? 10) + dg / 2);
  const yMax = tidy(speed((speeds.at(-1) ?? 10) + dv / 2));
  const near = (values: readonly number[], x: number): number =>
    values.reduce(
      (best, value, i) => (Math.abs(value - x) < Math.abs((values[best] ?? 0) - x) ? i : best),
      0,
    );
  const frame = paper({ max: xMax, title: 'Grade, %' }, { max: yMax, title: `Speed, ${unit}` }, ink, (x) => {
    const g = near(grades, x);
    const column = cells.slice(g * speeds.length, (g + 1) * speeds.length).filter((c) => c.reached);
    const fastest = column.at(-1);
    const lasting = column.filter((c) => lastsClass(c.bears) === LASTS.length - 1).at(-1);
    if (fastest === undefined) return `${formatNumber(grades[g] ?? 0, 1)} %: will not climb`;
    return [
      `${formatNumber(grades[g] ?? 0, 1)} %`,
      `at most <b>${formatNumber(speed(fastest.v), 1)} ${unit}</b>, ${LIMIT_WORDS[atGrade(held, x)?.limit ?? fastest.limit]}`,
      lasting === undefined
        ? 'no speed lasts an hour'
        : `lasts an hour up to <b>${formatNumber(speed(lasting.v), 1)} ${unit}</b>`,
    ].join('<br>');
  });
  const reached = cells.filter((c) => c.reached);
  const ground: SeriesOption = {
    type: 'custom',
    silent: true,
    animation: false,
    clip: true,
    tooltip: { show: false },
    z: 1,
    data: reached.map((_, i) => [i]),
    renderItem: (params, api) => {
      const cell = reached[params.dataIndex];
      if (cell === undefined) return null;
      const [x0 = 0, y0 = 0] = api.coord([cell.gradePct - dg / 2, speed(cell.v + dv / 2)]);
      const [x1 = 0, y1 = 0] = api.coord([cell.gradePct + dg / 2, speed(Math.max(0, cell.v - dv / 2))]);
      const { fill, opacity } = lastsTint(lastsClass(cell.bears), ink);
      // Edges on whole pixels: no seams between cells.
      const [left, top, right, bottom] = [x0, y0, x1, y1].map(Math.round) as [number, number, number, number];
      return {
        type: 'rect',
        shape: { x: left, y: top, width: right - left, height: bottom - top },
        style: { fill, opacity },
      };
    },
  };
  const xy = (points: readonly GradePoint[]): readonly Xy[] =>
    points.map((p): Xy => [p.gradePct, speed(p.v)]);
  const inside = held.filter((p) => p.gradePct <= xMax);
  return {
    ...frame,
    series: [
      ground,
      ...segments(inside).flatMap((segment) => cased(xy(segment.points), ink.limit[segment.limit].line, ink)),
      ...segments(inside)
        .filter((s) => s.points.length > 4)
        .map((segment) => {
          const middle = segment.points[Math.floor(segment.points.length / 2)];
          const right = (middle?.gradePct ?? 0) > 0.75 * xMax;
          return caption(
            {
              at: [middle?.gradePct ?? 0, speed(middle?.v ?? 0)],
              color: ink.limit[segment.limit].text,
              align: right ? 'right' : 'left',
              offset: [right ? -10 : 10, -6],
              lines: [{ text: capital(LIMIT_WORDS[segment.limit]), style: 'strong' }],
            },
            ink,
          );
        }),
      ...(hill.v === undefined
        ? []
        : [
            line(
              [
                [hill.gradePct, 0],
                [hill.gradePct, speed(hill.v)],
              ],
              { color: ink.ink, width: 1.4, z: 6 },
            ),
            caption(
              {
                at: [hill.gradePct, 0],
                color: ink.ink,
                align: 'right',
                offset: [-5, -6],
                lines: [{ text: hill.name, style: 'strong' }],
              },
              ink,
            ),
          ]),
      cursorLine(grades.map((g): Xy => [g, 0])),
    ],
  };
}
