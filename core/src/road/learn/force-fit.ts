import type { Matrix } from 'ml-matrix';
import { leastSquares, together, type Fitted } from '../../quantity/least-squares.ts';
import { predicted, stretchesOf, type Guess, type Stretch } from './force-rows.ts';
import type { Prepared } from './learn-ride.ts';

/** What is sought in forces, and how well it is known beforehand: standard errors of logarithms. */
export const FORCE_PARAMETERS = ['cda', 'crr', 'eta', 'ohm'] as const;
export type ForceParameter = (typeof FORCE_PARAMETERS)[number];
/** From memory: what a default of the kind is usually off by. */
export const PRIOR_SD: Readonly<Record<ForceParameter, number>> = {
  cda: 0.2,
  crr: 0.35,
  eta: 0.04,
  ohm: 0.25,
};
/** What may be off beside: mass, the current sensor, the slope of the heights, the wind of each day, m/s. */
const MASS_SD = 0.03;
const GAIN_SD = 0.01;
const ZERO_SD = 0.0005;
const WIND_SD = { noted: 0.5, unknown: 2 } as const;
/** Beyond so many errors a stretch is something else than noise, and weighs less (Huber 1964). */
const HUBER = 2;
const HUBER_ROUNDS = 4;
/** Logarithms stay within this. */
const WIDEST = 1.5;

const NUISANCES = ['mass', 'gain', 'zero'] as const;
const FIXED = [...FORCE_PARAMETERS, ...NUISANCES];
const SDS = [PRIOR_SD.cda, PRIOR_SD.crr, PRIOR_SD.eta, PRIOR_SD.ohm, MASS_SD, GAIN_SD, ZERO_SD];

/** Parameters are sought in units of what they were known to before: so all of them are alike. */
function guessOf(theta: readonly number[], day: number, sds: readonly number[]): Guess {
  const at = (k: number): number => {
    const value = (theta[k] ?? 0) * (sds[k] ?? 1);
    return Math.max(-WIDEST, Math.min(WIDEST, value));
  };
  return {
    cda: at(0),
    crr: at(1),
    eta: at(2),
    ohm: at(3),
    mass: at(4),
    gain: at(5),
    zero: at(6),
    wind: (theta[FIXED.length + day] ?? 0) * (sds[FIXED.length + day] ?? 1),
  };
}

export interface ForceFit {
  readonly stretches: readonly Stretch[];
  readonly rides: readonly Prepared[];
  /** Names of the parameters, in their order: four that are sought, three that may be off, and the wind of each ride. */
  readonly names: readonly string[];
  /** In their own units; errors already widened by what the fit leaves. */
  readonly values: readonly number[];
  readonly sd: readonly number[];
  readonly prior: readonly number[];
  readonly correlation: (a: number, b: number) => number;
  /** How much of what is known of a parameter comes from each ride, by their order; together 1, or nought. */
  readonly toldBy: (parameter: number) => readonly number[];
  /** Net energy of the stretches of a ride, by the plan and by the fit, over what was measured; NaN without any. */
  readonly off: (ride: number) => Off;
  /** The same of a ride that the fit did not see. */
  readonly judge: (ride: Prepared) => Off;
}

interface Off {
  readonly before: number;
  readonly after: number;
}

const NOTHING: Guess = { cda: 0, crr: 0, eta: 0, ohm: 0, mass: 0, gain: 0, zero: 0, wind: 0 };

/** The fit of all forces of some rides together: yields how far it is, 0 to 1. */
export function* fitForces(rides: readonly Prepared[]): Generator<number, ForceFit> {
  const days = rides.map((r) => (r.windKnown ? WIND_SD.noted : WIND_SD.unknown));
  const prior = [...SDS, ...days];
  const own = rides.flatMap((ride, day) => stretchesOf(ride).map((stretch) => ({ stretch, day })));
  const rows = own.length + prior.length;
  let weights = new Float64Array(own.length).fill(1);
  const residuals = (theta: readonly number[], plain = false): Float64Array => {
    const out = new Float64Array(rows);
    const guesses = rides.map((_, day) => guessOf(theta, day, prior));
    own.forEach(({ stretch, day }, i) => {
      const guess = guesses[day] ?? NOTHING;
      const z = (stretch.measured - predicted(stretch, guess)) / stretch.sd;
      out[i] = plain ? z : z * (weights[i] ?? 1);
    });
    theta.forEach((t, k) => (out[own.length + k] = t));
    return out;
  };
  let start: readonly number[] = prior.map(() => 0);
  let fit: Fitted | undefined;
  for (let round = 0; round < HUBER_ROUNDS; round += 1) {
    const steps = leastSquares({ rows, residuals, start });
    for (;;) {
      const { done, value } = steps.next();
      if (done === true) {
        fit = value;
        break;
      }
      yield (round + Math.min(1, value / 12)) / HUBER_ROUNDS;
    }
    start = fit.parameters;
    const left = residuals(start, true);
    weights = Float64Array.from({ length: own.length }, (_, i) => {
      const z = Math.abs(left[i] ?? 0);
      return z <= HUBER ? 1 : Math.sqrt(HUBER / z);
    });
  }
  if (fit === undefined) throw new TypeError('no round was fitted');
  return told(fit, rides, own, prior, together([...residuals(fit.parameters, true)].slice(0, own.length)));
}

function told(
  { parameters, squares, covariance, jacobian }: Fitted,
  rides: readonly Prepared[],
  own: readonly { readonly stretch: Stretch; readonly day: number }[],
  prior: readonly number[],
  alike: number,
): ForceFit {
  // The prior rows bring as many data as there are parameters: what is left are the stretches.
  const wide = Math.sqrt(Math.max(1, squares / Math.max(1, own.length))) * alike;
  const sd = prior.map((p, k) => p * Math.sqrt(Math.max(0, covariance.get(k, k))) * wide);
  return {
    stretches: own.map((o) => o.stretch),
    rides,
    names: [...FIXED, ...rides.map(() => 'wind')],
    values: parameters.map((t, k) => t * (prior[k] ?? 1)),
    sd: sd.map((s, k) => Math.min(s, prior[k] ?? s)),
    prior,
    correlation: (a, b) =>
      covariance.get(a, b) / Math.sqrt(Math.max(1e-300, covariance.get(a, a) * covariance.get(b, b))),
    toldBy: (k) => sharesOf(jacobian, own, rides.length, k),
    off: (day) =>
      offOf(
        own.filter((o) => o.day === day).map((o) => o.stretch),
        guessOf(parameters, day, prior),
      ),
    judge: (ride) => offOf(stretchesOf(ride), { ...guessOf(parameters, 0, prior), wind: 0 }),
  };
}

/** What was measured over stretches of power, over what plan and fit say. */
function offOf(stretches: readonly Stretch[], guess: Guess): Off {
  const power = stretches.filter((s) => s.kind === 'power');
  const sum = (of: (s: Stretch) => number): number => power.reduce((all, s) => all + of(s), 0);
  const measured = sum((s) => s.measured);
  return {
    before: measured / sum((s) => predicted(s, NOTHING)) - 1,
    after: measured / sum((s) => predicted(s, guess)) - 1,
  };
}

function sharesOf(
  jacobian: Matrix,
  own: readonly { readonly day: number }[],
  rides: number,
  k: number,
): readonly number[] {
  const by = new Array<number>(rides).fill(0);
  own.forEach(({ day }, i) => {
    by[day] = (by[day] ?? 0) + jacobian.get(i, k) ** 2;
  });
  const whole = by.reduce((sum, b) => sum + b, 0);
  return whole > 0 ? by.map((b) => b / whole) : by;
}
