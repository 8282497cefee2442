import type { ChannelId, Recording } from './channels.ts';
import {
  COASTED_M,
  COUNTS,
  GAP_S,
  at,
  distancesOf,
  mean,
  speedsOf,
  wattsAt,
  type Column,
} from './log-columns.ts';

/** Slower than this is standing, m/s, and a stop lasts so long, s. */
const STANDING_MS = 0.5;
const STOP_S = 3;
/** Less than this is no load, A. */
const NO_LOAD_A = 1;
/** From here legs are at work, W: less is a foot that rests on a turning pedal. */
const PEDALS_W = 8;
/** A step of current that tells the resistance: at least so much, within so long; and so many of them. */
const STEP_A = 4;
const STEP_S = 3;
const LEAST_STEPS = 5;
/** A climb rises so much, m, at so much on the mean, %; one that goes down by this or stays flat this long, m, has ended. */
const CLIMB_M = 8;
const CLIMB_PCT = 2;
const DIPS_M = 3;
const FLAT_M = 300;
const MOST_LISTED = 200;

interface Stop {
  readonly atM: number;
  readonly seconds: number;
}

interface Climb {
  readonly fromM: number;
  readonly lengthM: number;
  readonly riseM: number;
  readonly seconds: number;
  /** Out of the pack on it, what came back taken off, Wh; NaN where nothing tells. */
  readonly wh: number;
}

/** Resistance from steps of current: an ohm, its standard error, and from how many. */
export interface PackOhm {
  readonly ohm: number;
  readonly sd: number;
  readonly steps: number;
}

/** What a recording says, SI; NaN where no channel tells. */
export interface LogAnalysis {
  readonly rows: number;
  readonly seconds: number;
  readonly movingS: number;
  readonly standingS: number;
  /** Time in which nothing was recorded. */
  readonly gapsS: number;
  readonly metres: number;
  /** Along the positions of the track. */
  readonly trackM: number;
  readonly topMs: number;
  /** Out of the pack, and back into it. */
  readonly outWh: number;
  readonly backWh: number;
  readonly outAh: number;
  readonly backAh: number;
  /** Taken, what came back off, while it moved. */
  readonly movingWh: number;
  readonly riderWh: number;
  /** Time with legs at work. */
  readonly pedalledS: number;
  readonly startV: number;
  readonly endV: number;
  readonly least: { readonly volts: number; readonly amps: number; readonly atS: number } | undefined;
  readonly mostA: number;
  readonly packOhm: PackOhm | undefined;
  readonly hottest: Readonly<
    Partial<Record<'windingC' | 'caseC' | 'cellsC', { readonly c: number; readonly atS: number }>>
  >;
  readonly stops: readonly Stop[];
  readonly climbs: readonly Climb[];
  /** What wheel and track say of the stretches without power; undefined where they do not differ, or nothing tells. */
  readonly coasting: { readonly wheelM: number; readonly trackM: number } | undefined;
}

/** Sums by interval: each counts with the mean of its two rows, and the one across a gap not at all. */
function sums(r: Recording, metres: Float64Array, speeds: Column, track: Float64Array | undefined) {
  const { seconds, columns } = r;
  const hasW = columns.watts !== undefined || (columns.volts !== undefined && columns.amps !== undefined);
  const none = (has: boolean): number => (has ? 0 : NaN);
  const s = {
    movingS: 0,
    standingS: 0,
    gapsS: 0,
    outJ: none(hasW),
    backJ: none(hasW),
    movingJ: none(hasW),
    outC: none(columns.amps !== undefined),
    backC: none(columns.amps !== undefined),
    riderJ: none(columns.riderW !== undefined),
    pedalledS: none(columns.riderW !== undefined),
    coastWheelM: 0,
    coastTrackM: 0,
  };
  let wattsBefore = wattsAt(r, 0);
  for (let i = 1; i < seconds.length; i += 1) {
    const watts = wattsAt(r, i);
    const dt = (seconds[i] ?? 0) - (seconds[i - 1] ?? 0);
    const p = mean(wattsBefore, watts);
    wattsBefore = watts;
    if (dt <= 0) continue;
    if (dt > GAP_S) {
      s.gapsS += dt;
      continue;
    }
    const v = mean(at(speeds, i - 1), at(speeds, i));
    const moves = v >= STANDING_MS;
    if (moves) s.movingS += dt;
    else s.standingS += dt;
    if (p > 0) s.outJ += p * dt;
    else if (p < 0) s.backJ -= p * dt;
    if (moves && !Number.isNaN(p)) s.movingJ += p * dt;
    const amps = mean(at(columns.amps, i - 1), at(columns.amps, i));
    if (amps > 0) s.outC += amps * dt;
    else if (amps < 0) s.backC -= amps * dt;
    const rider = mean(at(columns.riderW, i - 1), at(columns.riderW, i));
    if (rider > 0) s.riderJ += rider * dt;
    if (rider > PEDALS_W) s.pedalledS += dt;
    if (track !== undefined && Math.abs(amps) < NO_LOAD_A && columns.distance !== undefined) {
      s.coastWheelM += (metres[i] ?? 0) - (metres[i - 1] ?? 0);
      s.coastTrackM += (track[i] ?? 0) - (track[i - 1] ?? 0);
    }
  }
  return s;
}

function stopsOf(seconds: Float64Array, metres: Float64Array, speeds: Column): readonly Stop[] {
  const out: Stop[] = [];
  let from = -1;
  for (let i = 0; i <= seconds.length; i += 1) {
    const stands = i < seconds.length && at(speeds, i) < STANDING_MS;
    if (stands && from < 0) from = i;
    if (stands || from < 0) continue;
    const last = Math.min(i, seconds.length - 1);
    const lasted = (seconds[last] ?? 0) - (seconds[from] ?? 0);
    // Before the first turn of the wheel and after the last nobody waits on the way.
    if (lasted >= STOP_S && from > 0 && i < seconds.length)
      out.push({ atM: metres[from] ?? 0, seconds: lasted });
    from = -1;
  }
  return out.slice(0, MOST_LISTED);
}

/**
 * Ohms by least squares through nought over the steps of current: dV = -R dI. Slow changes of charge do not enter, since a step
 * is short.
 */
export function packOhmOf({ seconds, columns: { volts, amps } }: Recording): PackOhm | undefined {
  if (volts === undefined || amps === undefined) return undefined;
  let [n, xx, xy, yy] = [0, 0, 0, 0];
  let before = 0;
  for (let i = 1; i < seconds.length; i += 1) {
    const dt = (seconds[i] ?? 0) - (seconds[before] ?? 0);
    const [di, dv] = [at(amps, i) - at(amps, before), at(volts, i) - at(volts, before)];
    if (Number.isNaN(di) || Number.isNaN(dv)) {
      before = i;
      continue;
    }
    if (dt < 0.5) continue;
    before = i;
    if (Math.abs(di) < STEP_A || dt > STEP_S) continue;
    n += 1;
    xx += di * di;
    xy += di * dv;
    yy += dv * dv;
  }
  if (n < LEAST_STEPS) return undefined;
  const ohm = -xy / xx;
  const left = Math.max(0, yy - (xy * xy) / xx) / (n - 1);
  return ohm > 0 ? { ohm, sd: Math.sqrt(left / xx), steps: n } : undefined;
}

/** Climbs by their valleys and tops. */
function climbsOf(r: Recording, metres: Float64Array): readonly Climb[] {
  const { elevation } = r.columns;
  if (elevation === undefined) return [];
  const out: Climb[] = [];
  let [valley, top] = [-1, -1];
  const close = (): void => {
    if (valley < 0 || top <= valley) return;
    const lengthM = (metres[top] ?? 0) - (metres[valley] ?? 0);
    const riseM = at(elevation, top) - at(elevation, valley);
    if (riseM < CLIMB_M || (100 * riseM) / lengthM < CLIMB_PCT) return;
    let joules = 0;
    for (let i = valley + 1; i <= top; i += 1) {
      const dt = (r.seconds[i] ?? 0) - (r.seconds[i - 1] ?? 0);
      if (dt <= GAP_S) joules += mean(wattsAt(r, i - 1), wattsAt(r, i)) * dt;
    }
    out.push({
      fromM: metres[valley] ?? 0,
      lengthM,
      riseM,
      seconds: (r.seconds[top] ?? 0) - (r.seconds[valley] ?? 0),
      wh: joules / 3600,
    });
  };
  for (let i = 0; i < metres.length; i += 1) {
    const e = at(elevation, i);
    if (Number.isNaN(e)) continue;
    if (valley < 0) [valley, top] = [i, i];
    const ended = e < at(elevation, top) - DIPS_M || (metres[i] ?? 0) - (metres[top] ?? 0) > FLAT_M;
    if (e >= at(elevation, top) && !ended) top = i;
    else if (ended) {
      close();
      [valley, top] = [i, i];
    }
    // Until it has begun to rise the lowest place is where it begins.
    if (e <= at(elevation, valley)) [valley, top] = [i, i];
  }
  close();
  return out.slice(0, MOST_LISTED);
}

/** Volts at rest nearest to an end of the recording. */
function restVolts({ seconds, columns: { volts, amps } }: Recording, from: 'start' | 'end'): number {
  const n = seconds.length;
  const within = Math.min(300, (seconds[n - 1] ?? 0) / 4);
  for (let k = 0; k < n; k += 1) {
    const i = from === 'start' ? k : n - 1 - k;
    const away = from === 'start' ? (seconds[i] ?? 0) : (seconds[n - 1] ?? 0) - (seconds[i] ?? 0);
    if (away > within) return NaN;
    if (Math.abs(at(amps, i)) < NO_LOAD_A && !Number.isNaN(at(volts, i))) return at(volts, i);
  }
  return NaN;
}

const HEATS = ['windingC', 'caseC', 'cellsC'] as const satisfies readonly ChannelId[];

function extremes(r: Recording, speeds: Column) {
  const { seconds, columns } = r;
  let [topMs, mostA] = [NaN, NaN];
  let least: LogAnalysis['least'];
  const hottest: Partial<Record<(typeof HEATS)[number], { c: number; atS: number }>> = {};
  for (let i = 0; i < seconds.length; i += 1) {
    const [v, volts, amps, atS] = [at(speeds, i), at(columns.volts, i), at(columns.amps, i), seconds[i] ?? 0];
    if (!(v <= topMs) && !Number.isNaN(v)) topMs = v;
    if (!(amps <= mostA) && !Number.isNaN(amps)) mostA = amps;
    if (volts < (least?.volts ?? Infinity)) least = { volts, amps, atS };
    for (const id of HEATS) {
      const c = at(columns[id], i);
      if (c > (hottest[id]?.c ?? -Infinity)) hottest[id] = { c, atS };
    }
  }
  return { topMs, mostA, least, hottest };
}

/**
 * Everything that a recording says by itself. Each interval between two rows counts with the mean of both; the one across more
 * than ten seconds without a row counts for nothing and is told as missing.
 */
export function analyzeLog(r: Recording): LogAnalysis {
  const { seconds, columns } = r;
  const { metres, track } = distancesOf(r);
  const speeds = speedsOf(r, metres);
  const { outJ, backJ, movingJ, outC, backC, riderJ, coastWheelM, coastTrackM, ...times } = sums(
    r,
    metres,
    speeds,
    track,
  );
  return {
    rows: seconds.length,
    seconds: seconds.at(-1) ?? 0,
    ...times,
    metres: metres.at(-1) ?? 0,
    trackM: track?.at(-1) ?? NaN,
    outWh: outJ / 3600,
    backWh: backJ / 3600,
    movingWh: movingJ / 3600,
    outAh: outC / 3600,
    backAh: backC / 3600,
    riderWh: riderJ / 3600,
    startV: columns.volts === undefined ? NaN : restVolts(r, 'start'),
    endV: columns.volts === undefined ? NaN : restVolts(r, 'end'),
    ...extremes(r, speeds),
    packOhm: packOhmOf(r),
    stops: stopsOf(seconds, metres, speeds),
    climbs: climbsOf(r, metres),
    coasting:
      coastTrackM > COASTED_M && coastWheelM < COUNTS * coastTrackM
        ? { wheelM: coastWheelM, trackM: coastTrackM }
        : undefined,
  };
}
