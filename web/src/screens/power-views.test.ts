import { describe, expect, it } from 'vitest';
import { QUANTITY_PATHS, stageOf } from '@apple-cart/core';
import { POWER_VIEWS, viewOf } from './power-views.ts';

describe('the view of a quantity', () => {
  it('is one of the power stage’s for everything that is entered there', () => {
    const ids: readonly string[] = POWER_VIEWS.map((v) => v.id);
    for (const path of QUANTITY_PATHS) {
      if (stageOf(path) === 'power') expect(ids, path).toContain(viewOf(path));
    }
  });

  it('follows what it is about', () => {
    expect(viewOf('cabling.leadMm2')).toBe('current');
    expect(viewOf('packs.0.charger.volts')).toBe('charge');
    expect(viewOf('joining.ratedA')).toBe('packs');
    expect(viewOf('packs.2.charger.volts')).toBe('charge');
    expect(viewOf('packs.1.capacityAh')).toBe('pack');
    expect(viewOf('supply.ratedW')).toBe('lights');
    expect(viewOf('packs.0.cell.parallel')).toBe('pack');
    expect(viewOf('controller.batteryCurrentA')).toBe('pack');
    expect(viewOf('controller.ratedV')).toBe('current');
  });
});
