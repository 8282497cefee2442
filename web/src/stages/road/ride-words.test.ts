import { dayShort } from '../../state/today.ts';
import { describe, expect, it } from 'vitest';
import {
  newRide,
  trueTopKmh,
  whPerKm,
  type RideFigure,
  type RideKept,
  type RideTold,
} from '@apple-cart/core';
import { dayWords, figureText, offWords, rideStands, saysWords } from './ride-words.ts';

const figure = (
  id: RideFigure['id'],
  measured: number,
  plan: number,
  low: number,
  high: number,
): RideFigure => ({ id, measured, plan, low, high });
const ride = (changes: object = {}) =>
  newRide({
    kind: 'everyday',
    on: '2026-03-02',
    title: 'A ride',
    planVersion: 1,
    pedalled: 'yes',
    who: 'R.',
    simulated: false,
    ...changes,
  });
const told = (figures: readonly RideFigure[], changes: object = {}): RideTold =>
  ({ figures, windKnown: true, standsIn: '', road: 'route', ...changes }) as unknown as RideTold;

const SURE = { windKnown: true, standsIn: '' };

describe('by how much a ride is off', () => {
  it('is a share of the plan for energy and time, a difference for speed, volts and heat', () => {
    expect(offWords(figure('per-km', 12.72, 12, 10, 13), 'metric')).toBe('+6 %');
    expect(offWords(figure('minutes', 58.2, 60, 55, 66), 'metric')).toBe('−3 %');
    expect(offWords(figure('top', 24.2, 24.5, 24, 25), 'metric')).toMatch(/^−0\.3\skm\/h$/);
    expect(offWords(figure('volts-after', 49.1, 49.1, 48, 50), 'metric')).toMatch(/^0\.0\sV$/);
  });

  it('tells a difference of temperature without the zero of the scale (by hand: 10 K are 18 °F)', () => {
    expect(offWords(figure('winding', 80, 70, 60, 85), 'metric')).toBe('+10 K');
    expect(offWords(figure('winding', 80, 70, 60, 85), 'imperial')).toBe('+18 °F');
    // The temperature itself has it: 80 °C are 176 °F.
    expect(figureText('winding', 80, 'imperial').text).toBe('176');
  });
});

describe('how the plan stands by a ride', () => {
  const stands = (figures: readonly RideFigure[], changes: object = {}, kind = 'everyday') =>
    rideStands({ ride: ride({ kind }), told: told(figures, changes) }, 'metric');

  it('holds within a few hundredths, is hopeful where more was used, fearful where less was', () => {
    expect(stands([figure('per-km', 12.2, 12, 10, 13)]).title).toBe('The plan holds');
    expect(stands([figure('per-km', 13.5, 12, 11, 13)])).toMatchObject({
      state: 'look',
      off: '+13 %',
      title: 'The plan was 13 % hopeful',
    });
    expect(stands([figure('per-km', 10.8, 12, 10, 13)])).toMatchObject({
      state: 'fine',
      title: 'The plan was 10 % fearful',
    });
    expect(stands([figure('per-km', 20, 12, 11, 13)]).state).toBe('stop');
  });

  it('is never judged by the plan of a usual motor, and says so', () => {
    const usual = { standsIn: 'with a usual motor' };
    expect(stands([figure('per-km', 12.2, 12, 10, 13)], usual)).toMatchObject({
      state: 'unknown',
      off: 'no plan',
      title: '+2 % to a plan with a usual motor: nobody has read its own',
    });
    expect(saysWords(figure('energy', 300, 298, 250, 350), { ...SURE, ...usual })).toEqual({
      state: 'unknown',
      words: 'as planned, with a usual motor',
    });
  });

  it('is never judged without a word about the wind, without a road, or by a coast-down', () => {
    expect(stands([figure('per-km', 12.2, 12, 10, 13)], { windKnown: false })).toMatchObject({
      state: 'unknown',
      off: 'no wind',
    });
    expect(stands([], { road: 'none' }).title).toBe('No road to hold it against');
    expect(stands([], {}).title).toBe('Nothing was read that the plan says');
    expect(stands([], { windKnown: false }).title).toBe('Nobody noted the wind');
    expect(stands([figure('per-km', 12, 12, 11, 13)], {}, 'coast-down')).toMatchObject({
      state: 'unknown',
      off: 'drag',
    });
    expect(rideStands({ ride: ride(), told: undefined }, 'metric').title).toBe(
      'The plan has not been asked yet',
    );
  });

  it('says of a figure whether it lies inside, only just, or far outside', () => {
    expect(saysWords(figure('energy', 300, 298, 250, 350), SURE).words).toBe('as planned, inside');
    // What is as planned is never outside: the controller holds a winding back to within a kelvin.
    expect(saysWords(figure('winding', 117, 116, 90, 116.2), SURE)).toEqual({
      state: 'fine',
      words: 'as planned, inside',
    });
    expect(saysWords(figure('winding', 120, 116, 90, 116.2), SURE).words).toBe('hopeful, outside');
    expect(saysWords(figure('energy', 348, 300, 250, 350), SURE).words).toBe('hopeful, inside, just');
    expect(saysWords(figure('energy', 380, 300, 250, 350), SURE)).toEqual({
      state: 'look',
      words: 'hopeful, outside',
    });
    expect(saysWords(figure('energy', 480, 300, 250, 350), SURE)).toEqual({
      state: 'stop',
      words: 'hopeful, far outside',
    });
    expect(saysWords(figure('energy', 380, 300, 250, 350), { ...SURE, windKnown: false })).toEqual({
      state: 'unknown',
      words: 'hopeful, wind not noted',
    });
  });
});

describe('a ride in a row', () => {
  it('has its watt-hours a km with what came back taken off, and none where either is not read', () => {
    expect(
      whPerKm({ ride: ride({ energyWh: 300, backWh: 20, distanceKm: 20 }), told: undefined }),
    ).toBeCloseTo(14, 9);
    expect(whPerKm({ ride: ride({ energyWh: 300 }), told: undefined })).toBeUndefined();
    expect(whPerKm({ ride: ride({ distanceKm: 20 }), told: undefined })).toBeUndefined();
    // A display that shows a tenth too much: the way was shorter, and it was slower.
    const shown = { ride: ride({ energyWh: 280, distanceKm: 20, topKmh: 40 }), told: { shownTimes: 0.9 } };
    expect(whPerKm(shown)).toBeCloseTo(280 / 18, 9);
    expect(trueTopKmh(shown)).toBeCloseTo(36, 9);
    expect(trueTopKmh({ ...shown, ride: ride() })).toBeUndefined();
  });

  it('has its day, with the year where it is another', () => {
    expect(dayShort('2026-03-02', '2026-11-28')).toBe('2 Mar');
    expect(dayShort('2025-03-02', '2026-11-28')).toBe('2 Mar 2025');
  });
});

describe('the day as it was noted', () => {
  const kept: RideKept = {
    key: 'r1',
    first: 'r1',
    at: '2026-03-02T12:00:00Z',
    corrected: 0,
    told: undefined,
    ride: ride({ airC: 10, windMs: 5, loadKg: 20 }),
  };

  it('stands in the units of the reader', () => {
    expect(dayWords(kept, 'metric')).toMatch(/^10\s°C; wind 5\sm\/s; dry; 20\skg carried; pedalled;/);
    expect(dayWords(kept, 'imperial')).toMatch(/^50\s°F; wind 11\smph; dry; 44\slb carried; pedalled;/);
  });
});
