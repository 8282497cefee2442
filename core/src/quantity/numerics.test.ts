import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  Bracket,
  gauss2,
  illinois,
  interpolate,
  lastTrue,
  normals,
  quantiles,
  rankCorrelation,
  secant,
} from './numerics.ts';

describe('interpolate', () => {
  it('meets its points, is straight between them and holds beyond the ends', () => {
    const xs = [0, 1, 3];
    const ys = [10, 20, 0];
    expect(xs.map((x) => interpolate(xs, ys, x))).toEqual(ys);
    expect(interpolate(xs, ys, 2)).toBe(10);
    expect(interpolate(xs, ys, -5)).toBe(10);
    expect(interpolate(xs, ys, 99)).toBe(0);
  });
});

describe('illinois', () => {
  it('finds the root of x^3 - 2 (closed form: cube root of 2)', () => {
    const root = illinois((x) => x ** 3 - 2, 0, 2, 1e-12);
    expect(root.found && root.x).toBeCloseTo(Math.cbrt(2), 10);
  });

  it('finds cos x = x, the Dottie number 0.7390851332 (handbook value)', () => {
    const root = illinois((x) => Math.cos(x) - x, 0, 1, 1e-12);
    expect(root.found && root.x).toBeCloseTo(0.7390851332151607, 9);
  });

  it('says that there is no sign change instead of inventing a root', () => {
    expect(illinois((x) => x * x + 1, -1, 1)).toEqual({ found: false, iterations: 0 });
  });

  it('takes a root at an end', () => {
    expect(illinois((x) => x, 0, 1)).toMatchObject({ found: true, x: 0 });
    expect(illinois((x) => x - 1, 0, 1)).toMatchObject({ found: true, x: 1 });
  });

  it('finds any bracketed root of a cubic', () => {
    fc.assert(
      fc.property(fc.double({ min: -9, max: 9, noNaN: true }), (r) => {
        const root = illinois((x) => (x - r) * (1 + (x - r) ** 2), -10, 10, 1e-10);
        expect(root.found && Math.abs(root.x - r)).toBeLessThan(1e-6);
      }),
    );
  });
});

describe('lastTrue', () => {
  it('finds where a predicate ends, in either direction', () => {
    expect(lastTrue((x) => x < 0.3, 0, 1, 1e-9)).toBeCloseTo(0.3, 8);
    expect(lastTrue((x) => x > 0.3, 1, 0, 1e-9)).toBeCloseTo(0.3, 8);
  });
});

describe('gauss2', () => {
  // Abramowitz and Stegun 25.4.30: two points are exact for polynomials up to the third degree.
  it('is exact for cubics and not for the fourth degree', () => {
    expect(gauss2((x) => 4 * x ** 3 - 3 * x ** 2 + 2 * x - 1, 0, 2)).toBeCloseTo(16 - 8 + 4 - 2, 12);
    expect(gauss2((x) => 5 * x ** 4, 0, 1)).not.toBeCloseTo(1, 3);
  });
});

describe('a bracket', () => {
  it('is drawn together round the cube root of 2, and can be set anew', () => {
    const f = (x: number): number => x ** 3 - 2;
    const bracket = new Bracket();
    for (let run = 0; run < 2; run += 1) {
      bracket.set(0, f(0), 2, f(2));
      for (let i = 0; i < 12; i += 1) bracket.take(bracket.crossing, f(bracket.crossing));
      expect(bracket.nearer).toBeCloseTo(Math.cbrt(2), 10);
    }
    expect(bracket.set(1, 3, 2, 3).flat).toBe(true);
  });
});

describe('the secant', () => {
  const bounds = { low: 0.5, high: 3, tolerance: 1e-12, steps: 12 };
  const f = (x: number): number => x * x - 2;
  it('finds the root of 2', () => {
    expect(secant(f, 1, f(1), 2, bounds)).toBeCloseTo(Math.SQRT2, 10);
  });
  it('gives nothing where it leaves its bounds, is flat or has too few steps', () => {
    expect(secant(f, 1, f(1), 4, bounds)).toBeUndefined();
    expect(secant(() => 1, 1, 1, 2, bounds)).toBeUndefined();
    expect(secant(f, 1, f(1), 2, { ...bounds, steps: 2 })).toBeUndefined();
  });
});

describe('statistics', () => {
  it('have quantiles between neighbours (type 7, the default of the R language)', () => {
    const { sorted, at } = quantiles([40, 10, 30, 20], { low: 0, quarter: 0.25, half: 0.5, high: 1 });
    expect(sorted).toEqual([10, 20, 30, 40]);
    expect(at).toEqual({ low: 10, quarter: 17.5, half: 25, high: 40 });
  });

  it('ranks by ranks (Spearman): any growing curve counts as a straight line', () => {
    const x = [1, 2, 3, 4, 5, 6];
    expect(rankCorrelation(x, x.map(Math.exp))).toBeCloseTo(1, 12);
    expect(
      rankCorrelation(
        x,
        x.map((v) => -v),
      ),
    ).toBeCloseTo(-1, 12);
    // Spearman's own worked kind of case: one exchange of neighbours among four is 1 - 6 x 2 / 60.
    expect(rankCorrelation([1, 2, 3, 4], [1, 2, 4, 3])).toBeCloseTo(0.8, 12);
    expect(rankCorrelation([1], [1])).toBe(0);
  });

  it('draw normal numbers by a seed, with a mean near 0 and a spread near 1', () => {
    const draw = (seed: number, count: number): readonly number[] => {
      const next = normals(seed);
      return Array.from({ length: count }, () => next());
    };
    expect(draw(7, 5)).toEqual(draw(7, 5));
    expect(draw(7, 5)).not.toEqual(draw(8, 5));
    const many = draw(3, 4000);
    const mean = many.reduce((sum, z) => sum + z, 0) / many.length;
    const spread = Math.sqrt(many.reduce((sum, z) => sum + (z - mean) ** 2, 0) / many.length);
    expect(Math.abs(mean)).toBeLessThan(0.05);
    expect(Math.abs(spread - 1)).toBeLessThan(0.05);
  });
});
