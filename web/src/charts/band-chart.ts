import type { EChartsOption, SeriesOption } from 'echarts';
import { convert, formatNumber, shownUnit, type Band, type UnitSystem } from '@apple-cart/core';
import { niceMax } from './curve.ts';
import type { ChartInk } from './ink.ts';
import { caption, cursorLine, line, paper, type Xy } from './pieces.ts';

export interface BandChartInput {
  readonly band: Band;
  readonly wantedKm: number;
  readonly system: UnitSystem;
}

/** A step of the axis this many of which make the picture. */
const BINS = 28;

export interface Bin {
  readonly from: number;
  readonly to: number;
  readonly rides: number;
}

/** Rides counted by distance, from nought to a little beyond the furthest. */
export function bins(km: readonly number[], end: number): readonly Bin[] {
  const width = end / BINS;
  const counts = new Array<number>(BINS).fill(0);
  for (const value of km) {
    const i = Math.min(BINS - 1, Math.max(0, Math.floor(value / width)));
    counts[i] = (counts[i] ?? 0) + 1;
  }
  return counts.map((rides, i) => ({ from: i * width, to: (i + 1) * width, rides }));
}

/** How far the rides came: nine in ten lie in the tint, half of them in the dark part. */
export function bandChart({ band, wantedKm, system }: BandChartInput, ink: ChartInk): EChartsOption {
  const unit = shownUnit('km', system);
  const far = (km: number): number => convert(km, 'km', unit);
  const xMax = niceMax(far(Math.max(band.km.at(-1) ?? 1, wantedKm) * 1.05));
  const all = bins(band.km.map(far), xMax);
  const most = Math.max(1, ...all.map((b) => b.rides));
  const yMax = niceMax((100 * most * 1.25) / Math.max(1, band.rides));
  const share = (rides: number): number => (100 * rides) / Math.max(1, band.rides);
  const frame = paper(
    { max: xMax, title: `Distance, ${unit}` },
    { max: yMax, title: 'Rides, %' },
    ink,
    (x) => {
      const short = band.km.filter((km) => far(km) < x).length;
      return `${formatNumber(x, 0)} ${unit}<br><b>${formatNumber(100 - share(short), 0)} %</b> of the rides come this far`;
    },
  );
  const bars: SeriesOption = {
    type: 'custom',
    silent: true,
    animation: false,
    tooltip: { show: false },
    z: 3,
    data: all.map((_, i) => [i]),
    renderItem: (params, api) => {
      const bin = all[params.dataIndex];
      if (bin === undefined || bin.rides === 0) return null;
      const [x0 = 0, y0 = 0] = api.coord([bin.from, share(bin.rides)]);
      const [x1 = 0, y1 = 0] = api.coord([bin.to, 0]);
      const middle = (bin.from + bin.to) / 2;
      const inside = middle >= far(band.p25) && middle <= far(band.p75);
      return {
        type: 'rect',
        shape: { x: x0 + 0.5, y: y0, width: Math.max(1, x1 - x0 - 1), height: y1 - y0 },
        style: { fill: inside ? ink.ink2 : ink.ink3, opacity: inside ? 0.95 : 0.55 },
      };
    },
  };
  // What is wanted stands on the far side of the middle; nothing stands beyond the edge.
  const side = (km: number): 'left' | 'right' =>
    far(km) > 0.82 * xMax || (km === wantedKm && km < band.p50) ? 'right' : 'left';
  const upright = (
    km: number,
    text: string,
    y: number,
    color: string,
    dash?: readonly number[],
  ): readonly SeriesOption[] => [
    line(
      [
        [far(km), 0],
        [far(km), yMax * y],
      ],
      { color, width: 1.4, z: 5, ...(dash === undefined ? {} : { dash }) },
    ),
    caption(
      {
        at: [far(km), yMax * y],
        color,
        align: side(km),
        vertical: 'top',
        offset: [side(km) === 'right' ? -5 : 5, 0],
        lines: [
          { text, style: 'thin' },
          { text: `${formatNumber(far(km), 0)} ${unit}`, style: 'strong' },
        ],
      },
      ink,
    ),
  ];
  return {
    ...frame,
    series: [
      bars,
      ...upright(band.p05, '19 of 20 come as far as', 0.98, ink.ink),
      ...upright(band.p50, 'half come as far as', 0.8, ink.ink),
      ...upright(wantedKm, 'wanted', 0.55, ink.slate, [5, 4]),
      cursorLine(Array.from({ length: 60 }, (_, i): Xy => [(xMax * i) / 59, 0])),
    ],
  };
}
