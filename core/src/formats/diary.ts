import ical from 'ical-generator';

/** One entry of a diary, in days or in hours of a wall clock without a zone. */
export interface DiaryEntry {
  /** Stays the same when it is given out again. */
  readonly uid: string;
  readonly summary: string;
  readonly description: string;
  /** ISO 8601, and hours after midnight; without hours it is the whole day. */
  readonly day: string;
  readonly hours?: { readonly from: number; readonly to: number };
}

/** A wall clock as the writer takes it: the fields of universal time. */
function clock(day: string, hours: number): Date {
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number);
  return new Date(Date.UTC(year, month - 1, date, 0, Math.round(hours * 60)));
}

/**
 * A diary as an iCalendar file (RFC 5545), written by a library: folded at 75 octets, floating wall clock times.
 * @param stamp the day that it is made of, ISO 8601: with it the text is the same twice
 */
export function diaryText(name: string, entries: readonly DiaryEntry[], stamp: string): string {
  const calendar = ical({ name, prodId: { company: 'apple-cart', product: 'apple-cart' } });
  for (const { uid, summary, description, day, hours } of entries)
    calendar.createEvent({
      id: uid,
      stamp: clock(stamp, 0),
      summary,
      description,
      start: clock(day, hours?.from ?? 0),
      end: hours === undefined ? clock(day, 24) : clock(day, hours.to),
      allDay: hours === undefined,
      floating: true,
    });
  return calendar.toString();
}
