/** Hours at the bench on each day of the week, Monday first. */
export type Week = readonly number[];

/** When somebody works. Instants are hours since midnight of day 0, free of clock changes: dates are made of them at the edge. */
export interface Calendar {
  readonly week: Week;
  /** Which weekday day 0 is, 0 for Monday. */
  readonly firstDay: number;
}

const DAY = 24;
/** An evening begins after the day's work; a long day in the morning. Common practice, no source. */
const [EVENING, MORNING] = [18, 9];
/** More hours than fit between the evening's begin and bedtime are no evening. */
const LONGEST_EVENING = 5;

/** Less than this, h, is rounding: it opens no further sitting a week later. */
const ROUNDING = 1e-9;

/** The hours of one day at the bench; empty where there are none. */
function windowOf({ week, firstDay }: Calendar, day: number): readonly [from: number, to: number] {
  const weekday = (((firstDay + day) % 7) + 7) % 7;
  const hours = week[weekday] ?? 0;
  const weekend = weekday > 4;
  const begin = day * DAY + (weekend || hours > LONGEST_EVENING ? MORNING : EVENING);
  return [begin, begin + hours];
}

/** Somebody works at all. */
export const works = ({ week }: Calendar): boolean => week.some((hours) => hours > 0);

function worksAtAll(calendar: Calendar): void {
  if (!works(calendar)) throw new TypeError('a week without hours ends no work');
}

/** The first instant from one on at which somebody is at the bench. @throws TypeError for a week without hours. */
export function nextWork(calendar: Calendar, from: number): number {
  worksAtAll(calendar);
  for (let day = Math.floor(from / DAY); ; day += 1) {
    const [begin, end] = windowOf(calendar, day);
    if (end > begin && from < end - ROUNDING) return Math.max(from, begin);
  }
}

/** When so many hours of work are done that begin at an instant or at the next one at the bench. @throws TypeError for a week without hours. */
export function addWork(calendar: Calendar, from: number, hours: number): number {
  worksAtAll(calendar);
  let left = hours;
  for (let day = Math.floor(from / DAY); ; day += 1) {
    const [begin, end] = windowOf(calendar, day);
    const start = Math.max(from, begin);
    if (end <= start + ROUNDING) continue;
    if (left <= end - start + ROUNDING) return start + left;
    left -= end - start;
  }
}

/** The latest instant to begin at, for so many hours of work to be done by another. @throws TypeError for a week without hours. */
export function subWork(calendar: Calendar, by: number, hours: number): number {
  worksAtAll(calendar);
  let left = hours;
  for (let day = Math.floor(by / DAY); ; day -= 1) {
    const [begin, end] = windowOf(calendar, day);
    const stop = Math.min(by, end);
    if (stop <= begin + ROUNDING) continue;
    if (left <= stop - begin + ROUNDING) return stop - left;
    left -= stop - begin;
  }
}

/** The stretches at the bench between two instants, one a day. */
export function sittings(
  calendar: Calendar,
  from: number,
  to: number,
): readonly { readonly from: number; readonly to: number }[] {
  const days = Array.from(
    { length: Math.floor(to / DAY) - Math.floor(from / DAY) + 1 },
    (_, i) => Math.floor(from / DAY) + i,
  );
  return days
    .map((day) => windowOf(calendar, day))
    .map(([begin, end]) => ({ from: Math.max(begin, from), to: Math.min(end, to) }))
    .filter((s) => s.to > s.from);
}

/** The day that an instant lies in. */
export const dayOf = (instant: number): number => Math.floor(instant / DAY);
export const startOfDay = (day: number): number => day * DAY;
