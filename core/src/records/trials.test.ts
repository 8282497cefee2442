import { describe, expect, it } from 'vitest';
import type { TrialRecord } from '../workshop/trials/trial.ts';
import { readRecord } from './record.ts';
import type { Kept } from './record-kinds.ts';
import { changeStands, rejectionOf, trialsOf } from './trials.ts';

const TRIAL: TrialRecord = {
  on: '2026-03-02',
  who: 'L. Ladder',
  what: 'Ring 38 to 34 T',
  steps: ['ring/ring-34'],
  says: 'kept',
  reason: '',
  planVersion: 3,
  cost: 34,
  currency: 'GBP',
  before: null,
  after: null,
  corrects: null,
};
let seq = 0;
const kept = (key: string, more: Partial<TrialRecord> = {}): Kept => {
  seq += 1;
  return { key, kind: 'trial', seq, at: '2026-03-02T10:00:00Z', parent: null, data: { ...TRIAL, ...more } };
};

describe('trials of a build', () => {
  const records = [
    kept('a', { says: 'rejected', reason: 'spins out' }),
    kept('b'),
    kept('c', { says: 'undone', reason: '', corrects: 'b' }),
    kept('d', { what: 'backpack', steps: [], says: 'rejected', reason: 'warm, and heavy on the hill' }),
  ];

  it('stand the last first, and as the record says that put one right', () => {
    expect(trialsOf(records).map((t) => t.key)).toEqual(['d', 'c', 'a']);
  });

  it('say of a step why it was not kept, and nothing where nobody said why', () => {
    const trials = trialsOf(records);
    expect(rejectionOf(trials, 'ring/ring-34')?.reason).toBe('spins out');
    expect(rejectionOf(trials, 'ring/ring-30')).toBeUndefined();
    expect(rejectionOf(trialsOf([kept('e', { says: 'undone' })]), 'ring/ring-34')).toBeUndefined();
    expect(rejectionOf(trialsOf([kept('f')]), 'ring/ring-34')).toBeUndefined();
  });

  it('are counted for the work order', () => {
    expect(changeStands(trialsOf(records))?.words).toBe('1 taken back, 2 rejected');
    expect(changeStands([])).toBeUndefined();
  });

  it('are read by their schema: a rejection says why, a day is a day, and nothing else is in one', () => {
    expect(readRecord('trial', TRIAL).ok).toBe(true);
    expect(readRecord('trial', { ...TRIAL, says: 'rejected' }).ok).toBe(false);
    expect(readRecord('trial', { ...TRIAL, on: '' }).ok).toBe(false);
    expect(readRecord('trial', { ...TRIAL, who: ' ' }).ok).toBe(false);
    expect(readRecord('trial', { ...TRIAL, currency: 'quid' }).ok).toBe(false);
    expect(readRecord('trial', { ...TRIAL, extra: 1 }).ok).toBe(false);
    expect(readRecord('trial', { ...TRIAL, steps: Array.from({ length: 21 }, () => 'x') }).ok).toBe(false);
  });
});
