import { analyzeLog } from './analysis.ts';
import { distancesOf } from './log-columns.ts';
import { CHANNEL_IDS, type ChannelId, type Recording } from './channels.ts';
import { readingsOf } from './measured.ts';
import { SAME_LENGTH } from './own-road.ts';
import type { RideReading, RideRecord } from './ride-record.ts';

/** Slower than this nobody rides yet, m/s. */
const ROLLS_MS = 0.7;
/** Readings of a thinned recording are those of the whole to this, as a share. */
const SAME_READING = 0.02;

type Cut = Pick<RideRecord, 'cutFromS' | 'cutToS'>;

/** Only a part of its recording is the ride. */
export const isCut = ({ cutFromS, cutToS }: Cut): boolean => cutFromS !== null || cutToS !== null;

/** The rows of a recording within a cut, its clock begun anew; the recording itself where nothing is cut. */
export function cutRecording(r: Recording, { cutFromS, cutToS }: Cut): Recording {
  if (!isCut({ cutFromS, cutToS })) return r;
  const [from, to] = [cutFromS ?? -Infinity, cutToS ?? Infinity];
  const kept = Array.from(r.seconds.keys()).filter((i) => {
    const t = r.seconds[i] ?? NaN;
    return t >= from && t <= to;
  });
  const pick = (values: ArrayLike<number>): Float64Array => Float64Array.from(kept, (i) => values[i] ?? NaN);
  const start = r.seconds[kept[0] ?? 0] ?? 0;
  return {
    seconds: pick(r.seconds).map((t) => t - start),
    columns: Object.fromEntries(
      CHANNEL_IDS.flatMap((id): [ChannelId, Float64Array][] => {
        const values = r.columns[id];
        return values === undefined ? [] : [[id, pick(values)]];
      }),
    ),
  };
}

/** A stretch of a recording's way, m. */
export interface RiddenPart {
  readonly fromM: number;
  readonly toM: number;
}

/**
 * What of a recording is the ride, where it went on beyond its road: from where it first rolled, as far as the road is long.
 * Undefined where it went along it once or several times, or the recording is the shorter one.
 * @param roadM of the road as it was ridden, m
 */
export function beyondRoad(r: Recording, roadM: number): RiddenPart | undefined {
  const { metres } = distancesOf(r);
  const whole = metres.at(-1) ?? 0;
  const times = roadM > 0 ? whole / roadM : 0;
  // Once or several times along it is along it.
  if (!(times > 1) || Math.abs(times - Math.round(times)) <= SAME_LENGTH) return undefined;
  let first = 0;
  for (let i = 1; i < metres.length; i += 1) {
    const dt = (r.seconds[i] ?? 0) - (r.seconds[i - 1] ?? 0);
    if ((metres[i] ?? 0) - (metres[i - 1] ?? 0) < ROLLS_MS * dt) continue;
    first = metres[i - 1] ?? 0;
    break;
  }
  return { fromM: first, toM: Math.min(whole, first + roadM) };
}

/** When a recording was at a place of its way, s: the last time before it went on. */
function secondsAt(r: Recording, metres: Float64Array, at: number, end: 'from' | 'to'): number {
  const rows = Array.from(metres.keys());
  const row =
    end === 'from' ? rows.findLast((i) => (metres[i] ?? 0) <= at) : rows.find((i) => (metres[i] ?? 0) >= at);
  return r.seconds[row ?? (end === 'from' ? 0 : rows.length - 1)] ?? 0;
}

/**
 * A ride of which only a stretch of its recording counts. What the recording read is read anew from what is left of it; what a
 * person typed stays.
 * @param stretch undefined takes the cut back
 */
export function cutRide(ride: RideRecord, r: Recording, stretch: RiddenPart | undefined): RideRecord {
  const { metres } = distancesOf(r);
  const cut: Cut =
    stretch === undefined
      ? { cutFromS: null, cutToS: null }
      : {
          cutFromS: secondsAt(r, metres, stretch.fromM, 'from'),
          cutToS: secondsAt(r, metres, stretch.toM, 'to'),
        };
  const was = readingsOf(analyzeLog(cutRecording(r, ride)));
  const now = readingsOf(analyzeLog(cutRecording(r, cut)));
  const read = (Object.keys(was) as RideReading[]).flatMap((key): [RideReading, number | null][] => {
    const [told, before] = [ride[key], was[key] ?? null];
    const typed =
      told !== null &&
      (before === null || Math.abs(told - before) > SAME_READING * Math.max(1, Math.abs(before)));
    return typed ? [] : [[key, now[key] ?? null]];
  });
  return { ...ride, ...cut, ...Object.fromEntries(read) };
}
