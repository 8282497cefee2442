import type * as z from 'zod';
import { benchEntry, benchRun, benchSign } from '../workshop/bench/entry.ts';
import { chargeRecord, rideRecord, rideTold, upkeepRecord } from '../road/ride-record.ts';
import { faultRecord } from '../road/faults/fault-record.ts';
import { trialRecord } from '../workshop/trials/trial.ts';
import { readBy } from '../quantity/zod-issues.ts';
import type { Result } from '../quantity/result.ts';
import type { RecordData, RecordKind } from './record-kinds.ts';

/** How each kind is read. */
const RECORD_SCHEMAS: { readonly [K in RecordKind]: z.ZodType<RecordData[K]> } = {
  'bench-run': benchRun,
  'bench-entry': benchEntry,
  'bench-sign': benchSign,
  ride: rideRecord,
  'ride-told': rideTold,
  charge: chargeRecord,
  upkeep: upkeepRecord,
  trial: trialRecord,
  fault: faultRecord,
};

/** Validates what is to be kept. */
export const readRecord = <K extends RecordKind>(kind: K, data: unknown): Result<RecordData[K]> =>
  readBy(RECORD_SCHEMAS[kind], data);
