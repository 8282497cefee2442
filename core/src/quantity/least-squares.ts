import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { Matrix, pseudoInverse } from 'ml-matrix';

/** What is fitted: `rows` residuals, each divided by its own standard error, as a function of the parameters. */
export interface LeastSquares {
  readonly rows: number;
  /** Writes the residuals of these parameters; all of about one scale, since steps of them are alike. */
  readonly residuals: (parameters: readonly number[]) => ArrayLike<number>;
  readonly start: readonly number[];
}

export interface Fitted {
  readonly parameters: readonly number[];
  /** Sum of the squared residuals. */
  readonly squares: number;
  /** Of the parameters, by the inverse of J'J: to be widened by the sum of squares a degree of freedom where that is above 1. */
  readonly covariance: Matrix;
  /** A column for each parameter. */
  readonly jacobian: Matrix;
}

const ROUNDS = 40;
const SETTLED = 1e-6;
/** How much the first steps are held back, and by how much more where they lead nowhere: three times before it is given up. */
const DAMPING = 1e-3;
const HELD_BACK = 1e3;
const MOST_DAMPING = 1e6;
/** Steps of a derivative. */
const H = 1e-4;

/** Derivatives of the residuals by central differences. */
function jacobianOf({ rows, residuals }: LeastSquares, at: readonly number[]): Matrix {
  const columns = at.map((_, k) => {
    const [up, down] = [1, -1].map((sign) =>
      Float64Array.from(residuals(at.map((p, j) => (j === k ? p + sign * H : p)))),
    );
    return Array.from({ length: rows }, (__, i) => ((up?.[i] ?? 0) - (down?.[i] ?? 0)) / (2 * H));
  });
  return new Matrix(columns).transpose();
}

/** By how much the sum of squares would fall if the residuals were as straight as they are here: g' (J'J)^-1 g, g = J'r. Derived. */
function promised(jacobian: Matrix, left: ArrayLike<number>): number {
  const residual = Matrix.columnVector(Array.from(left));
  const gradient = jacobian.transpose().mmul(residual);
  const step = pseudoInverse(jacobian.transpose().mmul(jacobian)).mmul(gradient);
  return gradient.transpose().mmul(step).get(0, 0);
}

/**
 * Least squares by the Levenberg-Marquardt method of a library (Marquardt, J. SIAM 11, 1963), a few steps at a time until it
 * settles; yields after each, so that whoever drives it can tell how far it is, and stop. The library's own weights are not
 * used: residuals come divided by their errors.
 */
export function* leastSquares(problem: LeastSquares): Generator<number, Fitted> {
  const { rows, residuals, start } = problem;
  const x = Array.from({ length: rows }, (_, i) => i);
  const y = new Array<number>(rows).fill(0);
  const model = (p: readonly number[]) => {
    const all = residuals(p);
    return (i: number): number => all[i] ?? 0;
  };
  let parameters = [...start];
  let there: Matrix | undefined;
  let error = Infinity;
  let damping = DAMPING;
  for (let round = 0; round < ROUNDS; round += 1) {
    const step = levenbergMarquardt({ x, y }, model, {
      initialValues: parameters,
      damping,
      maxIterations: 3,
      gradientDifference: H,
      centralDifference: true,
    });
    parameters = [...step.parameterValues];
    const better = error - step.parameterError;
    error = step.parameterError;
    yield round;
    if (better >= SETTLED * Math.max(1e-9, error)) {
      damping = DAMPING;
      there = undefined;
      continue;
    }
    there = jacobianOf(problem, parameters);
    // Where the way down goes on, its steps were too long.
    if (damping >= MOST_DAMPING || promised(there, residuals(parameters)) <= SETTLED * Math.max(1e-9, error))
      break;
    damping *= HELD_BACK;
  }
  const jacobian = there ?? jacobianOf(problem, parameters);
  const normal = jacobian.transpose().mmul(jacobian);
  return {
    parameters,
    squares: Float64Array.from(residuals(parameters)).reduce((sum, r) => sum + r * r, 0),
    covariance: pseudoInverse(normal),
    jacobian,
  };
}

/** Drives a fit to its end. */
export function fitted(problem: LeastSquares): Fitted {
  const steps = leastSquares(problem);
  for (;;) {
    const { done, value } = steps.next();
    if (done === true) return value;
  }
}

/**
 * What is left of one reading is left of the next as well: so many readings tell less than as many apart. Root of (1 + r) / (1 - r)
 * with r from one to the next (the usual correction for residuals of first order).
 */
export function together(left: readonly number[]): number {
  const squares = left.reduce((sum, z) => sum + z * z, 0);
  const next = left.slice(1).reduce((sum, z, i) => sum + z * (left[i] ?? 0), 0);
  const r = Math.max(0, Math.min(0.97, squares > 0 ? next / squares : 0));
  return Math.sqrt((1 + r) / (1 - r));
}
