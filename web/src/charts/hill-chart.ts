import type { EChartsOption, SeriesOption } from 'echarts';
import {
  LIMIT_WORDS,
  convert,
  formatNumber,
  gearInWords,
  gearName,
  formatQuantity,
  limitQuantity,
  msToKmh,
  shownUnit,
  type GradePoint,
  type HillCurves,
  type HillSpan,
  type KnownBuild,
  type Limit,
  type UnitSystem,
} from '@apple-cart/core';
import { atGrade, niceMax, segments, steepest, type Segment } from './curve.ts';
import type { ChartInk } from './ink.ts';
import { band, caption, cased, crossTicks, cursorLine, hatched, line, paper, type Xy } from './pieces.ts';

export interface HillChartInput {
  readonly curves: HillCurves;
  readonly span: HillSpan;
  readonly pinned: readonly GradePoint[] | undefined;
  readonly known: KnownBuild;
  readonly hillName: string;
  readonly gradePct: number;
  /** True when one cog is held all the way. */
  readonly oneCog: boolean;
  /** How many cogs the build has: one alone is not named beside its hub gear. */
  readonly cogs: number;
  readonly system: UnitSystem;
}

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** The limit's value and where it comes from, under its name. */
export function limitNote(limit: Limit, known: KnownBuild, system: UnitSystem): string {
  const quantity = limitQuantity(limit, known);
  if (limit === 'voltage' || limit === 'pack-power') {
    const guessed = quantity?.source === 'unknown' || quantity?.source === 'assumed';
    return guessed ? 'pack at half charge, Kv assumed' : 'pack at half charge';
  }
  if (quantity === undefined) return '';
  const unit = shownUnit(quantity.unit, system);
  const from = {
    measured: 'measured',
    label: 'from the label',
    assumed: 'assumed',
    unknown: 'a default',
    worked: 'worked out',
  }[quantity.source];
  return `${formatQuantity(convert(quantity.value, quantity.unit, unit), unit)}, ${from}`;
}

/** A segment needs this share of either axis before it carries its value too, and this before it is named at all. */
const LABEL_SHARE = 0.07;
export const NAMED_SHARE = 0.02;

interface Frame {
  readonly xMax: number;
  readonly yMax: number;
  readonly speed: (v: number) => number;
}

function limitCaption(
  segment: Segment,
  frame: Frame,
  input: HillChartInput,
  ink: ChartInk,
): SeriesOption | undefined {
  const [first, last] = [segment.points[0], segment.points.at(-1)];
  if (first === undefined || last === undefined) return undefined;
  const wide = (last.gradePct - first.gradePct) / frame.xMax;
  const tall = (frame.speed(first.v) - frame.speed(last.v)) / frame.yMax;
  const small = wide < LABEL_SHARE && tall < LABEL_SHARE;
  if (wide < NAMED_SHARE && tall < NAMED_SHARE) return undefined;
  const atLeft = first.gradePct < 0.04 * frame.xMax;
  const share = atLeft ? 0.35 : 0.3;
  const point = atGrade(segment.points, first.gradePct + share * (last.gradePct - first.gradePct)) ?? first;
  // The corner at the top left belongs to the axis title.
  const corner = point.gradePct < 0.15 * frame.xMax && frame.speed(point.v) > 0.7 * frame.yMax;
  // Towards the right edge the words stand left of their point, so that they are not cut off.
  const right = point.gradePct > 0.84 * frame.xMax;
  // A short piece has its name alone.
  const note = small ? '' : limitNote(segment.limit, input.known, input.system);
  return caption(
    {
      at: [corner ? 0.15 * frame.xMax : point.gradePct, frame.speed(point.v)],
      color: ink.limit[segment.limit].text,
      align: right ? 'right' : 'left',
      offset: [right ? -6 : 8, -8],
      lines: [
        { text: capital(LIMIT_WORDS[segment.limit]), style: 'strong' },
        ...(note === '' ? [] : [{ text: note, style: 'plain' as const }]),
      ],
    },
    ink,
  );
}

function marker(frame: Frame, input: HillChartInput, ink: ChartInk, unit: string): readonly SeriesOption[] {
  const { span, gradePct, hillName } = input;
  if (span.half === undefined) return [];
  const y = frame.speed(span.half);
  const [low, high] = [span.low, span.full].map((v) => (v === undefined ? undefined : frame.speed(v)));
  const words = (value: number | undefined): string =>
    value === undefined ? 'stalls' : formatNumber(value, 1);
  const left = gradePct > 0.3 * frame.xMax;
  return [
    line(
      [
        [gradePct, 0],
        [gradePct, Math.max(y, high ?? y)],
      ],
      { color: ink.ink, width: 1.4, z: 6 },
    ),
    {
      type: 'scatter',
      silent: true,
      data: [[gradePct, y]],
      symbol: 'circle',
      symbolSize: 13,
      itemStyle: { color: ink.sheet, borderColor: ink.ink, borderWidth: 2.4, opacity: 1 },
      z: 9,
    },
    caption(
      {
        at: [gradePct, y / 2],
        color: ink.ink,
        align: left ? 'right' : 'left',
        vertical: 'middle',
        offset: [left ? -9 : 9, 0],
        lines: [
          { text: `${hillName}, ${formatNumber(gradePct, 1)} %`, style: 'strong' },
          { text: `${formatNumber(y, 1)} ${unit}`, style: 'value' },
          { text: `${words(low)} nearly empty, ${words(high)} full`, style: 'plain' },
        ],
      },
      ink,
    ),
  ];
}

/** Speed against grade, split by the limit that binds, with the test hill marked on it. */
export function hillChart(input: HillChartInput, ink: ChartInk): EChartsOption {
  const { curves, pinned, gradePct, system } = input;
  const unit = shownUnit('km/h', system);
  const speed = (v: number): number => convert(msToKmh(v), 'km/h', unit);
  const xy = (points: readonly GradePoint[]): readonly Xy[] =>
    points.map((p): Xy => [p.gradePct, speed(p.v)]);
  const end = steepest(curves.held);
  const xMax = Math.min(45, niceMax(Math.max(end * 1.28, gradePct * 1.3, 6)));
  const yMax = niceMax(Math.max(...[...curves.full, ...(pinned ?? [])].map((p) => speed(p.v)), 10) * 1.18);
  const frame: Frame = { xMax, yMax, speed };
  const split = segments(curves.held);
  const joints = split.slice(1).flatMap((segment): readonly (readonly [Xy, Xy])[] => {
    const [a, b] = xy(segment.points);
    return a === undefined || b === undefined ? [] : [[a, b]];
  });
  const pinnedEnd = pinned?.at(Math.floor(pinned.length * 0.75));
  return {
    ...paper({ max: xMax, title: 'Grade, %' }, { max: yMax, title: `Speed, ${unit}` }, ink, (x) => {
      const point = atGrade(curves.held, x);
      if (point === undefined) return `${formatNumber(x, 1)} %: will not climb`;
      return `${formatNumber(x, 1)} %<br><b>${formatNumber(speed(point.v), 1)} ${unit}</b><br>${LIMIT_WORDS[point.limit]} binds, ${gearInWords(point)}`;
    }),
    series: [
      // Laid first, so that the others make room for it.
      ...marker(frame, input, ink, unit),
      hatched(end, xMax, yMax, ink.gridMajor),
      band(xy(curves.low), xy(curves.full), ink.span),
      ...curves.others.flatMap((other) => {
        const first = atGrade(other.points, 0.01 * xMax);
        return [
          line(xy(other.points), { color: ink.ink3, width: 1.2, z: 2 }),
          ...(first === undefined
            ? []
            : [
                caption(
                  {
                    at: [first.gradePct, speed(first.v)],
                    color: ink.ink2,
                    offset: [4, 3],
                    vertical: 'top',
                    lines: [{ text: gearName(other, input.cogs), style: 'thin' }],
                  },
                  ink,
                ),
              ]),
        ];
      }),
      ...(pinned === undefined ? [] : [line(xy(pinned), { color: ink.ink, width: 1.6, dash: [5, 4], z: 6 })]),
      ...(pinnedEnd === undefined
        ? []
        : [
            caption(
              {
                at: [pinnedEnd.gradePct, speed(pinnedEnd.v)],
                color: ink.ink,
                align: 'right',
                offset: [-6, 4],
                vertical: 'top',
                lines: [{ text: 'pinned', style: 'thin' }],
              },
              ink,
            ),
          ]),
      ...split.flatMap((segment) => cased(xy(segment.points), ink.limit[segment.limit].line, ink)),
      crossTicks(joints, ink.ink),
      ...split.map((segment) => limitCaption(segment, frame, input, ink)).filter((c) => c !== undefined),
      ...(xMax - end > 0.1 * xMax
        ? [
            caption(
              {
                at: [(end + xMax) / 2, 0],
                color: ink.ink2,
                align: 'center',
                offset: [0, -8],
                lines: [{ text: input.oneCog ? 'not in this cog' : 'will not climb', style: 'plain' }],
              },
              ink,
            ),
          ]
        : []),
      cursorLine(xy(curves.held)),
    ],
  };
}
