import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { UNIT_SYMBOLS, convert, kmhToMs, msToKmh, sameDimension, type Unit } from './units.ts';
import { otherUnit, shownUnit } from './unit-system.ts';

describe('exact definitions', () => {
  // International yard and pound agreement, 1959: inch 25.4 mm, mile 1609.344 m, pound 0.45359237 kg.
  it.each<[number, Unit, number, Unit]>([
    [1, 'in', 25.4, 'mm'],
    [1, 'ft', 304.8, 'mm'],
    [1, 'mi', 1609.344, 'm'],
    [1, 'lb', 0.45359237, 'kg'],
    [100, 'lb', 45.359237, 'kg'],
    [170, 'lb', 77.1107029, 'kg'],
    // Mechanical horsepower: 550 foot-pounds force a second, with standard gravity (3rd CGPM, 1901).
    [1, 'hp', 550 * 0.3048 * 0.45359237 * 9.80665, 'W'],
    // Pound force: pound times standard gravity.
    [1, 'lbf', 0.45359237 * 9.80665, 'N'],
    [20, 'mph', 32.18688, 'km/h'],
    [28, 'mph', 45.061632, 'km/h'],
    [15.5, 'mph', 24.944832, 'km/h'],
    [1, 'Wh/mi', 1 / 1.609344, 'Wh/km'],
    [32, 'F', 0, 'C'],
    [212, 'F', 100, 'C'],
    [-40, 'F', -40, 'C'],
    [1, 'h', 3600, 's'],
  ])('%d %s is %d %s', (value, from, result, to) => {
    expect(convert(value, from, to)).toBeCloseTo(result, 9);
  });

  it('gives the horsepower of the handbooks, 745.7 W', () => {
    expect(convert(1, 'hp', 'W')).toBeCloseTo(745.7, 2);
  });
});

describe('convert', () => {
  it('comes back to where it began', () => {
    const pairs = UNIT_SYMBOLS.flatMap((a) =>
      UNIT_SYMBOLS.filter((b) => sameDimension(a, b)).map((b) => [a, b] as const),
    );
    fc.assert(
      fc.property(fc.constantFrom(...pairs), fc.double({ min: -1e6, max: 1e6, noNaN: true }), ([a, b], x) => {
        expect(convert(convert(x, a, b), b, a)).toBeCloseTo(x, 6);
      }),
    );
  });

  it('refuses to mix dimensions, which is a programmer’s error', () => {
    expect(() => convert(1, 'kg', 'm')).toThrow(TypeError);
  });

  it('has short forms for road speed', () => {
    expect(kmhToMs(36)).toBe(10);
    expect(msToKmh(10)).toBe(36);
  });
});

describe('unit systems', () => {
  it('shows road and mass units in the reader’s system and leaves electrical ones alone', () => {
    expect(shownUnit('km/h', 'imperial')).toBe('mph');
    expect(shownUnit('kg', 'imperial')).toBe('lb');
    expect(shownUnit('V', 'imperial')).toBe('V');
    expect(shownUnit('km/h', 'metric')).toBe('km/h');
  });

  it('offers the other system’s unit', () => {
    expect(otherUnit('mm', 'metric')).toBe('in');
    expect(otherUnit('mm', 'imperial')).toBe('mm');
    expect(otherUnit('Ah', 'metric')).toBe('Ah');
  });
});
