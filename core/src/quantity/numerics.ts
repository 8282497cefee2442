import { ascending, quantileSorted } from 'd3-array';
import { randomLcg, randomNormal } from 'd3-random';

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
 * Two ends between which a function changes sign, drawn together by the Illinois variant of regula falsi
 * (Dowell and Jarratt, BIT 11, 1971). It can be set anew, so that a search in a tight loop allocates nothing.
 */
export class Bracket {
  private a = 0;
  private fa = 0;
  private b = 0;
  private fb = 0;
  /** Which end was replaced last: the other's value is halved when it is the same one twice running. */
  private last: 'a' | 'b' | undefined;

  set(a: number, fa: number, b: number, fb: number): this {
    this.a = a;
    this.fa = fa;
    this.b = b;
    this.fb = fb;
    this.last = undefined;
    return this;
  }

  get width(): number {
    return Math.abs(this.b - this.a);
  }

  /** Nothing can be drawn between ends of one value. */
  get flat(): boolean {
    return this.fa === this.fb;
  }

  /** Where the straight line through both ends crosses zero. */
  get crossing(): number {
    return (this.a * this.fb - this.b * this.fa) / (this.fb - this.fa);
  }

  get middle(): number {
    return (this.a + this.b) / 2;
  }

  /** The end whose value is nearer to zero. */
  get nearer(): number {
    return Math.abs(this.fa) < Math.abs(this.fb) ? this.a : this.b;
  }

  /** Takes `x` for the end of its sign; gives how far that end moved. */
  take(x: number, fx: number): number {
    if (fx > 0 === this.fb > 0) {
      const moved = Math.abs(x - this.b);
      this.b = x;
      this.fb = fx;
      if (this.last === 'b') this.fa /= 2;
      this.last = 'b';
      return moved;
    }
    const moved = Math.abs(x - this.a);
    this.a = x;
    this.fa = fx;
    if (this.last === 'a') this.fb /= 2;
    this.last = 'a';
    return moved;
  }
}

/** Root of `f` in [a, b] by {@link Bracket}. Needs a sign change; `tolerance` is on x. */
export function illinois(f: (x: number) => number, a: number, b: number, tolerance = 1e-9): RootOutcome {
  const fa = f(a);
  const fb = f(b);
  if (fa === 0) return { found: true, x: a, iterations: 0 };
  if (fb === 0) return { found: true, x: b, iterations: 0 };
  if (fa > 0 === fb > 0) return { found: false, iterations: 0 };
  const bracket = new Bracket().set(a, fa, b, fb);
  for (let i = 1; i <= MAX_ITERATIONS; i += 1) {
    const x = bracket.crossing;
    const fx = f(x);
    const done = fx === 0 || bracket.width < tolerance || bracket.take(x, fx) < tolerance;
    if (done) return { found: true, x, iterations: i };
  }
  return { found: true, x: bracket.middle, iterations: MAX_ITERATIONS };
}

/**
 * Root of `f` by the secant method from two guesses, without a bracket: undefined where it leaves (low, high] or does
 * not bring |f| under `tolerance` in so many steps. `fa` is f(a).
 */
export function secant(
  f: (x: number) => number,
  a: number,
  fa: number,
  b: number,
  { low, high, tolerance, steps }: Readonly<Record<'low' | 'high' | 'tolerance' | 'steps', number>>,
): number | undefined {
  for (let i = 0; i < steps; i += 1) {
    if (!(b > low && b <= high)) return undefined;
    const fb = f(b);
    if (Math.abs(fb) < tolerance) return b;
    if (fb === fa) return undefined;
    const next = b - (fb * (b - a)) / (fb - fa);
    [a, fa, b] = [b, fb, next];
  }
  return undefined;
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

/** The two points of Gauss-Legendre over [a, b], of equal weight (b - a) / 2. */
export function gaussPoints(a: number, b: number): readonly [number, number] {
  const middle = (a + b) / 2;
  const offset = (b - a) / 2 / Math.sqrt(3);
  return [middle - offset, middle + offset];
}

/** Two-point Gauss-Legendre integral of `f` over [a, b]: exact for cubics (Abramowitz and Stegun 25.4.30). */
export function gauss2(f: (x: number) => number, a: number, b: number): number {
  const [low, high] = gaussPoints(a, b);
  return ((b - a) / 2) * (f(low) + f(high));
}

/** Quantiles of values at shares of them from 0 to 1, straight between neighbours (Hyndman and Fan 1996, type 7). */
export function quantiles<K extends string>(
  values: readonly number[],
  shares: Readonly<Record<K, number>>,
): { readonly sorted: readonly number[]; readonly at: Readonly<Record<K, number>> } {
  const sorted = [...values].sort(ascending);
  const at = {} as Record<K, number>;
  for (const key of Object.keys(shares) as K[]) at[key] = quantileSorted(sorted, shares[key]) ?? 0;
  return { sorted, at };
}

/** Ranks from 0, equal values in the order given. */
function ranks(values: readonly number[]): readonly number[] {
  const order = values.map((_, i) => i).sort((a, b) => (values[a] ?? 0) - (values[b] ?? 0));
  const out = new Array<number>(values.length).fill(0);
  order.forEach((index, rank) => (out[index] = rank));
  return out;
}

/** Spearman's rank correlation of two lists of one length, -1 to 1; 0 for fewer than two values. */
export function rankCorrelation(a: readonly number[], b: readonly number[]): number {
  const n = a.length;
  if (n < 2) return 0;
  const [ra, rb] = [ranks(a), ranks(b)];
  const sum = ra.reduce((total, rank, i) => total + (rank - (rb[i] ?? 0)) ** 2, 0);
  return 1 - (6 * sum) / (n * (n * n - 1));
}

/** Numbers from 0 to 1, drawn by a seed. */
export const uniforms = (seed: number): (() => number) => randomLcg(seed);

/** Numbers of the standard normal distribution, drawn by a seed: the same seed gives the same numbers. */
export const normals = (seed: number): (() => number) => randomNormal.source(randomLcg(seed))(0, 1);
