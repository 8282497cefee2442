import { diaryText } from '../formats/diary.ts';
import { phraseText, qty } from '../quantity/phrase.ts';
import type { UnitSystem } from '../quantity/unit-system.ts';
import { dayAfter, daysBetween } from '../workshop/schedule/days.ts';
import type { RideRecord } from './ride-record.ts';
import type { Upkeep } from './upkeep.ts';

/** Km a day of whoever rides it, by the rides of the last so many days; to tell the day of what is due by km. */
const LOOKED_BACK_DAYS = 60;
export function kmADay(rides: readonly Pick<RideRecord, 'on' | 'distanceKm'>[], today: string): number {
  const recent = rides.filter(
    (r) => daysBetween(r.on, today) <= LOOKED_BACK_DAYS && daysBetween(r.on, today) >= 0,
  );
  const first = recent.map((r) => r.on).sort()[0];
  if (first === undefined) return 0;
  return recent.reduce((sum, r) => sum + (r.distanceKm ?? 0), 0) / Math.max(7, daysBetween(first, today) + 1);
}

/** The days on which things are due, as an iCalendar file in the reader's units; what hangs on km alone stands on the day they come to at this pace. */
export function upkeepDiary(
  name: string,
  job: string,
  upkeep: Upkeep,
  kmPerDay: number,
  today: string,
  system: UnitSystem = 'metric',
): string {
  const entries = upkeep.rows.flatMap((row) => {
    const byKm =
      row.leftKm === undefined || kmPerDay <= 0
        ? undefined
        : dayAfter(today, Math.min(3650, Math.max(0, Math.ceil(row.leftKm / kmPerDay))));
    const days = [byKm, row.dueOn].filter((d) => d !== undefined).sort();
    const [day] = days;
    if (day === undefined) return [];
    const { key, name: summary, how } = row.task;
    const at = row.dueKm === undefined ? '' : ` Due at ${phraseText([qty(row.dueKm, 'km', 0)], system)}.`;
    return [
      {
        uid: `${key}@${job}`,
        summary: `${name}: ${summary}`,
        description: `${how}${at}`,
        day: day < today ? today : day,
      },
    ];
  });
  return diaryText(`${name}, upkeep`, entries, today);
}
