import type { EChartsOption } from 'echarts';
import {
  LIMIT_WORDS,
  convert,
  formatNumber,
  msToKmh,
  shownUnit,
  type GradePoint,
  type KnownBuild,
  type UnitSystem,
} from '@apple-cart/core';
import { niceMax, segments } from './curve.ts';
import { NAMED_SHARE, capital, limitNote } from './hill-chart.ts';
import type { ChartInk } from './ink.ts';
import { caption, cased, crossTicks, cursorLine, line, paper, type Xy } from './pieces.ts';

export interface ForceChartInput {
  readonly held: readonly GradePoint[];
  readonly pinned: readonly GradePoint[] | undefined;
  readonly known: KnownBuild;
  /** Load at a speed in m/s on the level and on the test hill, N. */
  readonly loads: readonly {
    readonly name: string;
    readonly force: (v: number) => number;
    /** The end of the line at which its name stands. */
    readonly side: 'left' | 'right';
  }[];
  readonly system: UnitSystem;
}

const LABEL_SHARE = 0.09;

/** Pull at the tyre against speed, split by the limit that binds, with what the road asks. */
export function forceChart(
  { held, pinned, known, loads, system }: ForceChartInput,
  ink: ChartInk,
): EChartsOption {
  const speedUnit = shownUnit('km/h', system);
  const forceUnit = shownUnit('N', system);
  const speed = (v: number): number => convert(msToKmh(v), 'km/h', speedUnit);
  const force = (n: number): number => convert(n, 'N', forceUnit);
  const xy = (points: readonly GradePoint[]): readonly Xy[] =>
    points.map((p): Xy => [speed(p.v), force(p.forceN)]);
  const slowFirst = [...held].reverse();
  const top = Math.max(...held.map((p) => p.v), 1);
  const xMax = niceMax(speed(top) * 1.1);
  const yMax = niceMax(force(Math.max(...held.map((p) => p.forceN), 10)) * 1.15);
  const split = segments(slowFirst);
  const joints = split.slice(1).flatMap((segment): readonly (readonly [Xy, Xy])[] => {
    const [a, b] = xy(segment.points);
    return a === undefined || b === undefined ? [] : [[a, b]];
  });
  const asked = (demand: (v: number) => number): readonly Xy[] =>
    Array.from({ length: 25 }, (_, i): Xy => {
      const v = (top * 1.1 * i) / 24;
      return [speed(v), force(demand(v))];
    });
  const frame = paper(
    { max: xMax, title: `Speed, ${speedUnit}` },
    { max: yMax, title: `Pull at the tyre, ${forceUnit}` },
    ink,
    (x) => {
      const point = slowFirst.find((p) => speed(p.v) >= x);
      if (point === undefined) return '';
      return `${formatNumber(x, 1)} ${speedUnit}<br><b>${formatNumber(force(point.forceN), 0)} ${forceUnit}</b><br>${LIMIT_WORDS[point.limit]} binds`;
    },
  );
  return {
    ...frame,
    series: [
      ...loads.flatMap(({ name, force: demand, side }) => {
        const points = asked(demand);
        const at = side === 'left' ? points[2] : points.at(-1);
        return [
          line(points, { color: ink.elevation, width: 1.4, z: 2 }),
          ...(at === undefined
            ? []
            : [
                caption(
                  {
                    at,
                    color: ink.ink2,
                    align: side,
                    offset: [0, -6],
                    lines: [{ text: name, style: 'plain' }],
                  },
                  ink,
                ),
              ]),
        ];
      }),
      ...(pinned === undefined ? [] : [line(xy(pinned), { color: ink.ink, width: 1.6, dash: [5, 4], z: 6 })]),
      ...split.flatMap((segment) => cased(xy(segment.points), ink.limit[segment.limit].line, ink)),
      crossTicks(joints, ink.ink),
      ...split.flatMap((segment) => {
        const points = xy(segment.points);
        const [first, last] = [points[0], points.at(-1)];
        if (first === undefined || last === undefined) return [];
        const share = Math.max(Math.abs(last[0] - first[0]) / xMax, Math.abs(last[1] - first[1]) / yMax);
        if (share < NAMED_SHARE) return [];
        const at = points[Math.floor(points.length * 0.3)] ?? first;
        const right = at[0] > 0.7 * xMax;
        // A short piece has its name alone.
        const note = share < LABEL_SHARE ? '' : limitNote(segment.limit, known, system);
        return [
          caption(
            {
              at,
              color: ink.limit[segment.limit].text,
              align: right ? 'right' : 'left',
              offset: right ? [-8, 8] : [8, -6],
              vertical: right ? 'top' : 'bottom',
              lines: [
                { text: capital(LIMIT_WORDS[segment.limit]), style: 'strong' },
                ...(note === '' ? [] : [{ text: note, style: 'plain' as const }]),
              ],
            },
            ink,
          ),
        ];
      }),
      cursorLine(xy(slowFirst)),
    ],
  };
}
