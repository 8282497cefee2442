import type { EChartsOption } from 'echarts';
import { convert, formatNumber, shownUnit, type GearRow, type UnitSystem } from '@apple-cart/core';
import { niceMax } from './curve.ts';
import type { ChartInk } from './ink.ts';
import { caption, cased, line, paper, type Xy } from './pieces.ts';

export interface GearChartInput {
  readonly rows: readonly GearRow[];
  readonly name: (row: GearRow) => string;
  /** The row used on the test hill. */
  readonly used: GearRow | undefined;
  /** Force that the level and the test hill ask at a speed in km/h, N. */
  readonly loads: readonly { readonly name: string; readonly force: (kmh: number) => number }[];
  readonly system: UnitSystem;
}

/** Names stand apart by this share of the height, or they cover each other. */
const APART = 0.045;

/** The rows whose names have room: the hill's first, then from the highest pull down. */
function named(
  rows: readonly GearRow[],
  used: GearRow | undefined,
  heightOf: (row: GearRow) => number,
  yMax: number,
): readonly GearRow[] {
  const out: GearRow[] = used === undefined ? [] : [used];
  for (const row of rows) {
    if (out.every((other) => Math.abs(heightOf(other) - heightOf(row)) > APART * yMax)) out.push(row);
  }
  return out;
}

/** Pull at the tyre against speed, one line a gear over its cadences; the hill's gear heavy. */
export function gearChart({ rows, name, used, loads, system }: GearChartInput, ink: ChartInk): EChartsOption {
  const speedUnit = shownUnit('km/h', system);
  const forceUnit = shownUnit('N', system);
  const xy = (points: readonly { readonly kmh: number; readonly forceN: number }[]): readonly Xy[] =>
    points.map((p): Xy => [convert(p.kmh, 'km/h', speedUnit), convert(p.forceN, 'N', forceUnit)]);
  const all = rows.flatMap((row) => xy(row.curve));
  const xMax = niceMax(Math.max(...all.map(([x]) => x), 5));
  const yMax = niceMax(Math.max(...all.map(([, y]) => y), 10) * 1.1);
  const asked = loads.map(({ name: words, force }) => ({
    words,
    points: xy(
      Array.from({ length: 21 }, (_, i) => {
        const kmh = (convert(xMax, speedUnit, 'km/h') * i) / 20;
        return { kmh, forceN: force(kmh) };
      }),
    ),
  }));
  const frame = paper(
    { max: xMax, title: `Speed, ${speedUnit}` },
    { max: yMax, title: `Pull at the tyre, ${forceUnit}` },
    ink,
    (x) => `${formatNumber(x, 1)} ${speedUnit}`,
  );
  return {
    ...frame,
    series: [
      ...asked.flatMap(({ words, points }) => {
        const end = points.at(-1);
        return [
          line(points, { color: ink.elevation, width: 1.4, z: 2 }),
          ...(end === undefined
            ? []
            : [
                caption(
                  {
                    at: end,
                    color: ink.ink2,
                    align: 'right',
                    offset: [0, -6],
                    lines: [{ text: words, style: 'plain' }],
                  },
                  ink,
                ),
              ]),
        ];
      }),
      ...rows
        .filter((row) => row !== used)
        .map((row) => line(xy(row.curve), { color: ink.speed, width: 1.4, z: 3 })),
      ...(used === undefined ? [] : cased(xy(used.curve), ink.speed, ink)),
      ...named(rows, used, (row) => xy(row.curve)[0]?.[1] ?? 0, yMax).flatMap((row) => {
        const first = xy(row.curve)[0];
        if (first === undefined) return [];
        return [
          caption(
            {
              at: first,
              color: row === used ? ink.ink : ink.ink2,
              align: 'right',
              vertical: 'middle',
              offset: [-5, 0],
              lines: [{ text: name(row), style: row === used ? 'strong' : 'thin' }],
            },
            ink,
          ),
        ];
      }),
    ],
  };
}
