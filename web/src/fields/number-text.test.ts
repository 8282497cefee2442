import { describe, expect, it } from 'vitest';
import { QUANTITY_PATHS, specAt } from '@apple-cart/core';
import { fieldText, nudged, otherText, readTyped } from './number-text.ts';

const mass = specAt('brief.riderMassKg');
const speed = specAt('brief.cruiseSpeedKmh');
const valueOf = (text: string, spec = mass, system: 'metric' | 'imperial' = 'metric'): number | undefined => {
  const typed = readTyped(text, spec, system);
  return typed.ok ? typed.value : undefined;
};
const why = (text: string, spec = mass): string => {
  const typed = readTyped(text, spec, 'metric');
  return typed.ok ? '' : typed.why;
};

describe('readTyped', () => {
  it('takes the reader’s unit, or the one that was typed', () => {
    expect(valueOf('80')).toBe(80);
    expect(valueOf('176 lb')).toBeCloseTo(79.832, 3);
    expect(valueOf('100', mass, 'imperial')).toBeCloseTo(45.359237, 6);
    expect(valueOf('15 mph', speed)).toBeCloseTo(24.14016, 6);
  });

  it('says what is wrong without blame, and what to do', () => {
    expect(why('')).toContain('mark it unknown');
    expect(why('heavy')).toContain('Try 12');
    expect(why('5 mph')).toContain('measured in kg');
    expect(why('5 mph', specAt('donor.crr'))).toBe('This is a number without a unit.');
    expect(why('5 mph', specAt('packs.0.cellsInSeries'))).toBe('This is measured in series.');
    const inches = readTyped('5 mph', specAt('donor.tyreMm'), 'imperial');
    expect(inches.ok ? '' : inches.why).toBe('This is measured in inches.');
    expect(why('many', specAt('packs.0.cell.parallel'))).toContain('Try 12, in parallel.');
    expect(why('9')).toBe('Must be 10.0\u00a0kg to 400.0\u00a0kg. The value from before stays in force.');
    expect(why('4000')).toContain('400.0');
    for (const path of ['packs.0.cellsInSeries', 'gearing.ringTeeth', 'drive.polePairs'] as const) {
      expect(why('13.5', specAt(path)), path).toContain('A whole number: it is counted.');
      expect(valueOf('13', specAt(path)), path).toBe(13);
    }
  });
});

describe('fieldText', () => {
  it('shows a stored value as it was entered', () => {
    expect(fieldText(17.5, mass, 'metric')).toBe('17.5');
    expect(fieldText(80, mass, 'metric')).toBe('80');
    expect(fieldText(0.0003, specAt('drive.eddyNms'), 'metric')).toBe('0.0003');
  });

  it('rounds only what was converted', () => {
    expect(fieldText(80, mass, 'imperial')).toBe('176.4');
    expect(fieldText(24.94, speed, 'imperial')).toBe('15.5');
  });

  it('is read back as the same value, for every quantity in its own unit', () => {
    for (const path of QUANTITY_PATHS) {
      const spec = specAt(path);
      for (const value of [spec.min, spec.plausible[0], spec.plausible[1]]) {
        const typed = readTyped(fieldText(value, spec, 'metric'), spec, 'metric');
        expect(typed.ok && typed.value, path).toBeCloseTo(value, 5);
      }
    }
  });
});

describe('otherText', () => {
  it('gives the other system, and nothing where trade has one unit', () => {
    expect(otherText(80, mass, 'metric')).toBe('176.4\u00a0lb');
    expect(otherText(80, mass, 'imperial')).toBe('80.0\u00a0kg');
    expect(otherText(48, specAt('packs.0.nominalV'), 'metric')).toBeUndefined();
  });
});

describe('nudged', () => {
  it('lands on whole steps of the reader’s unit', () => {
    expect(nudged(80.4, 1, mass, 'metric')).toBe(81);
    expect(nudged(80, -10, mass, 'metric')).toBe(70);
    // One pound up from 176.37 lb is 177 lb
    expect(nudged(80, 1, mass, 'imperial')).toBeCloseTo(177 * 0.45359237, 9);
  });

  it('stops at the limits', () => {
    expect(nudged(400, 10, mass, 'metric')).toBe(400);
    expect(nudged(10, -1, mass, 'metric')).toBe(10);
  });

  it('does not gather the dust of binary fractions', () => {
    const crr = specAt('donor.crr');
    let value = 0.008;
    for (let i = 0; i < 5; i += 1) value = nudged(value, 1, crr, 'metric');
    expect(value).toBe(0.0105);
  });
});
