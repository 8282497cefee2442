import {
  counted,
  dayAfter,
  dayWords,
  daysBetween,
  firstOf,
  weekdayOf,
  type PlannedParcel,
  type PlannedTask,
  type When,
} from '@apple-cart/core';
import { parcelWords } from './parcel-words.ts';

/** Measures of the drawing, px. */
export const DAY_PX = 14;
/** The drawing is as wide as its panel at least. */
const LEAST_PX = 450;
/** So many days are drawn at most: beyond, a plan is read as a table. */
const MOST_DAYS = 400;

interface Bar {
  readonly x: number;
  readonly width: number;
  /** Where the days in hand end; the bar's own end where there are none. */
  readonly tailX: number;
  readonly words: string;
  readonly wordsX: number;
  /** Words stand before the bar where there is no room behind it. */
  readonly before: boolean;
}

export interface GanttRow {
  readonly id: string;
  readonly kind: 'parcel' | 'task';
  readonly name: string;
  readonly decides: boolean;
  readonly ordered: boolean;
  /** Undefined where nobody knows the days. */
  readonly bar: Bar | undefined;
  readonly told: string;
}

export interface Gantt {
  readonly days: number;
  readonly width: number;
  readonly mondays: readonly { readonly x: number; readonly words: string }[];
  readonly weekends: readonly number[];
  /** The day that it is wanted for: a line with its words, before it where there is no room behind. */
  readonly wanted: { readonly x: number; readonly words: string; readonly before: boolean } | undefined;
  readonly rows: readonly GanttRow[];
  readonly parcels: number;
}

/** About the width of words of 12 px. */
const wordsPx = (words: string): number => words.length * 6.2;

/** Words stand behind the tail where there is room, else over it, else before the bar. */
function bar(from: number, to: number, inHand: number, words: string, width: number): Bar {
  const [x, end] = [from * DAY_PX, Math.max(to, from + 0.25) * DAY_PX];
  const tailX = Math.min(end + inHand * DAY_PX, width - 2);
  const need = wordsPx(words) + 12;
  const place = firstOf<Pick<Bar, 'wordsX' | 'before'>>(
    [
      [tailX + need <= width, { wordsX: tailX + 6, before: false }],
      [end + need <= width, { wordsX: end + 8, before: false }],
    ],
    { wordsX: x - 5, before: true },
  );
  return { x, width: end - x, tailX, words, ...place };
}

function parcelRow(
  { parcel, arrives, decides, daysInHand, orderBy }: PlannedParcel,
  when: When,
  width: number,
): GanttRow {
  const name = parcelWords(parcel.rows);
  const base = { id: parcel.id, kind: 'parcel' as const, name, decides, ordered: parcel.ordered };
  if (arrives === undefined)
    return {
      ...base,
      bar: undefined,
      told: parcel.overdue ? 'should have come: ask' : 'days not known',
    };
  const from = Math.max(0, daysBetween(when.today, parcel.orderDay));
  const to = daysBetween(when.today, arrives);
  const todo = firstOf(
    [
      [
        orderBy !== undefined && orderBy < when.today,
        `too late by ${counted(daysBetween(orderBy ?? when.today, when.today), 'day')}`,
      ],
      [decides, 'order today'],
      [orderBy !== undefined, `order by ${dayWords(orderBy ?? when.today)}`],
    ],
    `in hand: ${counted(daysInHand ?? 0, 'day')}`,
  );
  const words = parcel.ordered ? `due ${dayWords(arrives)}` : todo;
  return {
    ...base,
    bar: bar(from, to, Math.min(daysInHand ?? 0, 120), words, width),
    told: `comes ${dayWords(arrives, 'weekday')}; ${words}`,
  };
}

function taskRow(planned: PlannedTask, when: When, width: number): GanttRow {
  const { task, start, end, cause, daysInHand, day, lastDay } = planned;
  const waits = when.parcels.find(
    (p) => p.arrives === day && p.parcel.rows.some((r) => task.rows.includes(r)),
  );
  const words = firstOf(
    [
      [waits !== undefined, `waits for ${parcelWords(waits?.parcel.rows ?? [])}`],
      [cause?.kind === 'hands', 'waits for hands'],
      [day === lastDay, dayWords(day, 'weekday')],
    ],
    `${dayWords(day)} to ${dayWords(lastDay)}`,
  );
  // Work is drawn by its days: an evening is the last part of one.
  const [from, to] = [Math.floor(start / 24), Math.floor(end / 24) + 1];
  return {
    id: task.id,
    kind: 'task',
    name: task.name,
    decides: cause !== undefined,
    ordered: false,
    bar: bar(from, to, daysInHand, words, width),
    told: `${dayWords(day, 'weekday')}${day === lastDay ? '' : ` to ${dayWords(lastDay, 'weekday')}`}, ${task.hours.toFixed(1)} h`,
  };
}

function wantedLine(when: When, why: string, width: number): Gantt['wanted'] {
  if (when.wanted === undefined) return undefined;
  const x = (daysBetween(when.today, when.wanted) + 1) * DAY_PX;
  const words = `${why === '' ? 'wanted' : why}, ${dayWords(when.wanted)}`;
  return { x, words, before: x + 10 + wordsPx(words) > width };
}

/**
 * A plan as bars over days, the first day at the left edge.
 * @param why it is wanted for its day; empty is not said
 */
export function ganttOf(when: When, why = ''): Gantt {
  const ends = [
    ...when.tasks.map((t) => Math.floor(t.end / 24) + 1 + t.daysInHand),
    ...when.parcels.map((p) => (p.arrives === undefined ? 0 : daysBetween(when.today, p.arrives) + 1)),
    ...(when.wanted === undefined ? [] : [daysBetween(when.today, when.wanted) + 1]),
    14,
  ];
  const days = Math.min(MOST_DAYS, Math.max(...ends));
  const width = Math.max(LEAST_PX, days * DAY_PX + 4);
  const parcels = when.parcels.map((p) => parcelRow(p, when, width));
  const all = Array.from({ length: days }, (_, i) => ({ i, weekday: weekdayOf(dayAfter(when.today, i)) }));
  return {
    days,
    width,
    mondays: all
      .filter(({ i, weekday }) => weekday === 0 && (i === 0 || i > 3))
      .map(({ i }) => ({ x: i * DAY_PX, words: dayWords(dayAfter(when.today, i)) })),
    weekends: all.filter(({ weekday }) => weekday > 4).map(({ i }) => i * DAY_PX),
    wanted: wantedLine(when, why, width),
    rows: [...parcels, ...when.tasks.map((t) => taskRow(t, when, width))],
    parcels: parcels.length,
  };
}
