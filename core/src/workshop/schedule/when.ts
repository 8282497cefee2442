import { counted } from '../../quantity/format.ts';
import type { BuildDocument } from '../../document/document.ts';
import { USUAL_WEEK } from '../../document/schedule.ts';
import type { Row } from '../parts-list/purchase-list.ts';
import { counts } from '../parts-list/purchase-list.ts';
import { dayOf, sittings, startOfDay, works, type Calendar, type Week } from './calendar.ts';
import { dayAfter, daysBetween, isDay, weekdayOf } from './days.ts';
import { backwardPass, critical, scheduled, type Cause, type Slot, type Work } from './network.ts';
import { parcelsOf, type Parcel } from './parcels.ts';
import { driesBefore, tasksOf, type Learnt, type Task } from './tasks.ts';

/** The post comes at noon. Common practice, no source. */
const POST_H = 12;
/** The task whose end is the riding day. */
const RIDE = 'first-ride';
/** Days in hand are sought so far. */
const LONGEST_WAIT = 120;

/** One task with its days. */
export interface PlannedTask {
  readonly task: Task;
  readonly person: number;
  /** Hours since midnight of the first day. */
  readonly start: number;
  readonly end: number;
  readonly day: string;
  readonly lastDay: string;
  /** Decides the riding day, and why it begins when it does. */
  readonly cause: Cause | undefined;
  /** Days that it may begin later without moving the riding day, by the critical path method with hands enough. */
  readonly daysInHand: number;
  readonly sittings: readonly { readonly from: number; readonly to: number }[];
}

export interface PlannedParcel {
  readonly parcel: Parcel;
  readonly arrives: string | undefined;
  readonly decides: boolean;
  /** Days that the order may wait without moving the riding day; what is ordered or of unknown days has none. */
  readonly daysInHand: number | undefined;
  /** The last day to order it for the day that is wanted; undefined where no day is wanted or days are not known. */
  readonly orderBy: string | undefined;
}

/** The work planned against a calendar. */
export interface When {
  readonly today: string;
  readonly people: readonly { readonly name: string; readonly week: Week }[];
  readonly weekAssumed: boolean;
  readonly tasks: readonly PlannedTask[];
  readonly parcels: readonly PlannedParcel[];
  /** The earliest riding day: with the least and the most days of what is only guessed. Undefined where nobody works. */
  readonly ride: { readonly earliest: string; readonly latest: string } | undefined;
  /** Rows of which nobody knows how long they take: the riding day is not before the one that is told. */
  readonly open: readonly Row[];
  readonly wanted: string | undefined;
  /** Days that the riding day is before the wanted one; negative is late. */
  readonly spare: number | undefined;
  /** The first ride is behind it. */
  readonly ridden: boolean;
  /** What can be begun before the parcel comes that decides. */
  readonly meanwhile: readonly Task[];
  readonly chain: readonly { readonly id: string; readonly cause: Cause }[];
}

interface Plan {
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
interface Given {
  readonly today: string;
  readonly people: When['people'];
  readonly tasks: readonly Task[];
  readonly open: readonly Open[];
  readonly parcels: readonly Parcel[];
  /** Days from today on which each parcel is ordered. */
  readonly ordered: ReadonlyMap<Parcel, number>;
  readonly calendars: readonly Calendar[];
}

const leadOf = (parcel: Parcel, guess: 'least' | 'most'): number => parcel.days?.[guess] ?? 0;

/** Noon of the day that a parcel comes; one that is already here or due is there from the beginning. */
function arrival({ ordered }: Given, parcel: Parcel, guess: 'least' | 'most', waits = 0): number {
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
const workOf = ({ open }: Given, arrivals: ReadonlyMap<Parcel, number>): readonly Work[] =>
  open
    .filter(({ id }) => id !== 'range-run')
    .map(({ parcels, notBefore, ...work }) => ({
      ...work,
      ready: Math.max(0, notBefore, ...parcels.map((p) => arrivals.get(p) ?? 0)),
    }));

function planned(given: Given, work: readonly Work[], effort: 'quick' | 'full'): Plan {
  const slots = scheduled(work, given.calendars, effort);
  const ride = slots.find((s) => s.id === RIDE)?.end ?? Math.max(0, ...slots.map((s) => s.end));
  return { work, slots, ride };
}

const plan = (given: Given, arrivals: ReadonlyMap<Parcel, number>): Plan =>
  planned(given, workOf(given, arrivals), 'full');

const arrivalsOf = (given: Given, guess: 'least' | 'most'): ReadonlyMap<Parcel, number> =>
  new Map(given.parcels.map((p) => [p, arrival(given, p, guess)]));

/**
 * How many days a parcel may be ordered later until the riding day is past a day; undefined where it is past it already.
 * For as long as the work that waits for it begins later than it comes, the plan that is there stands.
 */
function mayWait(given: Given, parcel: Parcel, lastRide: number, late: Plan): number | undefined {
  if (dayOf(late.ride) > lastRide) return undefined;
  const arrivals = new Map(arrivalsOf(given, 'most'));
  const waiting = new Set(given.open.filter((o) => o.parcels.includes(parcel)).map((o) => o.id));
  const beginsOf = ({ slots }: Plan): number =>
    Math.min(...slots.filter((s) => waiting.has(s.id)).map((s) => s.start));
  let begins = beginsOf(late);
  for (let waits = 1; waits <= LONGEST_WAIT; waits += 1) {
    const comes = arrival(given, parcel, 'most', waits);
    if (comes <= begins) continue;
    arrivals.set(parcel, comes);
    const other = planned(given, workOf(given, arrivals), 'quick');
    if (dayOf(other.ride) > lastRide) return waits - 1;
    begins = beginsOf(other);
  }
  return LONGEST_WAIT;
}

/** How many days an order that is late for a day would have had to be placed earlier: its latest start less its days on the way. */
function lateOrder(given: Given, parcel: Parcel, lastRide: number): number {
  const latest = backwardPass(
    workOf(given, arrivalsOf(given, 'most')),
    given.calendars,
    startOfDay(lastRide + 1),
  );
  const keys = new Set(parcel.rows.map((r) => r.key));
  const starts = given.tasks
    .filter((t) => t.rows.some((r) => keys.has(r.key)))
    .map((t) => latest.get(t.id) ?? startOfDay(lastRide));
  const noon = Math.min(...starts) - POST_H;
  return dayOf(noon) - leadOf(parcel, 'most');
}

function parcelPlan(
  given: Given,
  parcel: Parcel,
  late: Plan,
  wanted: number | undefined,
  decides: boolean,
): PlannedParcel {
  const { today } = given;
  const known = parcel.days !== undefined;
  const waits = known && !parcel.ordered ? mayWait(given, parcel, dayOf(late.ride), late) : undefined;
  const byWanted =
    known && !parcel.ordered && wanted !== undefined
      ? (mayWait(given, parcel, wanted, late) ?? lateOrder(given, parcel, wanted))
      : undefined;
  return {
    parcel,
    arrives: known ? dayAfter(today, Math.max(0, dayOf(arrival(given, parcel, 'most')))) : undefined,
    decides,
    daysInHand: waits,
    orderBy: byWanted === undefined ? undefined : dayAfter(today, byWanted),
  };
}

/** Everybody's hours; weekday evenings where nobody has entered any. */
function peopleOf({ schedule }: BuildDocument): readonly { readonly name: string; readonly week: Week }[] {
  return schedule.people.length === 0 ? [{ name: '', week: USUAL_WEEK }] : schedule.people;
}

/** Tasks, parcels and hours of a build. */
function givenOf(build: BuildDocument, rows: readonly Row[], now: string, learnt: Learnt): Given {
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

/**
 * The work of a build against a calendar: earliest riding day, what decides it, and until when each order may wait.
 * @param now today, ISO 8601: a plan never begins before it
 * @param learnt hours that this shop took against the usual, by task
 */
export function whenOf(build: BuildDocument, rows: readonly Row[], now: string, learnt: Learnt = {}): When {
  const { schedule } = build;
  const given = givenOf(build, rows, now, learnt);
  const { today, calendars, people } = given;
  const wanted = isDay(schedule.wantedFor) ? schedule.wantedFor : undefined;
  const open = given.parcels.filter((p) => p.days === undefined).flatMap((p) => p.rows);
  const ridden = given.tasks.some((t) => t.id === RIDE && t.took !== null);
  const told = { today, people, ridden, weekAssumed: schedule.people.length === 0, open, wanted };
  if (calendars.length === 0)
    return {
      ...told,
      tasks: [],
      parcels: given.parcels.map((parcel) => ({
        parcel,
        arrives: undefined,
        decides: false,
        daysInHand: undefined,
        orderBy: undefined,
      })),
      ride: undefined,
      spare: undefined,
      meanwhile: [],
      chain: [],
    };
  const arrivals = arrivalsOf(given, 'most');
  const late = plan(given, arrivals);
  const early = plan(given, arrivalsOf(given, 'least'));
  const ride = dayOf(late.ride);
  const chain = critical(late.work, calendars, late.slots, RIDE);
  const first = chain[0];
  const decisive = first?.cause.kind === 'parts' ? deciding(given, arrivals, first.id) : undefined;
  const lastRide = wanted === undefined ? undefined : daysBetween(today, wanted);
  const latest = backwardPass(late.work, calendars, late.ride);
  const tasks = given.tasks.flatMap((task): PlannedTask[] => {
    const slot = late.slots.find((s) => s.id === task.id);
    if (slot === undefined) return [];
    const calendar = calendars[slot.person] ?? calendars[0];
    return [
      {
        task,
        person: slot.person,
        start: slot.start,
        end: slot.end,
        day: dayAfter(today, dayOf(slot.start)),
        lastDay: dayAfter(today, dayOf(slot.end)),
        cause: chain.find((c) => c.id === task.id)?.cause,
        daysInHand: Math.max(0, dayOf(latest.get(task.id) ?? slot.start) - dayOf(slot.start)),
        sittings: calendar === undefined ? [] : sittings(calendar, slot.start, slot.end),
      },
    ];
  });
  const comes = decisive === undefined ? 0 : (arrivals.get(decisive) ?? 0);
  return {
    ...told,
    tasks,
    parcels: given.parcels.map((p) => parcelPlan(given, p, late, lastRide, p === decisive)),
    ride: { earliest: dayAfter(today, Math.min(dayOf(early.ride), ride)), latest: dayAfter(today, ride) },
    spare: lastRide === undefined ? undefined : lastRide - ride,
    meanwhile: tasks.filter((t) => t.end <= comes && t.cause === undefined).map((t) => t.task),
    chain,
  };
}

/** The parcel that a task waits for longest. */
function deciding(given: Given, arrivals: ReadonlyMap<Parcel, number>, id: string): Parcel | undefined {
  const keys = new Set(given.tasks.find((t) => t.id === id)?.rows.map((r) => r.key) ?? []);
  return given.parcels
    .filter((p) => p.rows.some((r) => keys.has(r.key)))
    .reduce<Parcel | undefined>(
      (a, b) => (a === undefined || (arrivals.get(b) ?? 0) > (arrivals.get(a) ?? 0) ? b : a),
      undefined,
    );
}

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
