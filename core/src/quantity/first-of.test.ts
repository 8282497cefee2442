import { describe, expect, it } from 'vitest';
import { firstOf } from './first-of.ts';

describe('the first row that holds', () => {
  it('says what is so, the earlier row before the later, else the last word', () => {
    const said = (n: number) =>
      firstOf(
        [
          [n > 10, 'many'],
          [n > 1, 'some'],
          [n === 0, undefined],
        ],
        'one',
      );
    expect([20, 5, 1, 0].map(said)).toEqual(['many', 'some', 'one', undefined]);
  });
});
