import type { EChartsOption } from 'echarts';
import { firstOf, convert, formatNumber, shownUnit, type UnitSystem } from '@apple-cart/core';
import type { ChartInk } from './ink.ts';
import { caption, cased, cursorLine, line, paper, type Xy } from './pieces.ts';

interface ProfileLine {
  readonly distanceM: readonly number[];
  readonly elevationM: readonly number[];
}

export interface ProfileChartInput {
  readonly used: ProfileLine;
  /** As it was recorded; undefined for a drawn road. */
  readonly raw: ProfileLine | undefined;
  readonly system: UnitSystem;
}

/** Most points of a line that a picture can show. */
const MOST = 1600;
const thinned = ({ distanceM, elevationM }: ProfileLine): ProfileLine => {
  const step = Math.ceil(distanceM.length / MOST);
  const keep = (_: number, i: number): boolean => i % step === 0 || i === distanceM.length - 1;
  return { distanceM: distanceM.filter(keep), elevationM: elevationM.filter(keep) };
};

/** Elevation over distance, the used profile over the recorded one. */
export function profileChart({ used, raw, system }: ProfileChartInput, ink: ChartInk): EChartsOption {
  const [distance, height] = [shownUnit('km', system), shownUnit('m', system)];
  const xy = (of: ProfileLine): readonly Xy[] => {
    const thin = thinned(of);
    return thin.distanceM.map((d, i): Xy => [
      convert(d / 1000, 'km', distance),
      convert(thin.elevationM[i] ?? 0, 'm', height),
    ]);
  };
  const [mine, recorded] = [xy(used), raw === undefined ? [] : xy(raw)];
  const heights = [...mine, ...recorded].map(([, y]) => y);
  const [low, high] = [Math.min(...heights), Math.max(...heights)];
  const step = firstOf(
    [
      [high - low > 300, 100],
      [high - low > 60, 20],
    ],
    10,
  );
  const [floor, top] = [
    Math.floor(low / step) * step,
    Math.max(Math.ceil(high / step) * step, Math.floor(low / step) * step + step),
  ];
  const xMax = Number((mine.at(-1)?.[0] ?? 1).toPrecision(4));
  const frame = paper(
    { max: xMax, title: `Distance, ${distance}` },
    { min: floor, max: top, title: `Elevation, ${height}` },
    ink,
    (x) => {
      const at = (points: readonly Xy[]): number | undefined => points.find(([d]) => d >= x)?.[1];
      const [m, r] = [at(mine), at(recorded)];
      return `${formatNumber(x, 2)} ${distance}${m === undefined ? '' : `<br>used <b>${formatNumber(m, 1)} ${height}</b>`}${r === undefined ? '' : `<br>recorded ${formatNumber(r, 1)} ${height}`}`;
    },
  );
  return {
    ...frame,
    series: [
      line(recorded, { color: ink.slate, width: 1, z: 3 }),
      ...cased(mine, ink.elevation, ink),
      ...(raw === undefined
        ? []
        : [
            caption(
              {
                at: recorded[Math.floor(recorded.length * 0.6)] ?? [0, 0],
                color: ink.slate,
                offset: [8, 14],
                vertical: 'top',
                lines: [{ text: 'as recorded', style: 'thin' }],
              },
              ink,
            ),
          ]),
      cursorLine(mine),
    ],
  };
}
