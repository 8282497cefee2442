import { describe, expect, it } from 'vitest';
import { CHEMISTRIES } from '../document/chemistries.ts';
import { coldAgedCapacityAh, fullChargeVolts, peukertFactor, supplyAt, type Pack } from './battery.ts';

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

describe('capacity', () => {
  it('falls with age and cold', () => {
    expect(coldAgedCapacityAh(pack)).toBe(10);
    expect(coldAgedCapacityAh({ ...pack, health: 0.8 })).toBeCloseTo(8, 12);
    expect(coldAgedCapacityAh({ ...pack, temperatureC: -20 })).toBeCloseTo(6.2, 12);
    expect(coldAgedCapacityAh({ ...pack, temperatureC: 40 })).toBe(10);
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
