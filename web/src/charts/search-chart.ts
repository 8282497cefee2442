import type { EChartsOption, SeriesOption } from 'echarts';
import {
  convert,
  formatNumber,
  shownUnit,
  unitText,
  type Candidate,
  type Finalist,
  type Goal,
  type Miss,
  type Reason,
  type UnitSystem,
} from '@apple-cart/core';
import { niceMax } from './curve.ts';
import type { ChartInk } from './ink.ts';
import { numbered } from './numbered.ts';
import { caption, cased, cursorLine, dots, line, paper, type Xy } from './pieces.ts';

export interface SearchChartInput {
  /** What stands against the price. */
  readonly goal: Exclude<Goal, 'price'>;
  readonly standing: readonly Candidate[];
  readonly misses: readonly Miss[];
  readonly finalists: readonly Finalist[];
  /** The build in hand. */
  readonly hand: { readonly price: number; readonly value: number | undefined };
  readonly budget: number | null;
  readonly wanted: number | null;
  readonly sign: string;
  readonly system: UnitSystem;
}

const OCTAGON = 'path://M3 0H7L10 3V7L7 10H3L0 7V3Z';
const CROSS = 'path://M0 0L10 10M10 0L0 10';
interface Shape {
  readonly symbol: string;
  readonly rotate?: number;
  /** The shape in a word, and what it stands for. */
  readonly shape: string;
  readonly words: string;
}
/** A shape of its own for each reason, never its colour alone. */
export const REASON_SHAPES: Readonly<Record<Reason, Shape>> = {
  law: { symbol: OCTAGON, shape: 'octagon', words: 'motor not let in' },
  volts: { symbol: 'rect', shape: 'square', words: 'volts do not match' },
  current: { symbol: CROSS, shape: 'cross', words: 'pack carries too little' },
  price: { symbol: 'circle', shape: 'ring', words: 'over the budget' },
  mass: { symbol: 'triangle', shape: 'triangle', words: 'too heavy' },
  hill: { symbol: 'triangle', rotate: 180, shape: 'triangle on its point', words: 'too slow' },
  range: { symbol: 'diamond', shape: 'diamond', words: 'too short' },
};

export const GOAL_LOOKS = {
  hill: { name: 'Up the test hill', unit: 'km/h', of: (c: Candidate) => c.hillKmh ?? 0 },
  range: { name: 'Range, near end', unit: 'km', of: (c: Candidate) => c.rangeKm },
  mass: { name: 'Mass', unit: 'kg', of: (c: Candidate) => c.massKg },
} as const;

/** So many steps of price are drawn, or one or two more. */
const STEPS = 5;

/** Where everything of the picture lies, in the reader's units. */
interface Laid {
  readonly least: number;
  readonly most: number;
  /** Between two prices on the axis: both its ends are whole ones of it. */
  readonly step: number;
  readonly top: number;
  readonly xy: (c: Candidate) => Xy;
  readonly y: (value: number) => number;
}

function laidOut({ goal, standing, misses, finalists, hand, budget, system }: SearchChartInput): Laid {
  const { unit, of } = GOAL_LOOKS[goal];
  const to = shownUnit(unit, system);
  const y = (value: number): number => convert(value, unit, to);
  const xy = (c: Candidate): Xy => [c.price, y(of(c))];
  const all = [...standing, ...misses, ...finalists].map(xy).filter(([, v]) => Number.isFinite(v));
  const prices = [...all.map(([x]) => x), hand.price, budget ?? hand.price];
  const [low, high] = [Math.max(0, Math.min(...prices) - 40), Math.max(...prices) * 1.03];
  const step = niceMax((high - low) / STEPS);
  return {
    xy,
    y,
    least: Math.floor(low / step) * step,
    most: Math.ceil(high / step) * step,
    step,
    top: niceMax(Math.max(1, ...all.map(([, v]) => v), y(hand.value ?? 0)) * 1.1),
  };
}

/** The refused, a shape a reason, and those that stand. */
const clouds = (
  { standing, misses }: SearchChartInput,
  { xy }: Laid,
  ink: ChartInk,
): readonly SeriesOption[] => [
  ...[...new Set(misses.map((m) => m.reason))].map((reason) =>
    dots(misses.filter((m) => m.reason === reason).map(xy), {
      symbol: REASON_SHAPES[reason].symbol,
      size: 9,
      edge: ink.ink3,
      rotate: REASON_SHAPES[reason].rotate ?? 0,
      z: 2,
    }),
  ),
  dots(standing.map(xy), { symbol: 'circle', size: 6, fill: ink.ink2, z: 3 }),
];

/** What was asked: the budget upright, the goal across. */
function wishes(
  { budget, wanted, goal, system }: SearchChartInput,
  laid: Laid,
  ink: ChartInk,
): readonly SeriesOption[] {
  const { least, most, top, y } = laid;
  const to = shownUnit(GOAL_LOOKS[goal].unit, system);
  const look = { color: ink.slate, width: 1.6, dash: [2, 4], z: 4 } as const;
  const upright =
    budget === null
      ? []
      : [
          line(
            [
              [budget, 0],
              [budget, top],
            ],
            look,
          ),
          caption(
            {
              at: [budget, top * 0.03],
              color: ink.slate,
              offset: [4, -2],
              lines: [{ text: 'budget', style: 'thin' }],
            },
            ink,
          ),
        ];
  const across =
    wanted === null
      ? []
      : [
          line(
            [
              [least, y(wanted)],
              [most, y(wanted)],
            ],
            look,
          ),
          caption(
            {
              at: [most, y(wanted)],
              color: ink.slate,
              align: 'right',
              offset: [-4, -3],
              lines: [{ text: `asked: ${formatNumber(y(wanted), 0)} ${unitText(to)}`, style: 'thin' }],
            },
            ink,
          ),
        ];
  return [...upright, ...across];
}

/** The build in hand: a ringed disc with its name. */
function inHand(
  { hand }: SearchChartInput,
  { least, most, y }: Laid,
  ink: ChartInk,
): readonly SeriesOption[] {
  if (hand.value === undefined) return [];
  const at: Xy = [hand.price, y(hand.value)];
  const right = hand.price > (least + most) / 2;
  return [
    dots([at], { symbol: 'circle', size: 16, edge: ink.ink, width: 2, z: 8 }),
    dots([at], { symbol: 'circle', size: 7, fill: ink.ink, z: 8 }),
    caption(
      {
        at,
        color: ink.ink,
        align: right ? 'right' : 'left',
        offset: [right ? -14 : 14, 18],
        lines: [{ text: 'In hand', style: 'strong' }],
      },
      ink,
    ),
  ];
}

/** Every build that was looked at against its price: those that stand, some that do not and why, and the front. */
export function searchChart(input: SearchChartInput, ink: ChartInk): EChartsOption {
  const { goal, finalists, sign, system } = input;
  const { name, unit } = GOAL_LOOKS[goal];
  const to = shownUnit(unit, system);
  const laid = laidOut(input);
  const { xy, least, most, step, top } = laid;
  const front = [...finalists].sort((a, b) => a.price - b.price).map(xy);
  const stepped = front.flatMap(([x, y], i): readonly Xy[] => {
    const last = front[i - 1];
    return last === undefined
      ? [[x, y]]
      : [
          [x, last[1]],
          [x, y],
        ];
  });
  const frame = paper(
    { min: least, max: most, interval: step, title: `Price all in, ${sign.trim()}` },
    { max: top, title: `${name}, ${unitText(to)}` },
    ink,
    (x) => {
      const one = [...finalists].sort((a, b) => Math.abs(a.price - x) - Math.abs(b.price - x))[0];
      if (one === undefined) return '';
      return `${one.names.join(', ')}<br><b>${formatNumber(xy(one)[1], 1)} ${unitText(to)}</b>, ${sign}${formatNumber(one.price, 0)}`;
    },
  );
  return {
    ...frame,
    grid: { left: 44, right: 12, top: 10, bottom: 28 },
    series: [
      ...clouds(input, laid, ink),
      ...wishes(input, laid, ink),
      ...(stepped.length > 1 ? cased(stepped, ink.energy.line, ink) : []),
      numbered(front, ink),
      ...inHand(input, laid, ink),
      cursorLine(
        front.length > 1
          ? front
          : [
              [least, 0],
              [most, 0],
            ],
      ),
    ],
  };
}
