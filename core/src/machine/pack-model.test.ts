import { describe, expect, it } from 'vitest';
import { CHEMISTRIES } from '../document/chemistries.ts';
import { chemistry } from '../document/choices.ts';
import { fullChargeVolts, peukertFactor, coldFactor, supplyAt, type Pack } from './battery.ts';
import { chargeRate, packModel, readSupply } from './pack-model.ts';

const pack = (of: Pack['chemistry']): Pack => ({
  chemistry: of,
  cellsInSeries: 13,
  capacityAh: 14,
  health: 0.9,
  wiringOhm: 0.03,
  temperatureC: -4,
});

describe('a pack made ready', () => {
  it.each(chemistry.options)('of %s says at every charge what the pack says', (of) => {
    const model = packModel(pack(of));
    const out = { openVolts: 0, ohm: 0 };
    for (let charge = -0.05; charge <= 1.05; charge += 0.0137) {
      const exact = supplyAt(pack(of), Math.max(0, Math.min(1, charge)));
      readSupply(model, charge, coldFactor(of, -4), out);
      expect(out.openVolts).toBeCloseTo(exact.openVolts, 9);
      expect(out.ohm).toBeCloseTo(exact.ohm, 9);
    }
    expect(model.fullVolts).toBe(fullChargeVolts(pack(of)));
    expect(model.fullVolts).toBeCloseTo(13 * CHEMISTRIES[of].fullV, 9);
  });

  it('is empty when its capacity has flowed, whatever its temperature', () => {
    const warm = packModel({ ...pack('nmc'), temperatureC: 25 });
    expect(chargeRate(warm, 14 * 0.9) * 3600).toBeCloseTo(1, 9);
    // The cold takes nothing away: it puts the last of the charge out of reach.
    expect(chargeRate(packModel(pack('nmc')), 14 * 0.9) * 3600).toBeCloseTo(1, 9);
  });

  it('counts Peukert’s law on the way out, and not on the way in', () => {
    const lead = packModel(pack('lead-acid'));
    const twice = chargeRate(lead, 14) / chargeRate(lead, 7);
    expect(twice).toBeCloseTo(
      (2 * peukertFactor(pack('lead-acid'), 14)) / peukertFactor(pack('lead-acid'), 7),
      9,
    );
    expect(twice).toBeGreaterThan(2.2);
    expect(chargeRate(lead, -14) / chargeRate(lead, -7)).toBeCloseTo(2, 9);
  });
});
