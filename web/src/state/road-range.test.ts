import { describe, expect, it } from 'vitest';
import { rangeRow } from './road-range.ts';

describe('the row of the range', () => {
  const stages = [{ id: 'range', state: 'look', words: '52 km', begun: true }] as const;
  it('is the road’s where that says worse, and only there', () => {
    expect(rangeRow(stages, { words: 'too hot on Quay', state: 'stop' })).toMatchObject({
      state: 'stop',
      words: 'too hot on Quay',
    });
    expect(rangeRow(stages, { words: '80 km on Quay', state: 'fine' })).toBeUndefined();
    expect(rangeRow(stages, undefined)).toBeUndefined();
    expect(rangeRow([], { words: 'too hot on Quay', state: 'stop' })).toBeUndefined();
  });
});
