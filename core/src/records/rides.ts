import type { RideRecord, RideTold } from '../road/ride-record.ts';
import type { Kept, RecordKind } from './record-kinds.ts';

/** A ride as it stands now. */
export interface RideKept {
  /** Of the record that says it now. */
  readonly key: string;
  /** Of the record that said it first: its recording lies under it. */
  readonly first: string;
  /** When the server took it; empty while it has not. */
  readonly at: string;
  readonly ride: RideRecord;
  /** What the plan said of it, the last time that it was asked. */
  readonly told: RideTold | undefined;
  /** How often it was put right. */
  readonly corrected: number;
}

const is =
  <K extends RecordKind>(kind: K) =>
  (one: Kept): one is Kept<K> =>
    one.kind === kind;

/** The rides of a build, the newest day first: those that were put right as they say now, without those that were withdrawn. */
export function ridesOf(records: readonly Kept[]): readonly RideKept[] {
  const rides = records.filter(is('ride'));
  const tolds = records.filter(is('ride-told'));
  const after = new Map<string, Kept<'ride'>>();
  for (const one of rides) if (one.data.corrects !== null) after.set(one.data.corrects, one);
  return rides
    .filter((one) => one.data.corrects === null)
    .flatMap((first): RideKept[] => {
      let [last, corrected] = [first, 0];
      for (
        let next = after.get(last.key);
        next !== undefined && corrected < 1000;
        next = after.get(last.key)
      ) {
        last = next;
        corrected += 1;
      }
      if (last.data.withdrawn) return [];
      const told = tolds.findLast((t) => t.parent === last.key)?.data;
      return [{ key: last.key, first: first.key, at: first.at, ride: last.data, told, corrected }];
    })
    .sort((a, b) => b.ride.on.localeCompare(a.ride.on) || b.at.localeCompare(a.at));
}
