import type { BuildDocument } from '../../document/document.ts';
import { withValue } from '../../document/quantity-at.ts';
import { assemble } from '../../machine/assemble.ts';
import { supplyOn } from '../../machine/diodes.ts';
import type { Gear } from '../../machine/driveline.ts';
import type { Machine } from '../../machine/machine.ts';
import { airCooling } from '../../machine/thermal.ts';
import { STATED_CHARGE } from '../../ride/stated.ts';
import { traction } from '../../ride/traction.ts';
import { distancesOf, speedsOf, wattsAt } from '../log-columns.ts';
import type { Route } from '../../route/route.ts';
import { SURFACE_DATA } from '../../route/surface.ts';
import type { Recording } from '../channels.ts';
import { groundOf } from '../own-road.ts';
import type { RideKind, RideRecord } from '../ride-record.ts';

/** A ride that may teach: with its recording, where it has one. */
export interface LearnRide {
  readonly key: string;
  readonly ride: RideRecord;
  readonly recording: Recording | undefined;
  /** The road that it says it went along: what its ground is. */
  readonly route?: Route | undefined;
}

/** A ride as the fit sees it: the machine of the plan in the air of that day, and rows an even second or so apart, SI. */
export interface Prepared {
  readonly key: string;
  readonly kind: RideKind;
  readonly on: string;
  readonly machine: Machine;
  readonly windKnown: boolean;
  /** Wind ahead as it was noted; nought where it turns with the road, or nobody noted it. */
  readonly windMs: number;
  readonly seconds: Float64Array;
  readonly metres: Float64Array;
  /** Smoothed over five rows, and its slope over two seconds to either side. */
  readonly v: Float64Array;
  readonly a: Float64Array;
  /** Sine of the slope of the road; NaN where no height was recorded. */
  readonly sine: Float64Array;
  /** What the ground adds to the rolling coefficient. */
  readonly soft: Float64Array;
  /** Out of the pack, W, and through it, A. */
  readonly watts: Float64Array;
  readonly amps: Float64Array;
  readonly windingC: Float64Array | undefined;
  /** The magnets beside a winding that was read, C; 20 where it was not. */
  readonly magnetC: (row: number) => number;
  /** The gear of a row: by the cadence that was recorded, else as the plan would shift. */
  readonly gears: readonly (Gear | undefined)[];
  /** The rider's own power; undefined where it was not recorded. */
  readonly riderW: Float64Array | undefined;
}

/** Heights are taken over so many metres to either side: closer they are the noise of the reading. */
const SLOPE_M = 25;
const SLOPE_S = 2;

function smoothed(values: ArrayLike<number>): Float64Array {
  const n = values.length;
  return Float64Array.from({ length: n }, (_, i) => {
    let [sum, count] = [0, 0];
    for (let k = Math.max(0, i - 2); k <= Math.min(n - 1, i + 2); k += 1) {
      const v = values[k] ?? NaN;
      if (Number.isNaN(v)) continue;
      sum += v;
      count += 1;
    }
    return count === 0 ? NaN : sum / count;
  });
}

/** Slope by least squares over a window in time. */
function slopes(seconds: Float64Array, values: Float64Array): Float64Array {
  const n = values.length;
  let [from, to] = [0, 0];
  return Float64Array.from({ length: n }, (_, i) => {
    const t = seconds[i] ?? 0;
    while ((seconds[from] ?? 0) < t - SLOPE_S - 1e-9) from += 1;
    while (to < n - 1 && (seconds[to + 1] ?? 0) <= t + SLOPE_S + 1e-9) to += 1;
    let [m, st, sv] = [0, 0, 0];
    for (let k = from; k <= to; k += 1) {
      m += 1;
      st += seconds[k] ?? 0;
      sv += values[k] ?? 0;
    }
    let [over, under] = [0, 0];
    for (let k = from; k <= to; k += 1) {
      const x = (seconds[k] ?? 0) - st / m;
      over += x * ((values[k] ?? 0) - sv / m);
      under += x * x;
    }
    return under > 0 ? over / under : 0;
  });
}

/** Sine of the slope, by a straight line of least squares through the heights over some metres to either side. */
function sines(metres: Float64Array, elevation: ArrayLike<number> | undefined): Float64Array {
  const n = metres.length;
  if (elevation === undefined) return new Float64Array(n).fill(NaN);
  let [from, to] = [0, 0];
  return Float64Array.from({ length: n }, (_, i) => {
    const x0 = metres[i] ?? 0;
    while ((metres[from] ?? 0) < x0 - SLOPE_M) from += 1;
    while (to < n - 1 && (metres[to + 1] ?? 0) <= x0 + SLOPE_M) to += 1;
    let [m, sx, se] = [0, 0, 0];
    for (let k = from; k <= to; k += 1) {
      m += 1;
      sx += metres[k] ?? 0;
      se += elevation[k] ?? 0;
    }
    let [over, under] = [0, 0];
    for (let k = from; k <= to; k += 1) {
      const x = (metres[k] ?? 0) - sx / m;
      over += x * ((elevation[k] ?? 0) - se / m);
      under += x * x;
    }
    return under > 4 ? Math.max(-0.4, Math.min(0.4, over / under)) : 0;
  });
}

/** What the ground of a known road adds, row by row. */
function softOf(metres: Float64Array, { road }: Machine, route: Route | undefined): Float64Array {
  const ground = groundOf(route, metres.at(-1) ?? 0);
  const out = new Float64Array(metres.length);
  for (const { fromM, toM, surface } of ground)
    for (let i = 0; i < out.length; i += 1) {
      const x = metres[i] ?? 0;
      if (x >= fromM && x <= toM) out[i] = SURFACE_DATA[surface].adds * (road.sinks ?? 1);
    }
  return out;
}

/** The plan in the air and with the load of the day. */
function machineOn(build: BuildDocument, { airC, loadKg }: RideRecord): Machine {
  let day = build;
  if (airC !== null) day = withValue(day, 'brief.temperatureC', airC);
  if (loadKg !== null) day = withValue(day, 'brief.loadMassKg', loadKg);
  return assemble(withValue(day, 'brief.headwindMs', 0));
}

/** Shifting is looked at by steps of speed, m/s. */
const SPEED_STEP = 0.1;

function gearsOf(
  machine: Machine,
  v: Float64Array,
  cadence: ArrayLike<number> | undefined,
): readonly (Gear | undefined)[] {
  const [only, ...more] = machine.gears;
  if (machine.kind !== 'mid-drive' || more.length === 0) return Array.from(v, () => only);
  const supply = supplyOn(machine, STATED_CHARGE);
  const shifted = new Map<number, Gear>();
  const byPlan = (speed: number): Gear => {
    const step = Math.round(Math.max(0.5, speed) / SPEED_STEP);
    const known =
      shifted.get(step) ?? traction(machine, supply, step * SPEED_STEP, machine.heldGear ?? 'best').gear;
    shifted.set(step, known);
    return known;
  };
  return Array.from(v, (speed, i) => {
    const rpm = cadence?.[i] ?? 0;
    if (!(rpm > 20) || speed < 0.5) return byPlan(speed);
    const ratio = (rpm * Math.PI) / 30 / speed;
    return machine.gears.reduce((a, b) =>
      Math.abs(Math.log(b.crankRatio / ratio)) < Math.abs(Math.log(a.crankRatio / ratio)) ? b : a,
    );
  });
}

/** Magnets of a motor whose winding nobody read are taken as the plain figures take them, C. */
const PLAIN_C = 20;
/** A gap in a recording is not warmed over for longer than this at once, s. */
const GAP_S = 60;

/**
 * The shell, and the magnets in it, beside a winding that was read: Cs dTs/dt = G (Tw - Ts) - h (Ts - Ta) by backward Euler, from
 * as warm as the winding on. What gears lose in the shell is left out: it warms a motor by a few kelvin.
 */
function magnetsBeside(
  { thermal, airC }: Machine,
  seconds: Float64Array,
  v: Float64Array,
  windingC: Float64Array,
): Float64Array {
  let read = windingC.find((c) => !Number.isNaN(c)) ?? airC;
  let shellC = read;
  return windingC.map((c, i) => {
    if (!Number.isNaN(c)) read = c;
    const dt = Math.min(GAP_S, (seconds[i] ?? 0) - (seconds[i - 1] ?? seconds[i] ?? 0));
    if (dt <= 0) return shellC;
    const air = airCooling(thermal, v[i] ?? 0);
    const own = thermal.shellJK / dt;
    shellC = (own * shellC + thermal.coupleWK * read + air * airC) / (own + thermal.coupleWK + air);
    return shellC;
  });
}

/** A recording made ready for the fits; undefined where there is none, or it is too short to tell anything. */
export function prepared(
  build: BuildDocument,
  { key, ride, recording, route }: LearnRide,
): Prepared | undefined {
  if (recording === undefined || recording.seconds.length < 20) return undefined;
  const { seconds, columns } = recording;
  const { metres } = distancesOf(recording);
  const v = smoothed(speedsOf(recording, metres) ?? new Float64Array(seconds.length));
  const machine = machineOn(build, ride);
  const volts = supplyOn(machine, STATED_CHARGE).openVolts;
  const { windMs, windFromDeg } = ride;
  const windingC = columns.windingC === undefined ? undefined : Float64Array.from(columns.windingC);
  const magnetC = windingC && magnetsBeside(machine, seconds, v, windingC);
  return {
    key,
    kind: ride.kind,
    on: ride.on,
    machine,
    windKnown: windMs !== null && (windMs <= 2 || windFromDeg !== null),
    windMs: windMs ?? 0,
    seconds,
    metres,
    v,
    a: slopes(seconds, v),
    sine: sines(metres, columns.elevation),
    soft: softOf(metres, machine, route),
    watts: Float64Array.from(seconds, (_, i) => wattsAt(recording, i)),
    // Without a channel of its own the current is as good as its volts at half charge: it only tells load from none.
    amps: Float64Array.from(seconds, (_, i) => {
      const amps = columns.amps?.[i] ?? NaN;
      return Number.isNaN(amps) ? wattsAt(recording, i) / volts : amps;
    }),
    windingC,
    magnetC: (row) => magnetC?.[row] ?? PLAIN_C,
    gears: gearsOf(machine, v, columns.cadence),
    riderW: columns.riderW === undefined ? undefined : Float64Array.from(columns.riderW),
  };
}
