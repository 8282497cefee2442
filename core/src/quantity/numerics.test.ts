import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gauss2, illinois, interpolate, lastTrue } from './numerics.ts';

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
