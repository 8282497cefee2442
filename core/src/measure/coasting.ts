import { STANDARD_GRAVITY } from '../quantity/constants.ts';
import { fitted } from '../quantity/least-squares.ts';
import { qty } from '../quantity/phrase.ts';
import type { UnitSystem } from '../quantity/unit-system.ts';
import { convert } from '../quantity/units.ts';
import { TURNING_KG } from '../ride/stepper.ts';
import {
  optional,
  reading,
  wrong,
  type MeasureHelper,
  type Reading,
  type Readings,
  type Told,
} from './helper.ts';

/** Marks of a speedometer that are passed while slowing, fastest first. */
interface Marks {
  readonly unit: 'km/h' | 'mph';
  readonly at: readonly [number, number, ...number[]];
}

/** Speeds that are passed while rolling out; the first is where the watch starts. */
const MARKS: Readonly<Record<UnitSystem, Marks>> = {
  metric: { unit: 'km/h', at: [35, 30, 25, 20, 15, 10] },
  imperial: { unit: 'mph', at: [22, 19, 16, 13, 10, 7] },
};

/** From the one to the other the drag of a hub is timed. */
const HUB_MARKS: Readonly<Record<UnitSystem, Marks>> = {
  metric: { unit: 'km/h', at: [25, 15] },
  imperial: { unit: 'mph', at: [16, 10] },
};

const inMs = ({ unit }: Marks, speed: number): number => convert(speed, unit, 'm/s');

/** The same words for both speedometers. */
const forBoth = (marks: Readonly<Record<UnitSystem, Marks>>, words: (marks: Marks) => string): Told => ({
  metric: words(marks.metric),
  imperial: words(marks.imperial),
});

/** What slows a rolling machine: v' = -(a + d + b (v + w)^2) one way, and with -d and -w the other. SI. */
export interface Coasting {
  readonly a: number;
  readonly b: number;
  /** Slope, as a deceleration, and headwind of the first way. */
  readonly d: number;
  readonly w: number;
}

/**
 * Seconds from speed `from` to `to`, m/s, in closed form: t = [atan(u0 k) - atan(u k)]/sqrt(a' b), a' = a + d, k = sqrt(b/a'),
 * u = v + w. NaN where the slope carries it on for ever. Derived.
 */
export function coastSeconds({ a, b, d, w }: Coasting, from: number, to: number): number {
  const rolls = a + d;
  if (!(rolls > 0 && b > 0)) return NaN;
  const k = Math.sqrt(b / rolls);
  return (Math.atan((from + w) * k) - Math.atan((to + w) * k)) / Math.sqrt(rolls * b);
}

/** A time taken by hand, s, and how well speeds are known, as a share. */
const HAND_S = 0.2;
const SPEED_SHARE = 0.01;
/** How windy a still day may be, m/s: the fit leans on it where the times do not tell. */
const WIND_MS = 2;

interface Timed {
  readonly way: 1 | -1;
  /** Where the watch started, and where it was stopped, m/s. */
  readonly from: number;
  readonly v: number;
  readonly seconds: number;
  readonly sd: number;
}

/** Scales of slope and wind, so that a step of one is like a step of another; a and b are factors of a first guess. */
const SLOPE_SCALE = 0.02;
const WIND_SCALE = 1;

interface Guess {
  readonly a: number;
  readonly b: number;
}

/** Both ways together: between two marks it slows by a + b v^2 at their middle, a straight line in v^2. */
function firstGuess(rows: readonly Timed[]): Guess {
  const points = ([1, -1] as const).flatMap((way) => {
    const timed = rows.filter((row) => row.way === way);
    const own = [{ v: timed[0]?.from ?? 0, seconds: 0 }, ...timed];
    return own.slice(1).map((row, i) => {
      const before = own[i] ?? row;
      return { x: ((row.v + before.v) / 2) ** 2, y: (before.v - row.v) / (row.seconds - before.seconds) };
    });
  });
  const n = points.length;
  const [mx, my] = [mean(points.map((p) => p.x)), mean(points.map((p) => p.y))];
  const over = points.reduce((sum, p) => sum + (p.x - mx) * (p.y - my), 0);
  const under = points.reduce((sum, p) => sum + (p.x - mx) ** 2, 0);
  const b = n < 2 || under === 0 ? 0.003 : over / under;
  const rolling = Math.max(0.02, b > 0 ? my - b * mx : 0.08);
  return { a: rolling, b: Math.max(0.0005, b) };
}

const mean = (xs: readonly number[]): number => xs.reduce((sum, x) => sum + x, 0) / xs.length;

const coastingOf = (p: readonly number[], guess: Guess): Coasting => ({
  a: guess.a * Math.exp(p[0] ?? 0),
  b: guess.b * Math.exp(p[1] ?? 0),
  d: SLOPE_SCALE * (p[2] ?? 0),
  w: WIND_SCALE * (p[3] ?? 0),
});

const seconds = (c: Coasting, { way, from, v }: Timed): number =>
  coastSeconds({ ...c, d: way * c.d, w: way * c.w }, from, v);

const NEVER = 1e5;

/** What was fitted, with the variances of ln a and ln b. */
interface Fitted {
  readonly coasting: Coasting;
  readonly variances: readonly [number, number];
}

/** All four together, by least squares; undefined where the times hold no answer. */
function fitCoasting(rows: readonly Timed[]): Fitted | undefined {
  const guess = firstGuess(rows);
  // Rows are divided by their own error, and the last one holds the wind to a still day: so they all weigh alike.
  const residuals = (p: readonly number[]): readonly number[] => {
    const c = coastingOf(p, guess);
    const times = rows.map((row) => {
      const t = (seconds(c, row) - row.seconds) / row.sd;
      // It would roll on for ever: as good as never there.
      return Number.isFinite(t) ? t : NEVER;
    });
    return [...times, c.w / WIND_MS];
  };
  const { parameters, covariance, jacobian } = fitted({
    rows: rows.length + 1,
    residuals,
    start: [0, 0, 0, 0],
  });
  if (!jacobian.to1DArray().every((n) => Number.isFinite(n))) return undefined;
  return {
    coasting: coastingOf(parameters, guess),
    variances: [covariance.get(0, 0), covariance.get(1, 1)],
  };
}

/** The error of a time: the hand, and how far the speed is off where it is slow to change. */
function timed(way: 1 | -1, from: number, v: number, taken: number): Timed {
  const slowing = 0.08 + 0.003 * v * v;
  return { way, from, v, seconds: taken, sd: Math.hypot(HAND_S, (SPEED_SHARE * v) / slowing) };
}

const WAYS = [
  ['there', 'one way', 1],
  ['back', 'the other way', -1],
] as const;

const markReadings: readonly Reading[] = WAYS.flatMap(([key, words]) =>
  MARKS.metric.at.slice(1).map((_, i) =>
    optional(
      reading(
        `${key}${String(i + 1)}`,
        forBoth(
          MARKS,
          ({ at, unit }) => `Seconds from ${String(at[0])} to ${String(at[i + 1])} ${unit}, ${words}`,
        ),
        's',
        [0.1, 600],
        0.1,
        1,
      ),
    ),
  ),
);

const timesOf = (readings: Readings, marks: Marks): readonly Timed[] =>
  WAYS.flatMap(([key, , way]) =>
    marks.at.slice(1).flatMap((mark, i) => {
      const taken = readings[`${key}${String(i + 1)}`];
      return taken === undefined ? [] : [timed(way, inMs(marks, marks.at[0]), inMs(marks, mark), taken)];
    }),
  );

/** Fewer than these times on a way say nothing of the four unknowns. */
const LEAST = 3;

/** Drag and rolling by rolling out both ways, with slope and wind as unknowns beside them. */
export const coastDown: MeasureHelper = {
  id: 'coast-down',
  title: 'Drag and rolling by rolling out',
  how: forBoth(
    MARKS,
    ({ at: [first], unit }) =>
      `A level, even road on a still day. From more than ${String(first)} ${unit} let it roll, motor unplugged where it drags; take the seconds from ${String(first)} to each speed. The same the other way: slope and wind fall out. Three pairs are three times as good.`,
  ),
  caution: 'An empty road; never on a descent that you cannot see the end of.',
  readings: markReadings,
  work: (readings, { known, machine, system }) => {
    const rows = timesOf(readings, MARKS[system]);
    if (WAYS.some(([, , way]) => rows.filter((row) => row.way === way).length < LEAST))
      return wrong('Give three times at least of each way.');
    const falling = WAYS.every(([, , way]) =>
      rows.filter((row) => row.way === way).every((row, i, all) => row.seconds > (all[i - 1]?.seconds ?? 0)),
    );
    if (!falling) return wrong('The times have to grow as the speed falls.');
    const fit = fitCoasting(rows);
    if (fit === undefined)
      return wrong('No drag and rolling fit these times: look for one that was misread.');
    const { a, b, d, w } = fit.coasting;
    const { massKg, airDensity } = machine.road;
    const mass = massKg + TURNING_KG;
    const crr = (a * mass) / (STANDARD_GRAVITY * massKg);
    const cda = (2 * b * mass) / airDensity;
    const [varA, varB] = fit.variances;
    // Stated at 20 C: what was measured in the cold was the tyre of the cold.
    const warmth = machine.road.crr / known.donor.crr.value;
    return {
      ok: true,
      values: [
        { path: 'donor.cdaM2', value: cda, sd: cda * Math.sqrt(varB) },
        { path: 'donor.crr', value: crr / warmth, sd: (crr / warmth) * Math.sqrt(varA) },
      ],
      words: [
        'With a slope of ',
        qty((100 * d * mass) / (STANDARD_GRAVITY * massKg), '%', 2),
        ' and a wind of ',
        qty(w, 'm/s', 1),
        ' against the first way. Drag and rolling belong together: what is too much of the one is too little of the other.',
      ],
    };
  },
};

/** Drag of a motor that turns with the wheel, by rolling out with and without it: dF = me dv (1/t1 - 1/t0). */
export const hubDrag: MeasureHelper = {
  id: 'hub-drag',
  title: 'Drag of the hub by rolling out',
  how: forBoth(
    HUB_MARKS,
    ({ at: [from, to], unit }) =>
      `On the same road and way, take the seconds from ${String(from)} to ${String(to)} ${unit} with the motor, and without it: another wheel, or a motor whose plug is out if that frees it. The mean of four runs each.`,
  ),
  caution: 'An empty road.',
  readings: [
    reading(
      'with',
      forBoth(
        HUB_MARKS,
        ({ at: [from, to], unit }) => `Seconds from ${String(from)} to ${String(to)} ${unit}, with the motor`,
      ),
      's',
      [1, 200],
      0.1,
      1,
    ),
    reading('without', 'Seconds without it', 's', [1, 200], 0.1, 1),
  ],
  work: ({ with: t1 = 1, without: t0 = 1 }, { known: { drive }, machine, system }) => {
    if (machine.motor.freewheel) return wrong('A motor behind a freewheel does not drag.');
    const mass = machine.road.massKg + TURNING_KG;
    const marks = HUB_MARKS[system];
    const [from, to] = [inMs(marks, marks.at[0]), inMs(marks, marks.at[1])];
    const dv = from - to;
    const force = mass * dv * (1 / t1 - 1 / t0);
    const sd = mass * dv * Math.hypot(HAND_S / 2 / t1 ** 2, HAND_S / 2 / t0 ** 2);
    const turns = machine.gears[0]?.motorRatio ?? 1;
    const v = (from + to) / 2;
    // The part that grows with speed is taken off, as it stands.
    const value = force / turns / machine.motors - drive.eddyNms.value * turns * v;
    if (value <= 0)
      return wrong(
        'It drags by ',
        qty(force, 'N', 2),
        ', less than the part that grows with speed alone: lower that, or run it again.',
      );
    return {
      ok: true,
      values: [{ path: 'drive.hysteresisNm', value, sd: sd / turns }],
      words: ['It drags by ', qty(force, 'N', 2), ' at the tyre.'],
    };
  },
};
