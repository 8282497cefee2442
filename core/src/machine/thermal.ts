import { copperGrowth } from './motor.ts';

/** The motor as two bodies, SI and degrees Celsius. */
export interface Thermal {
  /** Heat capacities of winding and shell, J/K. */
  readonly windingJK: number;
  readonly shellJK: number;
  /** Winding to shell, W/K, with its air-gap fluid where it has one. */
  readonly coupleWK: number;
  /** Shell to air: still + moving v^0.7, W/K, v in m/s; of a can that fans itself the still part grows with its turns. */
  readonly stillWK: number;
  /** Turns of the can per m/s of road over 4000 a minute; undefined for one that does not fan itself. */
  readonly fans?: number;
  readonly movingWK: number;
  /** The controller takes phase current back from here to nothing there; Infinity without a sensor. */
  readonly rollbackStartC: number;
  readonly rollbackEndC: number;
  /** Magnets and insulation suffer from here. */
  readonly damageC: number;
}

/** Temperatures of the two bodies, C. */
export interface Warmth {
  readonly windingC: number;
  readonly shellC: number;
}

/** Shell to air at road speed `v` m/s, W/K: h0 + h1 v^0.7. From memory, the usual power for a body in a stream. */
export function airCooling(t: Thermal, v: number): number {
  const wind = Math.pow(Math.max(0, v), 0.7);
  const still = t.fans === undefined ? 1 : Math.max(AT_REST, Math.pow(t.fans, 0.7) * wind);
  return t.stillWK * still + t.movingWK * wind;
}

/** What a can that stands still loses of what it loses at 4000 a minute. From memory. */
const AT_REST = 0.1;

/** Share of the phase limit left at a winding temperature: 1 below the span, falling evenly to 0 at its end. */
export function rollbackShare(t: Thermal, windingC: number): number {
  if (windingC <= t.rollbackStartC) return 1;
  return windingC >= t.rollbackEndC ? 0 : (t.rollbackEndC - windingC) / (t.rollbackEndC - t.rollbackStartC);
}

/**
 * One step of `dt` seconds by backward Euler, the two bodies solved together: unconditionally stable, and exact
 * at rest.
 * Cw dTw/dt = windingW - G (Tw - Ts);  Cs dTs/dt = G (Tw - Ts) + shellW - h (Ts - Ta)
 */
export function heatStep(
  t: Thermal,
  from: Warmth,
  windingW: number,
  shellW: number,
  cooling: number,
  airC: number,
  dt: number,
): Warmth {
  const g = t.coupleWK;
  const a = t.windingJK / dt + g;
  const d = t.shellJK / dt + g + cooling;
  const p = (t.windingJK / dt) * from.windingC + windingW;
  const q = (t.shellJK / dt) * from.shellC + shellW + cooling * airC;
  const determinant = a * d - g * g;
  return { windingC: (p * d + g * q) / determinant, shellC: (a * q + g * p) / determinant };
}

/**
 * What heats a motor that works evenly: copper loss at 20 C (it grows with the winding's temperature), and what
 * else falls in winding and shell, W.
 */
export interface SteadyHeat {
  readonly copper20W: number;
  readonly coreW: number;
  readonly shellW: number;
}

/**
 * Where an even load leads in the end, C; undefined where copper loss grows faster than heat leaves (it runs
 * away). Derived: Tw = Ta + (W + S)/h + W/G with W = copper20 (1 + 0.00393 (Tw - 20)) + core.
 */
export function steadyWarmth(
  t: Thermal,
  heat: SteadyHeat,
  cooling: number,
  airC: number,
): Warmth | undefined {
  const path = 1 / cooling + 1 / t.coupleWK;
  const slope = heat.copper20W * copperGrowth * path;
  if (slope >= 1) return undefined;
  const cold = heat.copper20W * (1 - 20 * copperGrowth) + heat.coreW;
  const windingC = (airC + cold * path + heat.shellW / cooling) / (1 - slope);
  const windingW = cold + heat.copper20W * copperGrowth * windingC;
  return { windingC, shellC: airC + (windingW + heat.shellW) / cooling };
}

/**
 * The most that a winding at `windingC` comes to if what it now loses goes on, C; Infinity where it would run away.
 * All of the loss is taken for copper loss, which grows with the temperature: the core's share does not, so this is
 * never too little. Derived as `steadyWarmth` is.
 * @param magnetGrowth by which share that loss grows for each kelvin of the shell, whose magnets weaken; near its end the shell
 * rises by no more than the winding does
 */
export function settlesAtMost(
  t: Thermal,
  windingC: number,
  windingW: number,
  shellW: number,
  cooling: number,
  airC: number,
  magnetGrowth = 0,
): number {
  const path = 1 / cooling + 1 / t.coupleWK;
  const growth = copperGrowth / (1 + copperGrowth * (windingC - 20)) + magnetGrowth;
  const slope = windingW * growth * path;
  if (!(slope < 1)) return Infinity;
  return (airC + shellW / cooling + windingW * path * (1 - growth * windingC)) / (1 - slope);
}

/**
 * Temperatures after `seconds` of an even load, exactly: the system is linear, T(t) = T* + exp(A t) (T0 - T*)
 * with A's two real eigenvalues (its off-diagonal terms have one sign), by Sylvester's formula.
 */
export function warmthAfter(
  t: Thermal,
  from: Warmth,
  heat: SteadyHeat,
  cooling: number,
  airC: number,
  seconds: number,
): Warmth {
  const a = (heat.copper20W * copperGrowth - t.coupleWK) / t.windingJK;
  const b = t.coupleWK / t.windingJK;
  const c = t.coupleWK / t.shellJK;
  const d = -(t.coupleWK + cooling) / t.shellJK;
  const f = (heat.copper20W * (1 - 20 * copperGrowth) + heat.coreW) / t.windingJK;
  const g = (heat.shellW + cooling * airC) / t.shellJK;
  const determinant = a * d - b * c;
  const restW = (b * g - d * f) / determinant;
  const restS = (c * f - a * g) / determinant;
  const root = Math.sqrt(((a - d) / 2) ** 2 + b * c);
  const [fast, slow] = [(a + d) / 2 - root, (a + d) / 2 + root];
  const [w, s] = [from.windingC - restW, from.shellC - restS];
  const [ef, es] = [Math.exp(fast * seconds), Math.exp(slow * seconds)];
  // exp(A t) = (es (A - fast) - ef (A - slow)) / (slow - fast)
  const onA = (es - ef) / (slow - fast);
  const onI = (ef * slow - es * fast) / (slow - fast);
  return {
    windingC: restW + onA * (a * w + b * s) + onI * w,
    shellC: restS + onA * (c * w + d * s) + onI * s,
  };
}

/** An even load that has not warmed the winding so far in this long never matters to a ride, s. */
const LONGEST_S = 6 * 3600;

/** Seconds of an even load until the winding is at `limitC`; undefined where it does not get there in six hours. */
export function secondsTo(
  limitC: number,
  t: Thermal,
  from: Warmth,
  heat: SteadyHeat,
  cooling: number,
  airC: number,
): number | undefined {
  if (from.windingC >= limitC) return 0;
  const at = (seconds: number): number => warmthAfter(t, from, heat, cooling, airC, seconds).windingC;
  if (!(at(LONGEST_S) >= limitC)) return undefined;
  let [low, high] = [0, LONGEST_S];
  while (high - low > 0.01) {
    const middle = (low + high) / 2;
    if (at(middle) < limitC) low = middle;
    else high = middle;
  }
  return high;
}
