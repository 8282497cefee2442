import type { BenchEntry, BenchRun, BenchSign } from '../workshop/bench/entry.ts';
import type { ChargeRecord, RideRecord, RideTold, UpkeepRecord } from '../road/ride-record.ts';
import type { FaultRecord } from '../road/faults/fault-record.ts';
import type { TrialRecord } from '../workshop/trials/trial.ts';

/**
 * Facts of a build: each is written once under a key of its own, in the order of the server's clock, and never changed. What puts
 * one right is a further record.
 */
export interface RecordData {
  readonly 'bench-run': BenchRun;
  readonly 'bench-entry': BenchEntry;
  readonly 'bench-sign': BenchSign;
  readonly ride: RideRecord;
  /** What the plan of the day says of a ride. */
  readonly 'ride-told': RideTold;
  readonly charge: ChargeRecord;
  readonly upkeep: UpkeepRecord;
  /** A change that was kept, taken back or rejected. */
  readonly trial: TrialRecord;
  /** A fault, looked for and cured or still open. */
  readonly fault: FaultRecord;
}
export type RecordKind = keyof RecordData;

/** What each kind belongs to; undefined for what stands by itself. The names alone: their schemas are for whoever keeps them. */
export const RECORD_PARENTS: { readonly [K in RecordKind]: RecordKind | undefined } = {
  'bench-run': undefined,
  'bench-entry': 'bench-run',
  'bench-sign': 'bench-run',
  ride: undefined,
  'ride-told': 'ride',
  charge: undefined,
  upkeep: undefined,
  trial: undefined,
  fault: undefined,
};

export const isRecordKind = (word: string): word is RecordKind => Object.hasOwn(RECORD_PARENTS, word);

/** A record as it was kept. */
export interface Kept<K extends RecordKind = RecordKind> {
  readonly key: string;
  readonly kind: K;
  /** Grows with every record of the server: their order. */
  readonly seq: number;
  /** When the server took it, ISO 8601 in UTC. */
  readonly at: string;
  /** The record that it belongs to; null for one that stands by itself. */
  readonly parent: string | null;
  readonly data: RecordData[K];
}
