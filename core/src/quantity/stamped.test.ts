import { describe, expect, it } from 'vitest';
import { stampedNumber } from './stamped.ts';

describe('stampedNumber', () => {
  it.each([
    [30, '30'],
    [7.5, '7.5'],
    [58.0281546009544, '58'],
    [203.00000000000009, '203'],
    [0.25, '0.3'],
  ])('of %d is %s', (value, text) => {
    expect(stampedNumber(value)).toBe(text);
  });
});
