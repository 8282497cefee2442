import { dayOf, startOfDay } from './calendar.ts';
import { dayAfter } from './days.ts';
import { arrival, arrivalsOf, leadOf, planned, POST_H, workOf, type Given, type Plan } from './given.ts';
import { backwardPass } from './network.ts';
import type { Parcel } from './parcels.ts';

/** Days in hand are sought so far. */
const LONGEST_WAIT = 120;

/** One parcel with its days. */
export interface PlannedParcel {
  readonly parcel: Parcel;
  readonly arrives: string | undefined;
  readonly decides: boolean;
  /** Days that the order may wait without moving the riding day; what is ordered or of unknown days has none. */
  readonly daysInHand: number | undefined;
  /** The last day to order it for the day that is wanted; undefined where no day is wanted or days are not known. */
  readonly orderBy: string | undefined;
}

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

/** When a parcel comes, and until when its order may wait. */
export function parcelPlan(
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
