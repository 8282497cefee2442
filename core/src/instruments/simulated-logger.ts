import type { BuildDocument, QuantityPath } from '../document/document.ts';
import { knownBuild } from '../document/known.ts';
import { knownAt, withValue } from '../document/quantity-at.ts';
import { supplyAt } from '../machine/battery.ts';
import { airCooling, heatStep, type Warmth } from '../machine/thermal.ts';
import { interpolate } from '../quantity/numerics.ts';
import { elevationAlong } from '../route/profile.ts';
import type { Route } from '../route/route.ts';
import type { Recording } from '../road/channels.ts';
import { ridePlan, type Effort, type RidePlan } from '../trips/ride-plan.ts';
import { noiseOf } from './noise.ts';

/** What the machine really is where it is not what the plan says: a factor on a value of the plan. */
export type Truth = Partial<Record<QuantityPath, number>>;

/** Faults that the simulated logger can be asked to have had. */
export const LOGGER_FAULTS = ['none', 'gap', 'wheel-stops', 'spike'] as const;
export type LoggerFault = (typeof LOGGER_FAULTS)[number];

export interface SimulatedRide {
  readonly route: Route;
  readonly effort: Effort;
  readonly seed: number;
  /** Wind as it felt on the way, m/s ahead; and the air, C. */
  readonly windMs: number;
  readonly windFromDeg: number | undefined;
  readonly airC: number;
  readonly truth: Truth;
  readonly fault: LoggerFault;
  /** Rows a second, 1 where nothing is said; noise of all channels, 1 for what is usual. */
  readonly hertz?: number;
  readonly noise?: number;
  /** Standing still at the end, s: the winding cools into the shell. */
  readonly standsS?: number;
}

/** What follows from each other by default: where one of them is another in truth, the rest stays what the plan had. */
const MOTOR: readonly QuantityPath[] = [
  'drive.kvRpmPerV',
  'drive.resistanceOhm',
  'drive.hysteresisNm',
  'drive.eddyNms',
  'drive.efficiency',
  'drive.windingHeatJK',
  'drive.shellHeatJK',
  'drive.coupleWK',
  'drive.coolStillWK',
  'drive.coolMovingWK',
];

/** The build as it really is: values of the plan times their factors. */
export function trueBuild(build: BuildDocument, truth: Truth): BuildDocument {
  const known = knownBuild(build);
  const settled = MOTOR.reduce((b, path) => withValue(b, path, knownAt(known, path).value), build);
  return (Object.entries(truth) as [QuantityPath, number][]).reduce(
    (b, [path, factor]) => withValue(b, path, knownAt(known, path).value * factor),
    settled,
  );
}

/** Usual errors of a logger: a share of the value and a last digit's worth. From memory. */
const NOISE = {
  speed: [0.005, 0.02],
  volts: [0, 0.03],
  amps: [0.005, 0.05],
  windingC: [0, 0.4],
  elevation: [0, 0.15],
  riderW: [0.02, 2],
} as const;

/**
 * A ride of a build over a road as a logger on board would have written it down: simulated, and to be told so wherever it stands.
 * The same seed gives the same rows.
 */
export function simulatedLog(build: BuildDocument, ride: SimulatedRide): Recording {
  const day = [
    ['brief.temperatureC', ride.airC],
    ['brief.headwindMs', ride.windMs],
    ...(ride.windFromDeg === undefined ? [] : ([['brief.windFromDeg', ride.windFromDeg]] as const)),
  ] as const;
  const real = day.reduce((b, [path, value]) => withValue(b, path, value), trueBuild(build, ride.truth));
  const plan = ridePlan(real, ride.route, ride.effort, 'helping', 'ahead');
  const done = plan.ride({ traceEvery: 2, step: 1 });
  const { trace } = done;
  if (trace === undefined) throw new TypeError('a ride without a trace');
  const { normal, next } = noiseOf(ride.seed);
  const hertz = ride.hertz ?? 1;
  const moving = Math.max(2, Math.floor(done.seconds * hertz) + 1);
  const n = moving + Math.round((ride.standsS ?? 0) * hertz);
  const column = (): Float64Array => new Float64Array(n);
  const [seconds, distance] = [column(), column()];
  const [speed, volts, amps, windingC, elevation, riderW, cadence] = [
    column(),
    column(),
    column(),
    column(),
    column(),
    column(),
    column(),
  ];
  const noisy = (of: keyof typeof NOISE, value: number): number => {
    const [share, digit] = NOISE[of];
    return value + (ride.noise ?? 1) * normal() * Math.hypot(share * value, digit);
  };
  const gapAt = ride.fault === 'gap' ? next() * 0.6 + 0.2 : NaN;
  const spikeAt = ride.fault === 'spike' ? Math.floor(moving * (0.2 + 0.6 * next())) : -1;
  const rest = cooling(plan, done.warmth);
  const along = walker(trace.seconds);
  let counted = 0;
  let before = 0;
  const kept: number[] = [];
  for (let i = 0; i < n; i += 1) {
    const t = i / hertz;
    const rides = i < moving;
    const at = rides ? along(t) : undefined;
    const of = (values: readonly number[]): number =>
      at === undefined
        ? (values.at(-1) ?? 0)
        : (values[at.low] ?? 0) * (1 - at.share) + (values[at.high] ?? 0) * at.share;
    const metres = of(trace.metres);
    const power = rides ? of(trace.batteryA) : 0;
    // A wheel magnet that is read by the motor alone stops counting with it.
    counted += ride.fault === 'wheel-stops' && power < 0.5 ? 0 : metres - before;
    before = metres;
    seconds[i] = t;
    distance[i] = counted;
    speed[i] = rides ? Math.max(0, noisy('speed', of(trace.speed))) : 0;
    const open = supplyAt(plan.machine.pack, done.charge).openVolts;
    volts[i] = noisy('volts', rides ? of(trace.volts) : open);
    amps[i] = rides ? noisy('amps', power) : 0;
    windingC[i] = noisy('windingC', rides ? of(trace.windingC) : rest((i - moving) / hertz));
    elevation[i] = noisy('elevation', elevationAlong(ride.route, metres));
    cadence[i] = rides && at !== undefined ? Math.round(trace.cadenceRpm[at.high] ?? 0) : 0;
    riderW[i] = rides ? Math.max(0, noisy('riderW', of(trace.riderW))) : 0;
    if (i === spikeAt) windingC[i] = 240;
    const share = i / moving;
    if (!(share > gapAt && share < gapAt + 0.05)) kept.push(i);
  }
  const taken = (values: Float64Array): Float64Array =>
    kept.length === n ? values : Float64Array.from(kept, (i) => values[i] ?? NaN);
  return {
    seconds: taken(seconds),
    columns: {
      distance: taken(distance),
      speed: taken(speed),
      volts: taken(volts),
      amps: taken(amps),
      windingC: taken(windingC),
      elevation: taken(elevation),
      riderW: taken(riderW),
      cadence: taken(cadence),
    },
  };
}

/** Where a time lies among ascending times: asked in their order, it walks. */
function walker(times: readonly number[]): (t: number) => { low: number; high: number; share: number } {
  let high = 1;
  return (t) => {
    while (high < times.length - 1 && (times[high] ?? 0) < t) high += 1;
    const low = high - 1;
    const [a, b] = [times[low] ?? 0, times[high] ?? 0];
    return { low, high: Math.min(high, times.length - 1), share: interpolate([a, b], [0, 1], t) };
  };
}

/** The winding after the end of a ride, standing still in the air. */
function cooling({ machine: { thermal, airC } }: RidePlan, end: Warmth): (t: number) => number {
  let [warmth, then] = [end, 0];
  return (t) => {
    if (t > then) warmth = heatStep(thermal, warmth, 0, 0, airCooling(thermal, 0), airC, t - then);
    then = Math.max(then, t);
    return warmth.windingC;
  };
}
