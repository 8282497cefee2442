import type { BuildDocument } from '../../document/document.ts';
import { USUAL_WEEK } from '../../document/schedule.ts';
import { counts, type Row } from '../parts-list/purchase-list.ts';
import { startOfDay, works, type Calendar, type Week } from './calendar.ts';
import { daysBetween, isDay, weekdayOf } from './days.ts';
import { scheduled, type Slot, type Work } from './network.ts';
import { parcelsOf, type Parcel } from './parcels.ts';
import { driesBefore, tasksOf, type Learnt, type Task } from './tasks.ts';

/** The post comes at noon. Common practice, no source. */
export const POST_H = 12;
/** The task whose end is the riding day. */
export const RIDE = 'first-ride';

/** Somebody who works, and when. */
export interface Person {
  readonly name: string;
  readonly week: Week;
}

export interface Plan {
  readonly work: readonly Work[];
  readonly slots: readonly Slot[];
  readonly ride: number;
}

/** A task that is open, with what it waits for. */
interface Open extends Omit<Work, 'ready'> {
  readonly parcels: readonly Parcel[];
  /** The first day that it is wished for, as an instant. */
  readonly notBefore: number;
}

/** Everything that is needed to plan once more under other circumstances. */
export interface Given {
  readonly today: string;
  readonly people: readonly Person[];
  readonly tasks: readonly Task[];
  readonly open: readonly Open[];
  readonly parcels: readonly Parcel[];
  /** Days from today on which each parcel is ordered. */
  readonly ordered: ReadonlyMap<Parcel, number>;
  readonly calendars: readonly Calendar[];
}

export const leadOf = (parcel: Parcel, guess: 'least' | 'most'): number => parcel.days?.[guess] ?? 0;

/** Noon of the day that a parcel comes; one that is already here or due is there from the beginning. */
export function arrival({ ordered }: Given, parcel: Parcel, guess: 'least' | 'most', waits = 0): number {
  const day = (ordered.get(parcel) ?? 0) + waits + leadOf(parcel, guess);
  return day <= 0 ? 0 : startOfDay(day) + POST_H;
}

/** The open tasks with the parcels and the other work that they wait for. */
function openOf(tasks: readonly Task[], parcels: readonly Parcel[], today: string): readonly Open[] {
  const open = tasks.filter((t) => t.took === null);
  const byId = new Map(open.map((t) => [t.id, t]));
  return open.map((task): Open => {
    const keys = new Set(task.rows.map((r) => r.key));
    return {
      id: task.id,
      hours: task.hours,
      parcels: parcels.filter((p) => p.rows.some((r) => keys.has(r.key))),
      notBefore: isDay(task.notBefore) ? startOfDay(daysBetween(today, task.notBefore)) : 0,
      after: task.after.flatMap((id) => {
        const before = byId.get(id);
        return before === undefined ? [] : [{ id, dries: driesBefore(before, task.id) }];
      }),
    };
  });
}

/** The open tasks as work that waits for parcels and for other work. The range run comes after the riding day and never before other work. */
export const workOf = ({ open }: Given, arrivals: ReadonlyMap<Parcel, number>): readonly Work[] =>
  open
    .filter(({ id }) => id !== 'range-run')
    .map(({ parcels, notBefore, ...work }) => ({
      ...work,
      ready: Math.max(0, notBefore, ...parcels.map((p) => arrivals.get(p) ?? 0)),
    }));

export function planned(given: Given, work: readonly Work[], effort: 'quick' | 'full'): Plan {
  const slots = scheduled(work, given.calendars, effort);
  const ride = slots.find((s) => s.id === RIDE)?.end ?? Math.max(0, ...slots.map((s) => s.end));
  return { work, slots, ride };
}

export const plan = (given: Given, arrivals: ReadonlyMap<Parcel, number>): Plan =>
  planned(given, workOf(given, arrivals), 'full');

export const arrivalsOf = (given: Given, guess: 'least' | 'most'): ReadonlyMap<Parcel, number> =>
  new Map(given.parcels.map((p) => [p, arrival(given, p, guess)]));

/** Everybody's hours; weekday evenings where nobody has entered any. */
function peopleOf({ schedule }: BuildDocument): readonly Person[] {
  return schedule.people.length === 0 ? [{ name: '', week: USUAL_WEEK }] : schedule.people;
}

/** Tasks, parcels and hours of a build. */
export function givenOf(build: BuildDocument, rows: readonly Row[], now: string, learnt: Learnt): Given {
  const { begins } = build.schedule;
  const today = isDay(begins) && daysBetween(now, begins) > 0 ? begins : now;
  const people = peopleOf(build);
  const tasks = tasksOf(build, rows, learnt);
  const parcels = parcelsOf(rows.filter(counts), now);
  return {
    today,
    people,
    tasks,
    open: openOf(tasks, parcels, today),
    parcels,
    ordered: new Map(parcels.map((p) => [p, daysBetween(today, p.orderDay)])),
    calendars: people.map(({ week }) => ({ week, firstDay: weekdayOf(today) })).filter(works),
  };
}
