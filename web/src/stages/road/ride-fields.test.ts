import { describe, expect, it } from 'vitest';
import { newRide } from '@apple-cart/core';
import { readingOf, rideFrom, typedFrom } from './ride-fields.ts';

const RIDE = newRide({
  kind: 'range',
  on: '2026-03-02',
  planVersion: 3,
  who: 'L. Ladder',
  title: 'Market run',
  route: 'market-run',
  distanceKm: 22,
  minutes: 66,
  energyWh: 354,
  voltsBefore: 54.2,
  airC: 11,
  note: 'two crates',
});
const again = (was: typeof RIDE, system: 'metric' | 'imperial') =>
  rideFrom(
    typedFrom(was, system),
    { planVersion: was.planVersion, who: was.who, corrects: 'a', was },
    system,
  );

describe('a ride as it is typed', () => {
  it('is the same ride again once it is put right without a change, in either units', () => {
    expect(again(RIDE, 'metric')).toEqual({ ...RIDE, corrects: 'a' });
    const imperial = again(RIDE, 'imperial');
    // Typed in miles with two decimals.
    expect(imperial.distanceKm).toBeCloseTo(22, 1);
    expect(imperial.airC).toBeCloseTo(11, 0);
    expect(imperial.energyWh).toBe(354);
  });

  it('stays a stand-in’s where a stand-in rode it, and a part of its recording where it was cut', () => {
    const was = { ...RIDE, simulated: true, cutFromS: 60, cutToS: 4000 };
    expect(again(was, 'metric')).toMatchObject({ simulated: true, cutFromS: 60, cutToS: 4000 });
    const fresh = rideFrom(
      typedFrom(RIDE, 'metric'),
      { planVersion: 1, who: 'R.', corrects: null },
      'metric',
    );
    expect(fresh).toMatchObject({ simulated: false, cutFromS: null, cutToS: null });
  });

  it('reads a comma and a minus as people write them, and nothing out of its span', () => {
    expect(readingOf('airC', '−4,5', 'metric')).toBe(-4.5);
    expect(readingOf('distanceKm', ' 12,3 ', 'metric')).toBeCloseTo(12.3, 9);
    expect(readingOf('distanceKm', '', 'metric')).toBeNull();
    for (const odd of ['-3', 'far', '1e9', 'NaN'])
      expect(readingOf('distanceKm', odd, 'metric')).toBeUndefined();
    expect(readingOf('windMs', '3', 'metric')).toBe(3);
  });
});
