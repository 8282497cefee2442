import { describe, expect, it } from 'vitest';
import { newRide } from '@apple-cart/core';
import { NOTHING_TYPED, readingOf, rideFrom, typedFrom } from './ride-fields.ts';
import { NOTHING_ON_THE_WAY, wayTroubles } from './way-fields.ts';

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
  way: [
    { km: 6, restV: 52.4, gauge: 4, windingC: null },
    { km: 15.5, restV: 49.1, gauge: 2, windingC: 61 },
  ],
  gaugeOf: 5,
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
    expect(imperial.way.map((w) => w.gauge)).toEqual([4, 2]);
    expect(imperial.way[1]?.km).toBeCloseTo(15.5, 1);
    expect(imperial.way[1]?.windingC).toBeCloseTo(61, 0);
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

describe('stops on the way, as they are typed', () => {
  const typed = (way: readonly Partial<typeof NOTHING_ON_THE_WAY>[], more: object = {}) => ({
    ...NOTHING_TYPED(),
    kind: 'range' as const,
    way: way.map((stop) => ({ ...NOTHING_ON_THE_WAY, ...stop })),
    gaugeOf: '5',
    ...more,
  });
  const troubles = (of: ReturnType<typeof typed>, km: number | null = 20) => wayTroubles(of, km, 'metric');

  it('says at its place what cannot be read', () => {
    const odd = typed([
      { km: '5', gauge: '4' },
      { restV: '50' },
      { km: '30' },
      { km: '6', restV: 'fifty' },
      {},
    ]);
    expect(troubles(odd).stops).toEqual([
      undefined,
      'After how far was it?',
      'It lies beyond the end of the ride.',
      'At rest: a number from 5 to 150.',
      undefined,
    ]);
    expect(troubles(odd, null).stops[2]).toBeUndefined();
    expect(troubles(typed([{ km: '5', gauge: '6' }])).gauge).toMatch(/showed more/);
    expect(troubles(typed([], { gaugeOf: '4.5' })).gauge).toMatch(/whole number/);
    expect(troubles(typed([{ km: '5', gauge: '60' }], { gaugeOf: '' })).gauge).toBeUndefined();
  });

  it('are kept in their order, without empty lines, and of no ride on which nobody stops', () => {
    const from = (of: ReturnType<typeof typed>) =>
      rideFrom(of, { planVersion: 1, who: 'R.', corrects: null }, 'metric');
    const stops = [{ km: '12,5', gauge: '2' }, {}, { km: '4', restV: '53.1' }];
    expect(from(typed(stops)).way).toEqual([
      { km: 4, restV: 53.1, gauge: null, windingC: null },
      { km: 12.5, restV: null, gauge: 2, windingC: null },
    ]);
    const top = typed([{ km: '30', restV: 'x' }], { kind: 'top-speed', gaugeOf: 'x' });
    expect(from(top)).toMatchObject({ way: [], gaugeOf: null });
    expect(troubles(top)).toEqual({ stops: [], gauge: undefined });
  });
});
