import { describe, expect, it } from 'vitest';
import { readRatios } from './ratios.ts';

describe('hub ratios as typed', () => {
  it('are read in any order, with points or commas, lowest first', () => {
    expect(readRatios('1 1.36 0.73')).toEqual({ ok: true, values: [0.73, 1, 1.36] });
    expect(readRatios('0,73 1 1,36')).toEqual({ ok: true, values: [0.73, 1, 1.36] });
    expect(readRatios('0.73, 1, 1.36')).toEqual({ ok: true, values: [0.73, 1, 1.36] });
  });

  it('are none in an empty field', () => {
    expect(readRatios('  ')).toEqual({ ok: true, values: [] });
  });

  it('say which one is wrong', () => {
    expect(readRatios('1 fast')).toMatchObject({ ok: false, why: expect.stringContaining('fast') as string });
    expect(readRatios('1 7')).toMatchObject({ ok: false });
    expect(readRatios(Array.from({ length: 15 }, () => '1').join(' '))).toMatchObject({ ok: false });
  });
});
