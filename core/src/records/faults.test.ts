import { describe, expect, it } from 'vitest';
import type { FaultRecord } from '../road/faults/fault-record.ts';
import { curesOf, faultSays, faultsOf, withoutCopies } from './faults.ts';
import { readRecord } from './record.ts';
import type { Kept } from './record-kinds.ts';

const FAULT: FaultRecord = {
  on: '2026-03-02',
  who: 'L. Ladder',
  symptom: 'jerks',
  told: 'in the rain, up Crate Lane',
  answers: [{ look: 'hall-lines', says: 'no' }],
  cause: 'hall-line',
  cure: 'green line pushed back into its plug',
  km: 212,
  paid: null,
  planVersion: 3,
  corrects: null,
};
let seq = 0;
const kept = (key: string, more: Partial<FaultRecord> = {}): Kept => {
  seq += 1;
  return { key, kind: 'fault', seq, at: '2026-03-02T10:00:00Z', parent: null, data: { ...FAULT, ...more } };
};

describe('faults of a build', () => {
  const records = [
    kept('a', { cause: 'open', cure: '' }),
    kept('b'),
    kept('c', { corrects: 'a', cause: 'motor-plug', cure: 'plug replaced' }),
    kept('d', { cause: 'other', cure: 'a stick in the spokes' }),
    kept('e', { cause: 'open', cure: '' }),
  ];

  it('stand the last first; one that was closed stands as the record that closed it', () => {
    expect(faultsOf(records).map((f) => f.key)).toEqual(['e', 'd', 'c', 'b']);
    expect(faultsOf([])).toEqual([]);
  });

  it('move the ranking once they are cured, not while they are open', () => {
    expect(curesOf(faultsOf(records))).toEqual([
      { symptom: 'jerks', cause: 'other' },
      { symptom: 'jerks', cause: 'motor-plug' },
      { symptom: 'jerks', cause: 'hall-line' },
    ]);
  });

  it('count once where a job was taken in twice, and twice where it happened again', () => {
    const twice = faultsOf([kept('a'), kept('copy of a'), kept('b', { on: '2026-05-09' })]);
    expect(withoutCopies(twice).map((f) => f.fault.on)).toEqual(['2026-05-09', '2026-03-02']);
    const closed = faultsOf([kept('c', { corrects: 'x' }), kept('d', { corrects: 'copy of x' })]);
    expect(withoutCopies(closed)).toHaveLength(1);
  });

  it('are found again by words in any order, of what was told, found or done', () => {
    expect(faultSays(FAULT, ['Jerks', 'Choir tandem'], 'GREEN plug')).toBe(true);
    expect(faultSays(FAULT, ['Jerks', 'Choir tandem'], 'tandem rain')).toBe(true);
    expect(faultSays(FAULT, ['Jerks'], 'tandem')).toBe(false);
    expect(faultSays(FAULT, [], '')).toBe(true);
  });

  it('are read by their schema: a cure is told unless it is open', () => {
    expect(readRecord('fault', FAULT).ok).toBe(true);
    expect(readRecord('fault', { ...FAULT, cure: ' ' }).ok).toBe(false);
    expect(readRecord('fault', { ...FAULT, cause: 'open', cure: '' }).ok).toBe(true);
    expect(readRecord('fault', { ...FAULT, symptom: 'sad' }).ok).toBe(false);
    expect(readRecord('fault', { ...FAULT, who: ' ' }).ok).toBe(false);
    expect(readRecord('fault', { ...FAULT, on: '2026-02-30' }).ok).toBe(false);
    expect(readRecord('fault', { ...FAULT, answers: [{ look: 'x', says: 'perhaps' }] }).ok).toBe(false);
    expect(readRecord('fault', { ...FAULT, extra: 1 }).ok).toBe(false);
  });
});
