import { fitted, together } from '../../quantity/least-squares.ts';
import { airCooling, heatStep, type Thermal, type Warmth } from '../../machine/thermal.ts';
import { copperGrowth, coreDrag, magnetShare, warmResistance } from '../../machine/motor.ts';
import type { Prepared } from './learn-ride.ts';

/** What is sought in heat, as logarithms: what warms winding and shell, what joins them, what the air takes. */
export const HEAT_PARAMETERS = ['winding', 'shell', 'couple', 'air'] as const;
/** Values of a kind are usually off by so much. From memory. */
export const HEAT_PRIOR_SD = 0.4;
/** A reading of the winding, and what the model leaves, K. */
const READING_K = 1;
const STEP_S = 5;
const READ_S = 20;
/** Less than this between coolest and hottest tells nothing, K. */
const LEAST_K = 12;
const HUBER = 2;

/** Losses of a step, worked out from what was drawn; they do not hang on what is sought. */
interface HeatRow {
  readonly dt: number;
  readonly v: number;
  /** Phase current, and what the winding loses by it at 20 C, W. */
  readonly copper20W: number;
  readonly coreW: number;
  readonly shellW: number;
  /** NaN where it is not read here. */
  readonly readC: number;
}

type Losses = Omit<HeatRow, 'dt' | 'readC'>;

/**
 * Losses row by row, then their mean: the square of a mean current is less than the mean of its squares. Phase current from the
 * watts that were drawn, P = (E + drop + R I) I, solved without cancellation.
 */
function lossesOf(p: Prepared, windingC: Float64Array, from: number, to: number): Losses {
  const { machine } = p;
  let [v, copper20W, coreW, shellW] = [0, 0, 0, 0];
  for (let k = from; k < to; k += 1) {
    const watts = p.watts[k] ?? NaN;
    const speed = p.v[k] ?? 0;
    const omega = (p.gears[k]?.motorRatio ?? 0) * speed;
    const taken =
      Math.max(0, (Number.isNaN(watts) ? 0 : watts) - machine.limits.standbyW) / machine.packShare;
    const kt = machine.motor.kt * magnetShare(machine.motor, p.magnetC(k));
    const e = kt * omega + machine.dropV;
    const read = windingC[k] ?? NaN;
    const ohm = Number.isNaN(read)
      ? machine.circuitOhm
      : warmResistance(machine.motor.resistance20, read) + machine.controllerOhm;
    const amps = taken <= 0 ? 0 : (2 * taken) / (e + Math.sqrt(e * e + 4 * ohm * taken));
    const turns = amps > 0 || !machine.motor.freewheel;
    const core = turns ? coreDrag(machine.motor, omega) * omega : 0;
    v += speed;
    copper20W += amps * amps * machine.motor.resistance20;
    coreW += core;
    // Inside the motor its gears lose; chain and ring warm the air.
    shellW += Math.max(0, kt * omega * amps - core) * (1 - machine.gearEfficiency);
  }
  const n = to - from;
  return { v: v / n, copper20W: copper20W / n, coreW: coreW / n, shellW: shellW / n };
}

function heatRows(p: Prepared): readonly HeatRow[] {
  const { windingC } = p;
  if (windingC === undefined) return [];
  const rows: HeatRow[] = [];
  let [from, sinceRead] = [0, Infinity];
  for (let i = 1; i < p.seconds.length; i += 1) {
    const dt = (p.seconds[i] ?? 0) - (p.seconds[from] ?? 0);
    if (dt < STEP_S - 1e-9) continue;
    const mean = lossesOf(p, windingC, from, i);
    sinceRead += dt;
    const due = sinceRead >= READ_S - 1e-9;
    if (due) sinceRead = 0;
    rows.push({ ...mean, dt: Math.min(dt, 60), readC: due ? (windingC[i] ?? NaN) : NaN });
    from = i;
  }
  return rows;
}

const with4 = (t: Thermal, [winding, shell, couple, air]: readonly number[]): Thermal => ({
  ...t,
  windingJK: t.windingJK * Math.exp(winding ?? 0),
  shellJK: t.shellJK * Math.exp(shell ?? 0),
  coupleWK: t.coupleWK * Math.exp(couple ?? 0),
  stillWK: t.stillWK * Math.exp(air ?? 0),
  movingWK: t.movingWK * Math.exp(air ?? 0),
});

/** Winding at each row that was read. */
function warmed(p: Prepared, rows: readonly HeatRow[], start: Warmth, thermal: Thermal): readonly number[] {
  const out: number[] = [];
  let warmth = start;
  for (const row of rows) {
    const copper = row.copper20W * (1 + copperGrowth * (warmth.windingC - 20));
    warmth = heatStep(
      thermal,
      warmth,
      copper + row.coreW,
      row.shellW,
      airCooling(thermal, row.v),
      p.machine.airC,
      row.dt,
    );
    if (!Number.isNaN(row.readC)) out.push(warmth.windingC);
  }
  return out;
}

export interface HeatFit {
  readonly values: readonly number[];
  readonly sd: readonly number[];
  readonly correlation: (a: number, b: number) => number;
  /** Keys of the rides that were taken. */
  readonly rides: readonly string[];
  /** Root of the mean square of what is left, before and after, K. */
  readonly before: number;
  readonly after: number;
}

/** The two bodies of the motor from rides whose winding was read; undefined where none warmed enough. */
export function fitHeat(rides: readonly Prepared[]): HeatFit | undefined {
  const own = rides.flatMap((p) => {
    const rows = heatRows(p);
    const read = rows.filter((r) => !Number.isNaN(r.readC)).map((r) => r.readC);
    const span = Math.max(...read) - Math.min(...read);
    const first = p.windingC?.find((c) => !Number.isNaN(c)) ?? p.machine.airC;
    return read.length < 5 || !(span >= LEAST_K)
      ? []
      : [{ p, rows, read, start: { windingC: first, shellC: first } }];
  });
  const [any] = own;
  if (any === undefined) return undefined;
  const count = own.reduce((sum, o) => sum + o.read.length, 0);
  let weights = new Array<number>(count).fill(1);
  const left = (theta: readonly number[]): number[] =>
    own.flatMap(({ p, rows, read, start }) => {
      const scaled = theta.map((t) => Math.max(-1.5, Math.min(1.5, t * HEAT_PRIOR_SD)));
      return warmed(p, rows, start, with4(p.machine.thermal, scaled)).map(
        (c, i) => ((read[i] ?? c) - c) / READING_K,
      );
    });
  const residuals = (theta: readonly number[]): number[] => [
    ...left(theta).map((z, i) => z * (weights[i] ?? 1)),
    ...theta,
  ];
  const nothing = HEAT_PARAMETERS.map(() => 0);
  let fit = fitted({ rows: count + nothing.length, residuals, start: nothing });
  for (let round = 0; round < 2; round += 1) {
    weights = left(fit.parameters).map((z) => (Math.abs(z) <= HUBER ? 1 : Math.sqrt(HUBER / Math.abs(z))));
    fit = fitted({ rows: count + nothing.length, residuals, start: fit.parameters });
  }
  const wide = Math.sqrt(Math.max(1, fit.squares / count)) * together(left(fit.parameters));
  const rms = (zs: readonly number[]): number =>
    READING_K * Math.sqrt(zs.reduce((sum, z) => sum + z * z, 0) / zs.length);
  const { covariance } = fit;
  return {
    values: fit.parameters.map((t) => t * HEAT_PRIOR_SD),
    sd: fit.parameters.map((_, k) =>
      Math.min(HEAT_PRIOR_SD, HEAT_PRIOR_SD * Math.sqrt(Math.max(0, covariance.get(k, k))) * wide),
    ),
    correlation: (a, b) =>
      covariance.get(a, b) / Math.sqrt(Math.max(1e-300, covariance.get(a, a) * covariance.get(b, b))),
    rides: own.map((o) => o.p.key),
    before: rms(left(nothing)),
    after: rms(left(fit.parameters)),
  };
}
