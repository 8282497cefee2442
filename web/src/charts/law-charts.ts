import type { EChartsOption, SeriesOption } from 'echarts';
import {
  convert,
  formatNumber,
  msToKmh,
  ratioAt,
  shownUnit,
  type LawCurves,
  type LimitLine,
  type RatioCorner,
  type UnitSystem,
} from '@apple-cart/core';
import { niceMax } from './curve.ts';
import type { ChartInk } from './ink.ts';
import { caption, cased, cursorLine, line, paper, type Xy } from './pieces.ts';

const speedOf = (system: UnitSystem) => {
  const unit = shownUnit('km/h', system);
  return { unit, speed: (kmh: number): number => convert(kmh, 'km/h', unit) };
};

const wayName = (profile: string): string => (profile === '' ? 'as set' : `“${profile}”`);

/** A limit as an upright line with its class written along the top, lower for each that follows. */
const upright = (
  at: number,
  yMax: number,
  name: string,
  row: number,
  ink: ChartInk,
): readonly SeriesOption[] => [
  line(
    [
      [at, 0],
      [at, yMax],
    ],
    { color: ink.limit['pack-protection'].line, width: 1.4, dash: [6, 3], z: 6 },
  ),
  caption(
    {
      at: [at, yMax * (1 - 0.1 * row)],
      color: ink.limit['pack-protection'].text,
      offset: [6, 6],
      vertical: 'top',
      lines: [{ text: name, style: 'thin' }],
    },
    ink,
  ),
];

/** A limit as a level line; words at its right end. */
const level = (
  y: number,
  xMax: number,
  name: string,
  color: string,
  ink: ChartInk,
): readonly SeriesOption[] => [
  line(
    [
      [0, y],
      [xMax, y],
    ],
    { color, width: 1.4, dash: [6, 3], z: 6 },
  ),
  caption(
    { at: [xMax, y], color, align: 'right', offset: [-6, -4], lines: [{ text: name, style: 'thin' }] },
    ink,
  ),
];

const stepped = (corners: readonly RatioCorner[], to: number): readonly RatioCorner[] => {
  const last = corners.at(-1);
  return last === undefined || last.kmh >= to ? corners : [...corners, { kmh: to, ratio: last.ratio }];
};

export interface RatioChartInput {
  readonly curves: LawCurves;
  readonly rules: readonly { readonly name: string; readonly corners: readonly RatioCorner[] }[];
  readonly system: UnitSystem;
}

/** Motor force per rider force against speed, beside the curves that rules allow. */
export function ratioChart({ curves, rules, system }: RatioChartInput, ink: ChartInk): EChartsOption {
  const { unit, speed } = speedOf(system);
  const own = curves.ways.flatMap((w) =>
    w.ratio === undefined ? [] : [{ name: wayName(w.profile), corners: w.ratio }],
  );
  const ends = [...own, ...rules].flatMap((c) => c.corners.map((p) => p.kmh));
  const to = Math.max(30, ...ends) * 1.05;
  const most = Math.max(1, ...[...own, ...rules].flatMap((c) => c.corners.map((p) => p.ratio)));
  const [xMax, yMax] = [niceMax(speed(to)), niceMax(most * 1.15)];
  const xy = (corners: readonly RatioCorner[]): readonly Xy[] =>
    stepped(corners, to).map((p): Xy => [speed(p.kmh), p.ratio]);
  const frame = paper(
    { max: xMax, title: `Speed, ${unit}` },
    { max: yMax, title: 'Motor force per rider force' },
    ink,
    (x) =>
      [
        `${formatNumber(x, 1)} ${unit}`,
        ...[...own, ...rules].map(
          (c) => `${c.name}: <b>${formatNumber(ratioAt(c.corners, x / speed(1)), 2)}</b>`,
        ),
      ].join('<br>'),
  );
  return {
    ...frame,
    series: [
      ...rules.flatMap(({ name, corners }, i) => {
        const at = corners[1] ?? corners[0];
        return [
          line(xy(corners), { color: ink.limit['pack-protection'].line, width: 1.8, dash: [6, 3], z: 4 }),
          ...(at === undefined
            ? []
            : [
                caption(
                  {
                    at: [speed(at.kmh), at.ratio],
                    color: ink.limit['pack-protection'].text,
                    offset: [8, -4 + 2 * i],
                    lines: [{ text: `${name} allows`, style: 'thin' }],
                  },
                  ink,
                ),
              ]),
        ];
      }),
      ...own.flatMap(({ name, corners }, i) => {
        const at = corners.at(-2);
        return [
          ...(i === 0
            ? cased(xy(corners), ink.limit['assist-ratio'].line, ink)
            : [line(xy(corners), { color: ink.limit['assist-ratio'].line, width: 2, z: 4 })]),
          ...(at === undefined
            ? []
            : [
                caption(
                  {
                    at: [speed(at.kmh) * 0.6, at.ratio],
                    color: ink.limit['assist-ratio'].text,
                    offset: [0, -8],
                    lines: [{ text: `This build, ${name}`, style: 'strong' }],
                  },
                  ink,
                ),
              ]),
        ];
      }),
      cursorLine(Array.from({ length: 80 }, (_, i): Xy => [(xMax * i) / 79, 0])),
    ],
  };
}

export interface ShareChartInput {
  readonly curves: LawCurves;
  readonly limits: readonly LimitLine[];
  readonly system: UnitSystem;
}

/** Share of the help left against speed: where it fades, where it ends, and where each class wants it to have ended. */
export function cutoffChart({ curves, limits, system }: ShareChartInput, ink: ChartInk): EChartsOption {
  const { unit, speed } = speedOf(system);
  const ends = curves.ways.flatMap((w) => w.share.map((p) => p.kmh));
  const to = Math.max(30, ...ends, ...limits.map((l) => l.value)) * 1.12;
  const xMax = niceMax(speed(to));
  const xy = (way: LawCurves['ways'][number]): readonly Xy[] => {
    const last = way.share.at(-1);
    return [
      ...way.share.map((p): Xy => [speed(p.kmh), 100 * p.share]),
      ...(last === undefined
        ? []
        : ([
            [speed(last.kmh), 0],
            [xMax, 0],
          ] as readonly Xy[])),
    ];
  };
  const frame = paper(
    { max: xMax, title: `Speed, ${unit}` },
    { max: 130, title: 'Help left, %' },
    ink,
    (x) => `${formatNumber(x, 1)} ${unit}`,
  );
  return {
    ...frame,
    series: [
      ...limits.flatMap((l, i) =>
        upright(speed(l.value), 130, `${l.name} ${formatNumber(speed(l.value), 1)}`, i, ink),
      ),
      ...curves.ways.toReversed().flatMap((way) => {
        const points = xy(way);
        const end = way.share.at(-1)?.kmh ?? 0;
        const color = ink.limit['speed-limit'].line;
        // Towards the left edge the words stand behind the line, so that they do not run over the axis.
        const behind = speed(end) < 0.4 * xMax;
        return [
          ...(way.profile === ''
            ? cased(points, color, ink)
            : [line(points, { color, width: 2, dash: [3, 3], z: 4 })]),
          caption(
            {
              at: [speed(end), way.profile === '' ? 42 : 16],
              color: ink.limit['speed-limit'].text,
              align: behind ? 'left' : 'right',
              offset: [behind ? 12 : -26, 0],
              lines: [
                { text: `Ends at ${formatNumber(speed(end), 1)} ${unit}`, style: 'strong' },
                { text: wayName(way.profile), style: 'plain' },
              ],
            },
            ink,
          ),
        ];
      }),
      cursorLine([
        [0, 0],
        [xMax, 0],
      ]),
    ],
  };
}

export interface PowerChartInput {
  readonly curves: LawCurves;
  readonly rated: readonly LimitLine[];
  readonly peak: readonly LimitLine[];
  readonly system: UnitSystem;
}

/** Most power at the wheel against speed, with the rating, what is held for thirty minutes, and the classes' limits. */
export function wheelPowerChart(
  { curves, rated, peak, system }: PowerChartInput,
  ink: ChartInk,
): EChartsOption {
  const { unit, speed } = speedOf(system);
  const top = Math.max(...curves.ways.flatMap((w) => w.power.map((p) => msToKmh(p.v))), 10);
  const most = Math.max(
    ...curves.ways.flatMap((w) => w.power.map((p) => p.watts)),
    curves.ratedW ?? 0,
    curves.held.watts,
    100,
  );
  const [xMax, yMax] = [niceMax(speed(top) * 1.05), niceMax(most * 1.2)];
  const xy = (way: LawCurves['ways'][number]): readonly Xy[] =>
    way.power.map((p): Xy => [speed(msToKmh(p.v)), p.watts]);
  const own = curves.ways[0];
  const frame = paper(
    { max: xMax, title: `Speed, ${unit}` },
    { max: yMax, title: 'Mechanical power, W' },
    ink,
    (x) => {
      const point = own === undefined ? undefined : xy(own).find(([at]) => at >= x);
      return point === undefined
        ? ''
        : `${formatNumber(x, 1)} ${unit}<br><b>${formatNumber(point[1], 0)} W</b> at the wheel`;
    },
  );
  // Limits far above the machine would only flatten its curve.
  const within = (l: LimitLine): boolean => l.value <= yMax;
  return {
    ...frame,
    series: [
      ...[...rated, ...peak.filter((p) => rated.every((r) => r.value !== p.value))]
        .filter(within)
        .flatMap((l) =>
          level(
            l.value,
            xMax,
            `${l.name}: ${formatNumber(l.value, 0)} W`,
            ink.limit['pack-protection'].text,
            ink,
          ),
        ),
      ...level(
        curves.held.watts,
        xMax * 0.55,
        `held thirty minutes, by the heat model: ${formatNumber(curves.held.watts, 0)} W`,
        ink.heat,
        ink,
      ),
      ...(curves.ratedW === undefined
        ? []
        : level(curves.ratedW, xMax * 0.3, `rated ${formatNumber(curves.ratedW, 0)} W`, ink.ink, ink)),
      ...curves.ways
        .toReversed()
        .flatMap((way) =>
          way.profile === ''
            ? cased(xy(way), ink.energy.line, ink)
            : [line(xy(way), { color: ink.energy.line, width: 2, dash: [3, 3], z: 4 })],
        ),
      ...(own === undefined ? [] : [cursorLine(xy(own))]),
    ],
  };
}
