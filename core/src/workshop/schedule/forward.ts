import type { BuildDocument } from '../../document/document.ts';
import { counted } from '../../quantity/format.ts';
import type { Row } from '../parts-list/purchase-list.ts';
import { dayOf } from './calendar.ts';
import { dayAfter, daysBetween } from './days.ts';
import { arrivalsOf, givenOf, plan } from './given.ts';
import type { Learnt } from './tasks.ts';
import type { When } from './when.ts';

/** One change of circumstances, and the riding day that it would bring. */
export interface Forward {
  readonly what: string;
  readonly ride: string;
  /** Days that it is sooner; nought is no gain. */
  readonly gained: number;
}

/** Days of a parcel that comes by the fastest way that is usual: two thirds of its time. Common practice, no source. */
const FASTER = 2 / 3;

/** What would bring the riding day forward: the deciding parcel faster, weekends as well, another pair of hands. */
export function broughtForward(
  build: BuildDocument,
  rows: readonly Row[],
  now: string,
  when: When,
  learnt: Learnt = {},
): readonly Forward[] {
  if (when.ride === undefined) return [];
  const { latest } = when.ride;
  const told = (what: string, b: BuildDocument, list: readonly Row[] = rows): Forward[] => {
    const given = givenOf(b, list, now, learnt);
    const ride = dayAfter(given.today, dayOf(plan(given, arrivalsOf(given, 'most')).ride));
    return [{ what, ride, gained: daysBetween(ride, latest) }];
  };
  const withPeople = (people: BuildDocument['schedule']['people']): BuildDocument => ({
    ...build,
    schedule: { ...build.schedule, people },
  });
  const people = when.people.map(({ name, week }) => ({ name, week: [...week] }));
  const decisive = when.parcels.find((p) => p.decides)?.parcel;
  const days = decisive?.days?.most;
  const fewer = days === undefined ? undefined : Math.floor(days * FASTER);
  const keys = new Set(decisive?.rows.map((r) => r.key));
  const longDay = Math.max(3, ...people.flatMap((p) => p.week));
  return [
    ...(decisive === undefined || days === undefined || fewer === undefined || fewer === days
      ? []
      : told(
          `${decisive.rows[0]?.what.split(',')[0] ?? ''} in ${counted(fewer, 'day')}, not ${String(days)}`,
          build,
          rows.map((r) =>
            keys.has(r.key)
              ? {
                  ...r,
                  said: { ...r.said, leadDays: fewer, ...(decisive.ordered ? { expectedOn: '' } : {}) },
                }
              : r,
          ),
        )),
    ...(people.every((p) => (p.week[5] ?? 0) > 0 && (p.week[6] ?? 0) > 0)
      ? []
      : told(
          'weekends as well',
          withPeople(
            people.map((p) => ({ ...p, week: p.week.map((h, i) => (i > 4 ? Math.max(h, longDay) : h)) })),
          ),
        )),
    ...(people.length > 1
      ? []
      : told(
          'a second pair of hands',
          withPeople([...people, ...people.map((p) => ({ ...p, name: 'second' }))]),
        )),
  ];
}
