import { STANDARD_GRAVITY } from '../../quantity/constants.ts';
import type { Machine } from '../../machine/machine.ts';
import { setMagnets, warmMachine } from '../../machine/magnets.ts';
import { warmResistance, wheelForce } from '../../machine/motor.ts';
import { riderForce } from '../../machine/rider.ts';
import { easeAt, electricalWatts, partThrottleAmps } from '../../ride/operating-point.ts';
import { TURNING_KG } from '../../ride/stepper.ts';
import type { Prepared } from './learn-ride.ts';

/** Factors on what the plan knows, and what is off in a reading; all of them nought change nothing. */
export interface Guess {
  /** Logarithms of factors. */
  readonly cda: number;
  readonly crr: number;
  readonly eta: number;
  readonly ohm: number;
  readonly mass: number;
  /** The current sensor reads so much more, as a share; the road is so much steeper than its heights say. */
  readonly gain: number;
  readonly zero: number;
  /** Wind ahead beyond what was noted, m/s. */
  readonly wind: number;
}

/** A stretch of a ride with one reading: its rows, and what was measured of them together. */
export interface Stretch {
  readonly of: Prepared;
  readonly from: number;
  readonly to: number;
  readonly kind: 'power' | 'roll';
  /** W, or m/s2. */
  readonly measured: number;
  readonly sd: number;
  /** Which way it rolled: the wind turns with it. */
  readonly way: 1 | -1;
}

/** Stretches of power: so long, s, in motion, under load, not braked. From methods tried out on drawn rides. */
const POWER_S = 20;
const MOVES_MS = 2;
const LOADED_A = 0.7;
const BRAKED = -0.25;
/** So many of one ride at most: an everyday ride is not to outweigh a hill. */
const MOST_STRETCHES = 60;
const GAP_S = 3;
/** How well a power is known: the sensor, the slope, and what is left, W. */
const POWER_SHARE = 0.01;
const SLOPE_SD = 0.001;
const POWER_W = 8;
/** Legs that nobody recorded are off by this share of what the plan thinks of them. */
const LEGS_SHARE = 0.3;
/** Rolling: so long, s, without load; and how well a slope of speed is known, m/s2. */
const ROLL_S = 5;
const UNLOADED_A = 0.4;
const ROLL_SD = 0.012;

const meanOf = (values: ArrayLike<number>, from: number, to: number): number => {
  let sum = 0;
  for (let i = from; i < to; i += 1) sum += values[i] ?? NaN;
  return sum / (to - from);
};

/** Runs of rows that hold a condition, cut into lengths of so many seconds. */
function runs(
  p: Prepared,
  holds: (i: number) => boolean,
  seconds: number,
): readonly (readonly [number, number])[] {
  const out: (readonly [number, number])[] = [];
  let from = -1;
  for (let i = 0; i <= p.seconds.length; i += 1) {
    const gap = i > 0 && (p.seconds[i] ?? Infinity) - (p.seconds[i - 1] ?? 0) > GAP_S;
    const good = i < p.seconds.length && holds(i) && !gap;
    if (!good) {
      from = i < p.seconds.length && holds(i) ? i : -1;
      continue;
    }
    if (from < 0) from = i;
    if ((p.seconds[i] ?? 0) - (p.seconds[from] ?? 0) >= seconds - 1e-9) {
      out.push([from, i]);
      from = i;
    }
  }
  return out;
}

function powerStretches(p: Prepared): readonly Stretch[] {
  const holds = (i: number): boolean =>
    (p.v[i] ?? 0) > MOVES_MS &&
    (p.a[i] ?? 0) > BRAKED &&
    !Number.isNaN(p.sine[i] ?? NaN) &&
    !Number.isNaN(p.watts[i] ?? NaN);
  const all = runs(p, holds, POWER_S).filter(([from, to]) => meanOf(p.amps, from, to) > LOADED_A);
  const every = Math.max(1, all.length / MOST_STRETCHES);
  const { massKg } = p.machine.road;
  return all
    .filter((_, i) => Math.floor(i / every) !== Math.floor((i - 1) / every))
    .map(([from, to]) => {
      const measured = meanOf(p.watts, from, to);
      const legs = p.riderW === undefined ? LEGS_SHARE * p.machine.rider.powerW : 0;
      const slope = SLOPE_SD * massKg * STANDARD_GRAVITY * meanOf(p.v, from, to);
      const sd = Math.hypot(POWER_SHARE * measured, slope, POWER_W, legs);
      return { of: p, from, to, kind: 'power', measured, sd, way: 1 };
    });
}

/** Rolling out, one way and then the other: each run from a start that was faster. */
function rollStretches(p: Prepared): readonly Stretch[] {
  // Speeds are smoothed: near to where it was pulled they still know of it.
  const free = (i: number): boolean => !(Math.abs(p.amps[i] ?? 0) >= UNLOADED_A);
  const holds = (i: number): boolean =>
    (p.v[i] ?? 0) > MOVES_MS &&
    [-4, -3, -2, -1, 0, 1, 2].every((k) => free(i + k)) &&
    (p.a[i] ?? 0) < -0.01 &&
    (p.a[i] ?? 0) > -1;
  const out: Stretch[] = [];
  let way: 1 | -1 = -1;
  let before = -1;
  for (const [from, to] of runs(p, holds, ROLL_S)) {
    // Another run begins where it was faster again.
    if (before < 0 || (p.v[from] ?? 0) > (p.v[before] ?? 0) + 1 || from > before + 5)
      way = way === 1 ? -1 : 1;
    before = to;
    const dt = (p.seconds[to] ?? 0) - (p.seconds[from] ?? 0);
    const measured = ((p.v[to] ?? 0) - (p.v[from] ?? 0)) / dt;
    out.push({ of: p, from, to, kind: 'roll', measured, sd: ROLL_SD, way });
  }
  return out;
}

/** What a ride tells of forces. */
export const stretchesOf = (p: Prepared): readonly Stretch[] =>
  p.kind === 'coast-down' ? rollStretches(p) : powerStretches(p);

/** A machine with the factors of a guess. */
const guessed = (machine: Machine, g: Guess): Machine => ({
  ...machine,
  efficiency: Math.min(0.999, machine.efficiency * Math.exp(g.eta)),
  motor: { ...machine.motor, resistance20: machine.motor.resistance20 * Math.exp(g.ohm) },
});

/** What resists at a row, N, without what gathers speed. */
function resists(p: Prepared, g: Guess, massKg: number, i: number, wind: number): number {
  const { road } = p.machine;
  const sine = p.sine[i] ?? NaN;
  const slope = (Number.isNaN(sine) ? 0 : sine) + g.zero;
  const air = (p.v[i] ?? 0) + wind;
  const rolling = road.crr * Math.exp(g.crr) + (p.soft[i] ?? 0);
  return (
    massKg * STANDARD_GRAVITY * (slope + rolling * Math.sqrt(1 - slope * slope)) +
    0.5 * road.airDensity * road.cdaM2 * Math.exp(g.cda) * air * Math.abs(air)
  );
}

/** Force of the legs at the tyre: recorded, else as the plan thinks. */
function legs(p: Prepared, i: number, v: number, load: number): number {
  const { machine } = p;
  if (p.riderW !== undefined) return ((p.riderW[i] ?? 0) * machine.chainEfficiency) / Math.max(1, v);
  const [gear] = machine.gears;
  if (gear === undefined) return 0;
  return Math.min(
    Math.max(0, load),
    easeAt(machine, v) * riderForce(machine.rider, gear, machine.chainEfficiency, v),
  );
}

/** What the guess says of a stretch: second by second, then the mean. */
export function predicted(s: Stretch, g: Guess): number {
  const { of: p, from, to } = s;
  const base = p.machine;
  const massKg = base.road.massKg * Math.exp(g.mass);
  const wind = p.windMs + g.wind;
  if (s.kind === 'roll') {
    let force = 0;
    for (let i = from; i < to; i += 1) {
      const v = p.v[i] ?? 0;
      force += resists(p, { ...g, zero: g.zero * s.way }, massKg, i, s.way * g.wind);
      if (!base.motor.freewheel) {
        const [gear] = base.gears;
        if (gear !== undefined) force -= wheelForce(base.motor, gear.motorRatio, base.efficiency, 0, v);
      }
    }
    return -force / (to - from) / (massKg + TURNING_KG);
  }
  const machine = guessed(base, g);
  const warm = warmMachine(machine);
  let sum = 0;
  for (let i = from; i < to; i += 1) {
    const v = p.v[i] ?? 0;
    const load = (massKg + TURNING_KG) * (p.a[i] ?? 0) + resists(p, g, massKg, i, wind);
    const motorN = load - legs(p, i, v, load);
    const winding = p.windingC?.[i] ?? NaN;
    const windingC = Number.isNaN(winding) ? STATED_C : winding;
    setMagnets(warm, machine, p.magnetC(i));
    warm.circuitOhm = warmResistance(machine.motor.resistance20, windingC) + machine.controllerOhm;
    const gear = p.gears[i];
    if (gear === undefined) continue;
    sum += electricalWatts(warm, gear, partThrottleAmps(warm, gear, v, motorN), v);
  }
  return (sum / (to - from)) * (1 + g.gain);
}

/** A winding that nobody read is as warm as on an ordinary ride, C. Common practice. */
const STATED_C = 50;
