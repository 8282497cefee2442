/** Piecewise-linear value at `x` of a table of ascending `xs`; held constant beyond the ends. */
export function interpolate(xs: readonly number[], ys: readonly number[], x: number): number {
  const last = xs.length - 1;
  if (x <= (xs[0] ?? 0)) return ys[0] ?? 0;
  if (x >= (xs[last] ?? 0)) return ys[last] ?? 0;
  let i = 1;
  while ((xs[i] ?? Infinity) < x) i += 1;
  const x0 = xs[i - 1] ?? 0;
  const x1 = xs[i] ?? 1;
  const t = (x - x0) / (x1 - x0);
  return (ys[i - 1] ?? 0) * (1 - t) + (ys[i] ?? 0) * t;
}

/** A root search either converges, or says that the interval holds no sign change. */
export type RootOutcome =
  | { readonly found: true; readonly x: number; readonly iterations: number }
  | { readonly found: false; readonly iterations: number };

const MAX_ITERATIONS = 100;

/**
 * Root of `f` in [a, b] by the Illinois variant of regula falsi (Dowell and Jarratt, BIT 11, 1971).
 * Needs a sign change; `tolerance` is on x.
 */
export function illinois(f: (x: number) => number, a: number, b: number, tolerance = 1e-9): RootOutcome {
  let fa = f(a);
  let fb = f(b);
  if (fa === 0) return { found: true, x: a, iterations: 0 };
  if (fb === 0) return { found: true, x: b, iterations: 0 };
  if (fa > 0 === fb > 0) return { found: false, iterations: 0 };
  let side = 0;
  for (let i = 1; i <= MAX_ITERATIONS; i += 1) {
    const x = (a * fb - b * fa) / (fb - fa);
    const fx = f(x);
    if (fx === 0 || Math.abs(b - a) < tolerance) return { found: true, x, iterations: i };
    if (fx > 0 === fb > 0) {
      if (Math.abs(x - b) < tolerance) return { found: true, x, iterations: i };
      b = x;
      fb = fx;
      if (side === -1) fa /= 2;
      side = -1;
    } else {
      if (Math.abs(x - a) < tolerance) return { found: true, x, iterations: i };
      a = x;
      fa = fx;
      if (side === 1) fb /= 2;
      side = 1;
    }
  }
  return { found: true, x: (a + b) / 2, iterations: MAX_ITERATIONS };
}

/**
 * The `x` where `holds` changes from true (at a) to false (at b, on either side of a), by bisection: the
 * last value within `tolerance` for which it is true. For predicates without a usable slope: which limit binds, whether a cut-off is reached.
 */
export function lastTrue(holds: (x: number) => boolean, a: number, b: number, tolerance = 1e-6): number {
  let yes = a;
  let no = b;
  while (Math.abs(no - yes) > tolerance) {
    const middle = (yes + no) / 2;
    if (holds(middle)) yes = middle;
    else no = middle;
  }
  return yes;
}

const GOLDEN = (Math.sqrt(5) - 1) / 2;

/**
 * Least value of a function with one valley in [a, b], by golden section (Kiefer, Sequential minimax search for a
 * maximum, Proc. Amer. Math. Soc. 4, 1953); each step leaves 0.62 of the interval. The ends are not looked at.
 */
export function leastByGoldenSection(f: (x: number) => number, a: number, b: number, steps: number): number {
  let [low, high] = [a, b];
  let [x1, x2] = [b - GOLDEN * (b - a), a + GOLDEN * (b - a)];
  let [f1, f2] = [f(x1), f(x2)];
  for (let i = 0; i < steps; i += 1) {
    if (f1 <= f2) {
      high = x2;
      x2 = x1;
      f2 = f1;
      x1 = high - GOLDEN * (high - low);
      f1 = f(x1);
    } else {
      low = x1;
      x1 = x2;
      f1 = f2;
      x2 = low + GOLDEN * (high - low);
      f2 = f(x2);
    }
  }
  return Math.min(f1, f2);
}

/** Two-point Gauss-Legendre integral of `f` over [a, b]: exact for cubics (Abramowitz and Stegun 25.4.30). */
export function gauss2(f: (x: number) => number, a: number, b: number): number {
  const half = (b - a) / 2;
  const middle = (a + b) / 2;
  const offset = half / Math.sqrt(3);
  return half * (f(middle - offset) + f(middle + offset));
}
