import type { DiaryEntry } from '../../formats/diary.ts';
import { dayAfter, dayWords } from './days.ts';
import { dayOf, startOfDay } from './calendar.ts';
import type { PlannedParcel } from './orders.ts';
import type { PlannedTask, When } from './when.ts';

const firstWords = (parcel: PlannedParcel['parcel']): string =>
  parcel.rows.length === 1
    ? (parcel.rows[0]?.what ?? '')
    : `${parcel.rows[0]?.what ?? ''} and ${String(parcel.rows.length - 1)} more`;

/** Order day and arrival of one parcel. */
function parcelEntries(
  job: string,
  today: string,
  { parcel, arrives, orderBy }: PlannedParcel,
): readonly DiaryEntry[] {
  const list = parcel.rows.map((r) => r.what).join('\n');
  const from = parcel.supplier === '' ? '' : ` from ${parcel.supplier}`;
  const what = firstWords(parcel);
  return [
    ...(parcel.ordered
      ? []
      : [
          {
            uid: `order/${parcel.id}@${job}`,
            summary: `Order${from}: ${what}`,
            description: orderBy === undefined ? list : `${list}\nat the latest on ${dayWords(orderBy)}`,
            day: orderBy !== undefined && orderBy > today ? orderBy : today,
          },
        ]),
    ...(arrives === undefined
      ? []
      : [
          {
            uid: `parcel/${parcel.id}@${job}`,
            summary: `Comes${from}: ${what}`,
            description: list,
            day: arrives,
          },
        ]),
  ];
}

/** Every sitting of a task. */
const taskEntries = (job: string, today: string, { task, sittings }: PlannedTask): readonly DiaryEntry[] =>
  sittings.map(({ from, to }, i) => ({
    uid: `work/${task.id}/${String(i + 1)}@${job}`,
    summary: task.name,
    description: '',
    day: dayAfter(today, dayOf(from)),
    hours: { from: from - startOfDay(dayOf(from)), to: to - startOfDay(dayOf(from)) },
  }));

/**
 * A plan as entries of a diary: a day for each order and each parcel, the hours of each sitting at the bench, the riding day.
 * @param job names the build, so that the entries keep their identity
 */
export const diaryOf = (when: When, job: string): readonly DiaryEntry[] => [
  ...when.parcels.flatMap((p) => parcelEntries(job, when.today, p)),
  ...when.tasks.flatMap((t) => taskEntries(job, when.today, t)),
  ...(when.wanted === undefined
    ? []
    : [{ uid: `wanted@${job}`, summary: 'Wanted for today', description: '', day: when.wanted }]),
];
