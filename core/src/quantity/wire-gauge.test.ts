import { describe, expect, it } from 'vitest';
import { conductorOhm } from '../document/conductors.ts';
import { awgAreaMm2, awgDiameterMm, gaugeText, nearestAwg } from './wire-gauge.ts';
import { parseQuantity } from './parse-quantity.ts';

// ASTM B258: gauge, diameter mm, area mm2; resistance of soft copper at 20 C, ohm/km, from the same table.
const TABLE = [
  [10, 2.588, 5.261, 3.277],
  [12, 2.053, 3.309, 5.211],
  [14, 1.628, 2.081, 8.286],
  [16, 1.291, 1.309, 13.17],
  [18, 1.024, 0.823, 20.95],
  [8, 3.264, 8.366, 2.061],
] as const;

describe('American wire gauge', () => {
  it.each(TABLE)(
    '%i has the diameter, area and resistance of ASTM B258',
    (gauge, diameter, area, ohmPerKm) => {
      expect(awgDiameterMm(gauge)).toBeCloseTo(diameter, 3);
      expect(Math.abs(awgAreaMm2(gauge) / area - 1)).toBeLessThan(5e-4);
      // The table has 1/58 ohm mm2/m as well; its rounding is half a unit of the fourth figure.
      expect(Math.abs(conductorOhm('copper', 1000, area) / ohmPerKm - 1)).toBeLessThan(2e-3);
      expect(nearestAwg(area)).toBe(gauge);
    },
  );

  it('is asked for at no less than the area, in the gauges that are sold', () => {
    // IEC 60228 areas; ASTM B258: 12 AWG 3.31 mm², 10 AWG 5.26, 1/0 53.5, 2/0 67.4, 4/0 107.
    const areas = [0.22, 1.5, 2.5, 3.3, 4, 6, 50, 60, 95, 500];
    expect(areas.map(gaugeText)).toEqual(
      ['22', '14', '12', '12', '10', '8', '1/0', '2/0', '4/0', '4/0'].map((gauge) => `${gauge} AWG`),
    );
  });

  it('is read from what is typed, beside square millimetres', () => {
    expect(parseQuantity('12 AWG', 'mm2')).toMatchObject({ ok: true, value: awgAreaMm2(12) });
    expect(parseQuantity('2.5 mm²', 'mm2')).toEqual({ ok: true, value: 2.5 });
    expect(parseQuantity('12 AWG', 'mm').ok).toBe(false);
  });

  it('runs the other way: a higher number is a thinner wire', () => {
    for (let n = 0; n < 30; n += 1) expect(awgAreaMm2(n)).toBeGreaterThan(awgAreaMm2(n + 1));
  });
});

describe('conductors', () => {
  it('of aluminium and copper-clad aluminium have more resistance than copper', () => {
    const ohm = (kind: 'copper' | 'aluminium' | 'copper-clad'): number => conductorOhm(kind, 2, 4);
    expect(ohm('aluminium') / ohm('copper')).toBeCloseTo(1 / 0.61, 6);
    expect(ohm('copper-clad')).toBeGreaterThan(ohm('copper'));
    expect(ohm('copper-clad')).toBeLessThan(ohm('aluminium'));
  });

  it('of copper gain 0.393 % a kelvin (IEC 60028)', () => {
    expect(conductorOhm('copper', 1, 1, 75) / conductorOhm('copper', 1, 1)).toBeCloseTo(1 + 55 * 0.00393, 9);
  });
});
