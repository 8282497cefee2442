import { describe, expect, it } from 'vitest';
import { uniforms } from '../quantity/numerics.ts';
import { BUCKET, levelFor, levelsOf, rowsIn } from './levels.ts';

describe('a column from further away', () => {
  const n = 100_003;
  const next = uniforms(7);
  const values = Float32Array.from({ length: n }, (_, i) => (i % 97 === 0 ? NaN : next() * 100));
  values[54_321] = 900;
  values[777] = -40;
  const levels = levelsOf(values);

  it('never loses an extreme', () => {
    expect(levels.map((l) => l.min.length)).toEqual([6251, 391]);
    for (const { min, max } of levels) {
      expect(Math.max(...max)).toBe(900);
      expect(Math.min(...min)).toBe(-40);
    }
  });

  it('is what its rows are, bucket by bucket', () => {
    levels.forEach(({ min, max, mean }, k) => {
      const size = rowsIn(k + 1);
      for (let b = 0; b < min.length; b += 37) {
        const rows = [...values.slice(b * size, (b + 1) * size)].filter((v) => !Number.isNaN(v));
        expect(min[b]).toBe(Math.min(...rows));
        expect(max[b]).toBe(Math.max(...rows));
        expect(mean[b]).toBeGreaterThanOrEqual(Math.min(...rows));
        expect(mean[b]).toBeLessThanOrEqual(Math.max(...rows));
      }
    });
  });

  it('has no value where no row has one', () => {
    const empty = levelsOf(new Float32Array(5000).fill(NaN));
    expect(empty[0]?.mean.every((v) => Number.isNaN(v))).toBe(true);
    expect(empty[0]?.max.every((v) => Number.isNaN(v))).toBe(true);
  });

  it('is read as finely as there is room', () => {
    expect(levelFor(1000, 2, 4000)).toBe(0);
    expect(levelFor(100_000, 2, 4000)).toBe(2);
    expect(levelFor(60_000, 2, 4000)).toBe(1);
    expect(levelFor(8_000_000, 2, 4000)).toBe(2);
    expect(BUCKET).toBe(16);
  });
});
