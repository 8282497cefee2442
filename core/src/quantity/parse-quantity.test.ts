import { describe, expect, it } from 'vitest';
import { parseQuantity } from './parse-quantity.ts';
import type { Unit } from './units.ts';

const valueOf = (text: string, wanted: Unit, assumed?: Unit): number | undefined => {
  const result = parseQuantity(text, wanted, assumed);
  return result.ok ? result.value : undefined;
};
const codeOf = (text: string, wanted: Unit): string | undefined => {
  const result = parseQuantity(text, wanted);
  return result.ok ? undefined : result.issues[0]?.code;
};

describe('what a builder types', () => {
  it.each<[string, Unit, number]>([
    ['26 in', 'mm', 660.4],
    ['26"', 'mm', 660.4],
    ['26in', 'mm', 660.4],
    ['48 lb', 'kg', 48 * 0.45359237],
    ['15 mph', 'km/h', 24.14016],
    ['3/32 in', 'mm', 2.38125],
    ['1 1/2 in', 'mm', 38.1],
    ['1,400', 'm', 1400],
    ['7,5', 'kg', 7.5],
    ['.5', 'kg', 0.5],
    ['1.2e3', 'm', 1200],
    ['−5', 'C', -5],
    ['41 F', 'C', 5],
    ['110 mohm', 'ohm', 0.11],
    ['110 mΩ', 'ohm', 0.11],
    ['2 MΩ', 'ohm', 2e6],
    ['0,2 \u2126', 'mohm', 200],
    ['1 hp', 'W', 745.6998715822702],
    ['2 kW', 'W', 2000],
    ['38 T', 'T', 38],
    ['25 KPH', 'km/h', 25],
  ])('%s as %s', (text, wanted, value) => {
    expect(valueOf(text, wanted)).toBeCloseTo(value, 9);
  });

  it('takes a bare number in the unit shown, not the stored one', () => {
    expect(valueOf('20', 'km/h', 'mph')).toBeCloseTo(32.18688, 9);
  });
});

describe('what cannot be read says why', () => {
  it.each<[string, Unit, string]>([
    ['', 'kg', 'missing'],
    ['   ', 'kg', 'missing'],
    ['abc', 'kg', 'type'],
    ['1/0', 'kg', 'type'],
    ['1.2.3', 'kg', 'type'],
    ['--3', 'kg', 'type'],
    ['5 apples', 'kg', 'unit'],
    ['5 mph', 'kg', 'unit'],
    ['9'.repeat(400), 'kg', 'type'],
  ])('%s', (text, wanted, code) => {
    expect(codeOf(text, wanted)).toBe(code);
  });
});
