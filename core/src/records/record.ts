import type * as z from 'zod';
import {
  benchEntry,
  benchRun,
  benchSign,
  type BenchEntry,
  type BenchRun,
  type BenchSign,
} from '../workshop/bench/entry.ts';
import {
  chargeRecord,
  rideRecord,
  rideTold,
  upkeepRecord,
  type ChargeRecord,
  type RideRecord,
  type RideTold,
  type UpkeepRecord,
} from '../road/ride-record.ts';
import { trialRecord, type TrialRecord } from '../workshop/trials/trial.ts';
import { readBy } from '../quantity/zod-issues.ts';
import type { Result } from '../quantity/result.ts';

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
}
export type RecordKind = keyof RecordData;

/** How each kind is read, and what it belongs to. */
export const RECORD_KINDS: {
  readonly [K in RecordKind]: {
    readonly schema: z.ZodType<RecordData[K]>;
    readonly parent: RecordKind | undefined;
  };
} = {
  'bench-run': { schema: benchRun, parent: undefined },
  'bench-entry': { schema: benchEntry, parent: 'bench-run' },
  'bench-sign': { schema: benchSign, parent: 'bench-run' },
  ride: { schema: rideRecord, parent: undefined },
  'ride-told': { schema: rideTold, parent: 'ride' },
  charge: { schema: chargeRecord, parent: undefined },
  upkeep: { schema: upkeepRecord, parent: undefined },
  trial: { schema: trialRecord, parent: undefined },
};

export const isRecordKind = (word: string): word is RecordKind => Object.hasOwn(RECORD_KINDS, word);

/** Validates what is to be kept. */
export const readRecord = <K extends RecordKind>(kind: K, data: unknown): Result<RecordData[K]> =>
  readBy(RECORD_KINDS[kind].schema, data);

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
