import { describe, expect, it } from 'vitest';
import { formatChange, formatNumber, formatQuantity, usualDigits } from './format.ts';
import { phraseText, qty } from './phrase.ts';
import { describeIssue } from './result.ts';

describe('formatNumber', () => {
  it('groups thousands and uses a true minus', () => {
    expect(formatNumber(1234.56, 1)).toBe('1,234.6');
    expect(formatNumber(-12, 0)).toBe('−12');
  });

  it('claims no direction that its digits do not carry', () => {
    expect(formatNumber(-0.04, 1)).toBe('0.0');
    expect(formatNumber(-0.06, 1)).toBe('−0.1');
  });

  it('says so when there is no limit', () => {
    expect(formatNumber(Infinity, 1)).toBe('no limit');
    expect(formatNumber(-Infinity, 1)).toBe('none');
  });
});

describe('formatQuantity', () => {
  it('never lets a unit wrap away from its number', () => {
    expect(formatQuantity(24.94, 'km/h')).toBe('24.9\u00a0km/h');
  });

  it('writes no unit for a pure number and picks decimals by its size', () => {
    expect(formatQuantity(0.0055, '1')).toBe('0.0055');
    expect(formatQuantity(0.96, '1')).toBe('0.96');
    expect(usualDigits(21.9, '1')).toBe(1);
    expect(usualDigits(250, '1')).toBe(0);
  });
});

describe('phraseText', () => {
  it('puts quantities into the reader’s units', () => {
    const phrase = ['at ', qty(32.18688, 'km/h'), ', ', qty(9, '%', 0)];
    expect(phraseText(phrase)).toBe('at 32.2\u00a0km/h, 9\u00a0%');
    expect(phraseText(phrase, 'imperial')).toBe('at 20.0\u00a0mph, 9\u00a0%');
  });
});

describe('describeIssue', () => {
  it('is one plain sentence with path, limit and what was found', () => {
    expect(
      describeIssue({ code: 'range', path: 'brief.riderMassKg.value', actual: -3, limit: 'at least 10' }),
    ).toBe('brief.riderMassKg.value: wanted at least 10, found -3.');
  });

  it('cuts what was found short and copes with nothing', () => {
    expect(
      describeIssue({ code: 'text', path: 'name', actual: 'x'.repeat(500), limit: 'at most 80 characters' }),
    ).toMatch(/\.\.\.\.$/);
    expect(describeIssue({ code: 'missing', path: '', actual: undefined, limit: 'an object' })).toBe(
      'The document: wanted an object, found nothing.',
    );
  });
});

describe('a phrase', () => {
  const words = ['at least ', qty(10, 'mm', 0), ' and ', qty(2.5, 'mm', 1), '; ', qty(40, 'kg', 0)];

  it('keeps its decimals in metric, and gives inches two more', () => {
    expect(phraseText(words)).toMatch(/^at least 10\smm and 2\.5\smm; 40\skg$/);
    expect(phraseText(words, 'imperial')).toMatch(/^at least 0\.39\sin and 0\.098\sin; 88\slb$/);
  });
});

describe('formatChange', () => {
  it('says the sign, groups thousands, and says nothing of what the digits do not carry', () => {
    expect(formatChange(1234.56, 'km', 'km')).toBe('+1,234.6');
    expect(formatChange(-1234.56, 'km', 'km')).toBe('−1,234.6');
    expect(formatChange(0.04, 'km', 'km')).toBeUndefined();
    expect(formatChange(-0.04, 'km', 'km')).toBeUndefined();
    expect(formatChange(0.06, 'km', 'km')).toBe('+0.1');
  });

  it('is in the unit shown, and a difference of temperatures has no zero', () => {
    expect(formatChange(10, 'km/h', 'mph')).toBe('+6.2');
    expect(formatChange(10, 'C', 'F')).toBe('+18');
    expect(formatChange(-10, 'C', 'C')).toBe('−10');
  });
});
