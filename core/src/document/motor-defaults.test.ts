import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { DriveKind } from './choices.ts';
import type { MotorAsked } from './motor-asked.ts';
import { motorDefaults } from './motor-defaults.ts';
import { MOTOR_KINDS } from './motor-kinds.ts';

const NOTHING: MotorAsked = {
  kind: 'geared-hub',
  brushed: false,
  wheelRadius: 0.335,
  ratedPowerW: undefined,
  labelV: undefined,
  massKg: undefined,
  reduction: undefined,
  efficiency: undefined,
  kvRpmPerV: undefined,
  resistanceOhm: undefined,
  hysteresisNm: undefined,
  eddyNms: undefined,
  noLoadRpm: undefined,
  noLoadA: undefined,
  ratedRpm: undefined,
  ratedA: undefined,
  labelNm: undefined,
  brushV: undefined,
  batteryA: undefined,
};
const asked = (part: Partial<MotorAsked>): MotorAsked => ({ ...NOTHING, ...part });
const of = (part: Partial<MotorAsked>) => motorDefaults(asked(part));
const within = (value: number, expected: number, share: number): void => {
  expect(Math.abs(value / expected - 1)).toBeLessThan(share);
};

describe('a motor of which only the label is read', () => {
  // Worked by hand from the rules, which are derived and from memory; figures to the digits that were written down.
  it.each<[DriveKind, boolean, number, number, number, number, number, number, number]>([
    ['geared-hub', false, 250, 36, 2.8, 31.9, 0.376, 14, 35],
    ['geared-hub', false, 500, 48, 3.7, 34.9, 0.196, 14, 35],
    ['geared-hub', false, 750, 48, 4.4, 40.4, 0.111, 21, 52],
    ['geared-hub', false, 1500, 52, 5.8, 47.9, 0.049, 38, 95],
    ['direct-drive-hub', false, 500, 48, 5.0, 6.99, 0.517, 14, 35],
    ['direct-drive-hub', false, 1000, 48, 6.7, 8.97, 0.198, 28, 63],
    ['direct-drive-hub', false, 3000, 72, 10.3, 8.88, 0.097, 56, 97],
    ['mid-drive', false, 250, 36, 3.8, 84.4, 0.121, 14, 28],
    ['mid-drive', false, 750, 48, 5.3, 57.2, 0.148, 21, 41],
    ['mid-drive', false, 1500, 52, 6.6, 78.1, 0.055, 38, 53],
    ['external', false, 1000, 36, 1.15, 142, 0.04, 37, 68],
    ['external', false, 3000, 44, 2.4, 98.6, 0.025, 91, 98],
    ['external', true, 250, 24, 2.7, 147, 0.172, 14, 17],
    ['external', true, 1000, 48, 5.8, 71.6, 0.204, 28, 33],
  ])('%s, brushed %s, %s W %s V', (kind, brushed, ratedPowerW, labelV, kg, kv, ohm, ib, iph) => {
    const it = of({ kind, brushed, ratedPowerW, labelV });
    within(it.massKg.value, kg, 0.02);
    within(it.kvRpmPerV.value, kv, 0.005);
    within(it.resistanceOhm.value, ohm, 0.02);
    within(it.batteryA.value, ib, 0.02);
    within(it.phaseA.value, iph, 0.02);
  });

  it('shares its copper: R follows Kv and mass', () => {
    // Worked by hand from R = Kt^2 / Km^2.
    expect(of({ massKg: 4.2, kvRpmPerV: 42 }).resistanceOhm.value).toBeCloseTo(0.11, 4);
    expect(of({ massKg: 2.8, kvRpmPerV: 32 }).resistanceOhm.value).toBeCloseTo(0.3724, 3);
    const direct = { kind: 'direct-drive-hub' } as const;
    expect(of({ ...direct, massKg: 9.4, kvRpmPerV: 9 }).resistanceOhm.value).toBeCloseTo(0.1105, 4);
    expect(of({ ...direct, massKg: 6.8, kvRpmPerV: 9.5 }).resistanceOhm.value).toBeCloseTo(0.1701, 4);
    expect(of({ kind: 'external', massKg: 1.9, kvRpmPerV: 130 }).resistanceOhm.value).toBeCloseTo(0.0206, 4);
  });

  it('is wound faster for a small wheel, and weighs what such a hub weighs', () => {
    const small = of({ kind: 'direct-drive-hub', ratedPowerW: 250, labelV: 36, wheelRadius: 0.24 });
    const large = of({ kind: 'direct-drive-hub', ratedPowerW: 250, labelV: 36, wheelRadius: 0.335 });
    within(small.kvRpmPerV.value / large.kvRpmPerV.value, 0.335 / 0.24, 1e-9);
    expect(small.massKg.value).toBeLessThan(4);
    expect(small.windingHeatJK.value).toBeLessThan(900);
  });

  it('has no reduction where a can drives a chain, unless told', () => {
    expect(of({ kind: 'external' }).reduction.value).toBe(1);
    expect(of({ kind: 'external', reduction: 3 }).reduction.value).toBe(3);
  });
});

describe('a motor with more on its label', () => {
  it('with both points of a brushed motor gives its winding and constant', () => {
    // Worked by hand: 24 V, 2.0 A at 3300 rpm, 13.7 A at 2750 rpm, 1.2 V in the brushes.
    const it = of({
      kind: 'external',
      brushed: true,
      labelV: 24,
      noLoadRpm: 3300,
      noLoadA: 2,
      ratedRpm: 2750,
      ratedA: 13.7,
    });
    expect(60 / (2 * Math.PI * it.kvRpmPerV.value)).toBeCloseTo(0.06415, 4);
    expect(it.resistanceOhm.value).toBeCloseTo(0.316, 3);
    const w0 = (3300 * Math.PI) / 30;
    expect(it.hysteresisNm.value + it.eddyNms.value * w0).toBeCloseTo(0.06415 * 2, 4);
  });

  it('has of two drags, one of them known, the rest of what its amps without load leave', () => {
    const label = { kind: 'geared-hub', ratedPowerW: 500, labelV: 48, noLoadRpm: 300, noLoadA: 0.9 } as const;
    const both = of(label);
    const w0 = ((300 * Math.PI) / 30) * both.reduction.value;
    const amps = (it: typeof both): number =>
      ((it.hysteresisNm.value + it.eddyNms.value * w0) * 2 * Math.PI * it.kvRpmPerV.value) / 60;
    expect(amps(both)).toBeCloseTo(0.9, 9);
    for (const share of [0.8, 1.2]) {
      expect(amps(of({ ...label, eddyNms: share * both.eddyNms.value }))).toBeCloseTo(0.9, 9);
      expect(amps(of({ ...label, hysteresisNm: share * both.hysteresisNm.value }))).toBeCloseTo(0.9, 9);
    }
    // Where the two contradict each other it is as far off as such motors are, and not nothing.
    within(
      of({ ...label, eddyNms: 3 * both.eddyNms.value }).hysteresisNm.value,
      0.375 * both.hysteresisNm.value,
      0.1,
    );
    within(of({ ...label, hysteresisNm: 0 }).eddyNms.value, 1.75 * both.eddyNms.value, 0.1);
  });

  it('turns at its no-load speed at its own volts and no faster', () => {
    const it = of({ kind: 'geared-hub', ratedPowerW: 500, labelV: 48, noLoadRpm: 328 });
    const kt = 60 / (2 * Math.PI * it.kvRpmPerV.value);
    const w0 = ((328 * Math.PI) / 30) * it.reduction.value;
    const amps = (it.hysteresisNm.value + it.eddyNms.value * w0) / kt;
    expect(kt * w0 + amps * it.resistanceOhm.value + 0.3).toBeCloseTo(48, 6);
  });

  it('takes its phase amps from its N m', () => {
    const it = of({ ratedPowerW: 750, labelV: 48, labelNm: 65 });
    const kt = 60 / (2 * Math.PI * it.kvRpmPerV.value);
    expect(
      (kt * it.phaseA.value - it.hysteresisNm.value) * it.reduction.value * it.efficiency.value,
    ).toBeCloseTo(65, 6);
  });

  it('holds its phase amps to what the controller has: 80 A of battery are 200 A of phase, as the iron allows', () => {
    const it = of({ kind: 'direct-drive-hub', ratedPowerW: 5000, labelV: 72, batteryA: 80 });
    expect(it.phaseA.value).toBeGreaterThan(130);
  });

  it('does not take the pack’s volts for its own', () => {
    expect(of({ ratedPowerW: 250 }).labelV.value).toBe(36);
    expect(of({ ratedPowerW: 3000 }).labelV.value).toBe(72);
  });
});

const KINDS = ['geared-hub', 'direct-drive-hub', 'mid-drive', 'external'] as const;
const maybe = (min: number, max: number): fc.Arbitrary<number | undefined> =>
  fc.option(fc.double({ min, max, noNaN: true }), { nil: undefined });

describe('whatever is known', () => {
  it('two windings of one motor give the same force, loss and turns at volts in proportion (property)', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...KINDS),
        fc.double({ min: 1, max: 15, noNaN: true }),
        fc.double({ min: 5, max: 150, noNaN: true }),
        fc.double({ min: 1.1, max: 3, noNaN: true }),
        (kind, massKg, kv, times) => {
          const [slow, fast] = [
            of({ kind, massKg, kvRpmPerV: kv }),
            of({ kind, massKg, kvRpmPerV: kv * times }),
          ];
          // Amps in proportion to Kv give the same torque, and the same loss in the copper.
          within(fast.resistanceOhm.value * times ** 2, slow.resistanceOhm.value, 1e-9);
          expect(fast.hysteresisNm.value).toBe(slow.hysteresisNm.value);
          expect(fast.windingHeatJK.value).toBe(slow.windingHeatJK.value);
        },
      ),
    );
  });

  it('every value is finite and above nothing, and says how it follows (property)', () => {
    fc.assert(
      fc.property(
        fc.record({
          kind: fc.constantFrom(...KINDS),
          brushed: fc.boolean(),
          wheelRadius: fc.double({ min: 0.1, max: 0.4, noNaN: true }),
          ratedPowerW: maybe(10, 20000),
          labelV: maybe(5, 200),
          massKg: maybe(0.5, 40),
          kvRpmPerV: maybe(1, 500),
          resistanceOhm: maybe(0.002, 5),
          noLoadRpm: maybe(30, 10000),
          noLoadA: maybe(0.05, 30),
          ratedRpm: maybe(30, 10000),
          ratedA: maybe(0.5, 300),
          labelNm: maybe(0.2, 400),
          batteryA: maybe(1, 500),
        }),
        (part) => {
          for (const [key, { value, how }] of Object.entries(of(part))) {
            expect(Number.isFinite(value), key).toBe(true);
            if (key !== 'brushV') expect(value, key).toBeGreaterThan(0);
            expect(typeof how()).toBe('string');
          }
        },
      ),
      { numRuns: 500 },
    );
  });

  it('every kind has values of its own', () => {
    const kinds = Object.values(MOTOR_KINDS);
    expect(new Set(kinds.map((k) => k.km2)).size).toBe(kinds.length);
  });
});
