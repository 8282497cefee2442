import { describe, expect, it } from 'vitest';
import { newRide, type RideRecord, type RideTold } from '../road/ride-record.ts';
import type { Kept } from './record-kinds.ts';
import { readRecord } from './record.ts';
import { ridesOf } from './rides.ts';

const RIDE: RideRecord = newRide({
  kind: 'everyday',
  on: '2026-03-02',
  planVersion: 1,
  who: 'L. Ladder',
});
let seq = 0;
const ride = (key: string, more: Partial<RideRecord> = {}): Kept => {
  seq += 1;
  return {
    key,
    kind: 'ride',
    seq,
    at: `2026-03-02T10:00:0${String(seq % 10)}Z`,
    parent: null,
    data: { ...RIDE, ...more },
  };
};
const TOLD: RideTold = {
  planVersion: 1,
  road: 'none',
  windKnown: false,
  byVolts: false,
  standsIn: '',
  shownTimes: null,
  toldOff: 0,
  runInUnsaid: false,
  figures: [],
  causes: [],
};

describe('rides of a build', () => {
  it('stand as they were put right, under the key of their recording, the newest day first', () => {
    const told: Kept = { key: 't', kind: 'ride-told', seq: 9, at: '', parent: 'b2', data: TOLD };
    const rides = ridesOf([
      ride('a', { on: '2026-03-01' }),
      ride('b', { on: '2026-03-04', distanceKm: 4 }),
      ride('b2', { on: '2026-03-04', distanceKm: 5, corrects: 'b' }),
      ride('c'),
      ride('c2', { corrects: 'c', withdrawn: true }),
      told,
    ]);
    expect(rides.map((r) => [r.key, r.first, r.ride.distanceKm, r.corrected])).toEqual([
      ['b2', 'b', 5, 1],
      ['a', 'a', null, 0],
    ]);
    expect(rides[0]?.told).toEqual(TOLD);
  });

  it('are read by their schema: what is beyond all there is, and a withdrawal of nothing, is refused', () => {
    expect(readRecord('ride', RIDE).ok).toBe(true);
    expect(readRecord('ride', { ...RIDE, topKmh: 900 }).ok).toBe(false);
    expect(readRecord('ride', { ...RIDE, withdrawn: true }).ok).toBe(false);
    expect(readRecord('ride', { ...RIDE, on: '2026-02-30' }).ok).toBe(false);
    expect(readRecord('ride', { ...RIDE, extra: 1 }).ok).toBe(false);
  });
});
