import { describe, expect, it } from 'vitest';
import { findScore } from './find-score.ts';

describe('what is found', () => {
  const best = (typed: string, entries: readonly string[]): string =>
    entries.toSorted((a, b) => findScore(b, typed) - findScore(a, typed))[0] ?? '';

  it('is a whole word before a beginning, and a beginning before what stands within', () => {
    expect(best('amps', ['stamps', 'ampsource', 'battery current amps'])).toBe('battery current amps');
    expect(best('ring', ['wiring', 'ring teeth', 'rings'])).toBe('ring teeth');
  });

  it('needs every word that is typed', () => {
    expect(findScore('amp hours capacity', 'amp hours')).toBeGreaterThan(0.8);
    expect(findScore('amps of the controller', 'amp hours')).toBe(0);
    expect(findScore('throttle', 'weight')).toBe(0);
  });

  it('is everything where nothing is typed', () => {
    expect(findScore('anything', '  ')).toBe(1);
  });
});
