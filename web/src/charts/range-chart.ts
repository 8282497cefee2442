import type { EChartsOption, SeriesOption } from 'echarts';
import { convert, formatNumber, shownUnit, type RangePoint, type UnitSystem } from '@apple-cart/core';
import { niceMax } from './curve.ts';
import type { ChartInk } from './ink.ts';
import { band, caption, cursorLine, line, paper, type Xy } from './pieces.ts';

export interface RangeChartInput {
  readonly points: readonly RangePoint[];
  readonly pinned: readonly RangePoint[] | undefined;
  readonly cruiseKmh: number;
  readonly wantedKm: number;
  /** The planned span at the cruising speed; undefined where it is not held. */
  readonly planned: { readonly low: number; readonly high: number } | undefined;
  readonly system: UnitSystem;
}

const closest = (points: readonly RangePoint[], kmh: number): RangePoint | undefined =>
  points.reduce<RangePoint | undefined>(
    (best, p) => (best === undefined || Math.abs(p.kmh - kmh) < Math.abs(best.kmh - kmh) ? p : best),
    undefined,
  );

/** A slow rider hardly uses the motor and "range" runs away: the axis ends at this many times the plan. */
const AXIS_OF_PLAN = 1.5;

/** Planned range against speed as a span, with the cruising speed and the distance wanted marked. */
export function rangeChart(
  { points, pinned, cruiseKmh, wantedKm, planned, system }: RangeChartInput,
  ink: ChartInk,
): EChartsOption {
  const speedUnit = shownUnit('km/h', system);
  const unit = shownUnit('km', system);
  const speed = (kmh: number): number => convert(kmh, 'km/h', speedUnit);
  const distance = (km: number): number => convert(km, 'km', unit);
  const far = points.map((p): Xy => [speed(p.kmh), distance(p.farKm)]);
  const near = points.map((p): Xy => [speed(p.kmh), distance(p.nearKm)]);
  const xMax = niceMax(speed(Math.max(...points.map((p) => p.kmh), cruiseKmh, 10)) * 1.05);
  const yMax = niceMax(distance(Math.max((planned?.high ?? 0) * AXIS_OF_PLAN, wantedKm * 1.4, 5)));
  const frame = paper(
    { max: xMax, title: `Speed, ${speedUnit}` },
    { max: yMax, title: `Range, ${unit}` },
    ink,
    (x) => {
      const point = closest(points, convert(x, speedUnit, 'km/h'));
      if (point === undefined) return '';
      return `${formatNumber(speed(point.kmh), 1)} ${speedUnit}<br>legs resting, mixed riding <b>${formatNumber(distance(point.nearKm), 0)} ${unit}</b><br>rider helping, steady <b>${formatNumber(distance(point.farKm), 0)} ${unit}</b>`;
    },
  );
  const x = speed(cruiseKmh);
  // The far end is named where its line has come down into the picture, the near end where it begins.
  const farEnd = far.find(([, y]) => y < yMax * 0.8);
  const nearStart = near[0];
  const mark: readonly SeriesOption[] =
    planned === undefined
      ? []
      : [
          line(
            [
              [x, 0],
              [x, distance(planned.high)],
            ],
            { color: ink.ink, width: 1.4, z: 6 },
          ),
          line(
            [
              [x, distance(planned.low)],
              [x, distance(planned.high)],
            ],
            { color: ink.ink, width: 5, z: 6 },
          ),
          caption(
            {
              at: [x, Math.min(distance(planned.high), yMax)],
              color: ink.ink,
              align: x > xMax * 0.35 ? 'right' : 'left',
              vertical: 'top',
              offset: [x > xMax * 0.35 ? -10 : 10, 0],
              lines: [
                { text: `At ${formatNumber(x, 0)} ${speedUnit}`, style: 'strong' },
                {
                  text: `${formatNumber(distance(planned.low), 0)}–${formatNumber(distance(planned.high), 0)} ${unit}`,
                  style: 'value',
                },
                { text: 'reserve kept back', style: 'plain' },
              ],
            },
            ink,
          ),
        ];
  return {
    ...frame,
    series: [
      band(near, far, ink.span),
      line(far, { color: ink.speed, width: 2.4 }),
      line(near, { color: ink.speed, width: 2.4 }),
      line(
        [
          [0, distance(wantedKm)],
          [xMax, distance(wantedKm)],
        ],
        { color: ink.slate, width: 1.5, dash: [2, 4], z: 6 },
      ),
      caption(
        {
          at: [xMax, distance(wantedKm)],
          color: ink.slate,
          align: 'right',
          offset: [-6, -4],
          lines: [{ text: `wanted ${formatNumber(distance(wantedKm), 0)} ${unit}`, style: 'thin' }],
        },
        ink,
      ),
      ...(pinned === undefined
        ? []
        : [
            pinned.map((p): Xy => [speed(p.kmh), distance(p.farKm)]),
            pinned.map((p): Xy => [speed(p.kmh), distance(p.nearKm)]),
          ].map((list) => line(list, { color: ink.ink, width: 1.5, dash: [5, 4], z: 5 }))),
      ...(farEnd === undefined
        ? []
        : [
            caption(
              {
                at: farEnd,
                color: ink.speed,
                offset: [10, -4],
                lines: [{ text: 'rider helping, steady', style: 'thin' }],
              },
              ink,
            ),
          ]),
      ...(nearStart === undefined
        ? []
        : [
            caption(
              {
                at: nearStart,
                color: ink.speed,
                align: 'right',
                offset: [-8, 8],
                lines: [
                  { text: 'legs resting,', style: 'thin' },
                  { text: 'mixed riding', style: 'thin' },
                ],
              },
              ink,
            ),
          ]),
      ...mark,
      cursorLine(near),
    ],
  };
}

/** Energy per distance against speed: the rider helping, and legs resting. */
export function energyChart(
  { points, cruiseKmh, system }: Pick<RangeChartInput, 'points' | 'cruiseKmh' | 'system'>,
  ink: ChartInk,
): EChartsOption {
  const speedUnit = shownUnit('km/h', system);
  const unit = shownUnit('Wh/km', system);
  const speed = (kmh: number): number => convert(kmh, 'km/h', speedUnit);
  const energy = (value: number): number => convert(value, 'Wh/km', unit);
  const helped = points.map((p): Xy => [speed(p.kmh), energy(p.helpedWhPerKm)]);
  const rested = points.flatMap((p): Xy[] =>
    p.restedWhPerKm === undefined ? [] : [[speed(p.kmh), energy(p.restedWhPerKm)]],
  );
  const xMax = niceMax(speed(Math.max(...points.map((p) => p.kmh), cruiseKmh, 10)) * 1.05);
  const yMax = niceMax(Math.max(...helped.map(([, y]) => y), ...rested.map(([, y]) => y), 1) * 1.15);
  const frame = paper(
    { max: xMax, title: `Speed, ${speedUnit}` },
    { max: yMax, title: `Energy, ${unit}` },
    ink,
    (x) => {
      const point = closest(points, convert(x, speedUnit, 'km/h'));
      if (point === undefined) return '';
      const resting =
        point.restedWhPerKm === undefined
          ? 'not held'
          : `${formatNumber(energy(point.restedWhPerKm), 1)} ${unit}`;
      return `${formatNumber(speed(point.kmh), 1)} ${speedUnit}<br>legs resting <b>${resting}</b><br>rider helping <b>${formatNumber(energy(point.helpedWhPerKm), 1)} ${unit}</b>`;
    },
  );
  const x = speed(cruiseKmh);
  return {
    ...frame,
    series: [
      band(helped, rested, ink.span),
      line(rested, { color: ink.energy.line, width: 2.4 }),
      line(helped, { color: ink.energy.line, width: 2.4 }),
      line(
        [
          [x, 0],
          [x, yMax],
        ],
        { color: ink.ink, width: 1.2, z: 6 },
      ),
      caption(
        {
          at: rested[Math.floor(rested.length / 2)] ?? [0, 0],
          color: ink.energy.text,
          align: 'right',
          offset: [-4, -6],
          lines: [{ text: 'legs resting', style: 'thin' }],
        },
        ink,
      ),
      caption(
        {
          at: helped[Math.floor(helped.length / 2)] ?? [0, 0],
          color: ink.energy.text,
          align: 'left',
          offset: [10, 6],
          vertical: 'top',
          lines: [{ text: 'rider helping', style: 'thin' }],
        },
        ink,
      ),
      cursorLine(helped),
    ],
  };
}
