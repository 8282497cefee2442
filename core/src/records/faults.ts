import { OPEN_FAULT, type FaultRecord } from '../road/faults/fault-record.ts';
import type { Cured } from '../road/faults/fault-tree.ts';
import type { Kept } from './record-kinds.ts';

/** A fault as it stands now. */
export interface FaultKept {
  readonly key: string;
  /** When the server took it; empty while it has not. */
  readonly at: string;
  readonly fault: FaultRecord;
}

const is = (record: Kept): record is Kept<'fault'> => record.kind === 'fault';

/** Faults of a build, or of many, the last first; one that was put right or closed stands as the record that did so. */
export function faultsOf(records: readonly Kept[]): readonly FaultKept[] {
  const all = records.filter(is);
  const replaced = new Set(all.map((r) => r.data.corrects));
  return all
    .filter((r) => !replaced.has(r.key))
    .map(({ key, at, data }) => ({ key, at, fault: data }))
    .toReversed();
}

/** Each fault once: a job that is taken in again, or copied with its records, tells the same ones a second time. */
export function withoutCopies<T extends { readonly fault: FaultRecord }>(faults: readonly T[]): readonly T[] {
  const told = new Set<string>();
  return faults.filter(({ fault }) => {
    // Keys are made anew where records are taken in.
    const words = JSON.stringify({ ...fault, corrects: null });
    const isNew = !told.has(words);
    told.add(words);
    return isNew;
  });
}

/** Those that were cured, as far as they move the ranking. */
export const curesOf = (faults: readonly FaultKept[]): readonly Cured[] =>
  faults
    .filter(({ fault }) => fault.cause !== OPEN_FAULT)
    .map(({ fault: { symptom, cause } }) => ({ symptom, cause }));

/** Whether a fault is told by some words: every word stands somewhere in it, in any order. */
export function faultSays(fault: FaultRecord, more: readonly string[], words: string): boolean {
  const text = [fault.told, fault.cure, fault.who, fault.on, ...more].join(' ').toLowerCase();
  return words
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}
