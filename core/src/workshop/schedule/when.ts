import type { BuildDocument } from '../../document/document.ts';
import type { Row } from '../parts-list/purchase-list.ts';
import { dayOf, sittings } from './calendar.ts';
import { dayAfter, daysBetween, isDay } from './days.ts';
import { arrivalsOf, givenOf, plan, RIDE, type Given, type Person } from './given.ts';
import { backwardPass, critical, type Cause } from './network.ts';
import { parcelPlan, type PlannedParcel } from './orders.ts';
import type { Parcel } from './parcels.ts';
import type { Learnt, Task } from './tasks.ts';

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

/** The work planned against a calendar. */
export interface When {
  readonly today: string;
  readonly people: readonly Person[];
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
