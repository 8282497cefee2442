import { describe, expect, it } from 'vitest';
import { CHEMISTRIES } from '../document/chemistries.ts';
import {
  fullChargeVolts,
  leastCharge,
  packWarmed,
  peukertFactor,
  supplyAt,
  wholeCapacityAh,
  type Pack,
} from './battery.ts';

const pack: Pack = {
  chemistry: 'nmc',
  cellsInSeries: 13,
  capacityAh: 10,
  health: 1,
  wiringOhm: 0.02,
  temperatureC: 25,
};
const lead: Pack = { ...pack, chemistry: 'lead-acid', cellsInSeries: 24, capacityAh: 20 };

describe('volts', () => {
  // Common practice and every data sheet: 4.20 V a lithium cell, 3.65 V iron phosphate.
  it('at full charge are 42.0 V for ten cells and 54.6 V for thirteen', () => {
    expect(fullChargeVolts({ ...pack, cellsInSeries: 10 })).toBeCloseTo(42, 12);
    expect(fullChargeVolts(pack)).toBeCloseTo(54.6, 12);
    expect(fullChargeVolts({ ...pack, chemistry: 'lfp', cellsInSeries: 16 })).toBeCloseTo(58.4, 12);
  });

  it('of four lead-acid blocks at rest lie between 48 and 52.5 V over the upper charge (common practice)', () => {
    for (const charge of [0.6, 0.8, 1]) {
      const volts = supplyAt(lead, charge).openVolts;
      expect(volts).toBeGreaterThan(48);
      expect(volts).toBeLessThan(52.5);
    }
  });

  it('of a lithium cell at 60 % are about 3.79 V (common practice, no source)', () => {
    expect(supplyAt({ ...pack, cellsInSeries: 1 }, 0.6).openVolts).toBeCloseTo(3.79, 1);
  });

  it.each(['nmc', 'lfp', 'lead-acid'] as const)('of %s only rise with the charge', (chemistry) => {
    let before = 0;
    for (let charge = 0; charge <= 1.0001; charge += 0.01) {
      const { openVolts } = supplyAt({ ...pack, chemistry }, charge);
      expect(openVolts).toBeGreaterThan(before);
      before = openVolts;
    }
  });

  it('at rest never exceed the end of charge', () => {
    for (const [name, data] of Object.entries(CHEMISTRIES)) {
      expect(data.openCircuit.at(-1), name).toBeLessThanOrEqual(data.fullV);
      expect(data.openCircuit).toHaveLength(11);
    }
  });
});

describe('resistance', () => {
  it('at half charge and 25 C is S x ohm Ah / Ah plus the leads, hand-worked', () => {
    // 13 x 0.110 / 10 + 0.020 = 0.163 ohm
    expect(supplyAt(pack, 0.5).ohm).toBeCloseTo(0.163, 9);
  });

  it('halves with twice the capacity, leads apart', () => {
    const cells = (capacityAh: number): number => supplyAt({ ...pack, capacityAh, wiringOhm: 0 }, 0.5).ohm;
    expect(cells(20)).toBeCloseTo(cells(10) / 2, 12);
  });

  it('grows in the cold, with age and near empty', () => {
    const base = supplyAt(pack, 0.5).ohm;
    expect(supplyAt({ ...pack, temperatureC: 0 }, 0.5).ohm).toBeGreaterThan(base * 1.5);
    expect(supplyAt({ ...pack, health: 0.75 }, 0.5).ohm).toBeGreaterThan(base * 1.5);
    expect(supplyAt(pack, 0.05).ohm).toBeGreaterThan(base * 1.3);
  });
});

/** Amp-hours at a constant current until the terminals are at 3.1 V a cell or the rest is out of reach. */
function given(one: Pack, amps: number): { ah: number; endC: number } {
  let [charge, cellC, ah] = [1, one.temperatureC, 0];
  const dt = 10;
  for (;;) {
    const { openVolts, ohm } = supplyAt(one, charge, cellC);
    if (openVolts - amps * ohm < 3.1 * one.cellsInSeries || charge <= leastCharge(one.chemistry, cellC))
      return { ah, endC: cellC };
    charge -= (amps * dt) / 3600 / wholeCapacityAh(one);
    ah += (amps * dt) / 3600;
    cellC = packWarmed(one, cellC, amps * amps * (ohm - one.wiringOhm), dt);
  }
}

describe('capacity', () => {
  it('falls with age; what the cold holds back is left in it', () => {
    expect(wholeCapacityAh(pack)).toBe(10);
    expect(wholeCapacityAh({ ...pack, health: 0.8 })).toBeCloseTo(8, 12);
    expect(wholeCapacityAh({ ...pack, temperatureC: -20 })).toBe(10);
    expect(leastCharge('nmc', -20)).toBeCloseTo(0.25, 12);
    expect(leastCharge('lead-acid', 0)).toBeCloseTo(0.19, 12);
    expect(leastCharge('lfp', 40)).toBe(0);
  });

  // Worked beforehand for cells without leads: amp-hours for each amp-hour, to 3.1 V.
  it.each([
    [-20, 0.2, 0.75],
    [-10, 0.2, 0.86],
    [0, 0.2, 0.93],
    [25, 0.2, 0.96],
    [-20, 1, 0.67],
    [-10, 1, 0.81],
    [0, 1, 0.87],
    [25, 1, 0.92],
  ])('of energy cells at %s °C and %s C is about %s of it', (temperatureC, rate, share) => {
    const cells: Pack = { ...pack, wiringOhm: 0, temperatureC };
    expect(given(cells, rate * 10).ah / 10).toBeCloseTo(share, 1.6);
  });

  // Worked beforehand: 13 cells in series of 13 Ah, 3.8 kg in a case of 0.146 m2, in air of -10 °C.
  it.each([
    [12, 'as cold as the air all the time', undefined, -10, 10.6],
    [12, 'stood outside and warming itself', 6, -10, 11.7],
    [12, 'kept indoors', 6, 18, 11.8],
    [20, 'as cold as the air all the time', undefined, -10, 7.4],
    [20, 'stood outside and warming itself', 6, -10, 11.3],
  ])('at %s A, %s, is what its own heat makes of it', (amps, _how, loss, temperatureC, ah) => {
    const warms = loss === undefined ? {} : { warms: { heatJK: 3.8 * 950, lossWK: loss * 0.146, airC: -10 } };
    const whole: Pack = { ...pack, capacityAh: 13, wiringOhm: 0.025, temperatureC, ...warms };
    expect(Math.abs(given(whole, amps).ah / ah - 1)).toBeLessThan(0.06);
  });

  it('warms to its end with its own time constant', () => {
    const warms = { heatJK: 3610, lossWK: 0.876, airC: 0 };
    const one = { ...pack, warms };
    // 12 A in 0.11 ohm are 15.84 W: 18 K in the end; after one time constant 63 % of it.
    expect(packWarmed(one, 0, 15.84, 1e6)).toBeCloseTo(18.08, 2);
    expect(packWarmed(one, 0, 15.84, 3610 / 0.876)).toBeCloseTo(18.08 * (1 - Math.exp(-1)), 2);
    expect(packWarmed(pack, 7, 100, 1000)).toBe(7);
  });
});

describe('Peukert (1897)', () => {
  it('hand-worked: 20 Ah at 20 A, exponent 1.2, is 20 times the 20 h rate: 20^0.2 = 1.8206', () => {
    expect(peukertFactor(lead, 20)).toBeCloseTo(1.8206, 4);
  });

  it('does nothing at or below the 20 h rate, and nothing to lithium', () => {
    expect(peukertFactor(lead, 1)).toBe(1);
    expect(peukertFactor(lead, 0.2)).toBe(1);
    expect(peukertFactor(pack, 60)).toBe(1);
  });
});
