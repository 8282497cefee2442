import { hop } from '../route/geodesy.ts';
import type { Recording } from './channels.ts';

/** Rows further apart than this have something missing between them: it counts for nothing, s. */
export const GAP_S = 10;
/** A wheel that counts less than this share of the track while it coasts has stopped counting; over so many m of it. */
export const COUNTS = 0.5;
export const COASTED_M = 100;
/** Faster than anything here goes, m/s: a fix that jumps is none. */
const JUMP_MS = 60;

/** Values of a channel by row; undefined where it was not read. */
export type Column = Float32Array | Float64Array | undefined;
export const at = (column: Column, i: number): number => column?.[i] ?? NaN;

/** The mean of both ends; one alone where the other is missing. */
export function mean(a: number, b: number): number {
  if (Number.isNaN(a)) return b;
  return Number.isNaN(b) ? a : (a + b) / 2;
}

/** Watts at a row: volts times amps where both are there, else what was recorded as watts. */
export function wattsAt({ columns: { volts, amps, watts } }: Recording, i: number): number {
  const product = at(volts, i) * at(amps, i);
  return Number.isNaN(product) ? at(watts, i) : product;
}

/** Distances along a recording: of the wheel, else of the track, else of the speed; and those of the track by themselves. */
export function distancesOf({ seconds, columns }: Recording): {
  readonly metres: Float64Array;
  readonly track: Float64Array | undefined;
} {
  const n = seconds.length;
  const { distance, speed, latDeg, lonDeg } = columns;
  const track = latDeg === undefined || lonDeg === undefined ? undefined : trackOf(seconds, latDeg, lonDeg);
  const metres = new Float64Array(n);
  if (distance !== undefined) {
    let last = NaN;
    for (let i = 0; i < n; i += 1) {
      const now = at(distance, i);
      const dt = (seconds[i] ?? 0) - (seconds[i - 1] ?? 0);
      const step = now - last;
      // A counter that is set to nought begins anew, and one that leaps has missed something.
      metres[i] = (metres[i - 1] ?? 0) + (step > 0 && step <= JUMP_MS * Math.max(1, dt) ? step : 0);
      if (!Number.isNaN(now)) last = now;
    }
    return { metres, track };
  }
  if (track !== undefined) return { metres: track, track };
  for (let i = 1; i < n; i += 1) {
    const dt = (seconds[i] ?? 0) - (seconds[i - 1] ?? 0);
    const v = dt > GAP_S ? 0 : mean(at(speed, i - 1), at(speed, i));
    metres[i] = (metres[i - 1] ?? 0) + (Number.isNaN(v) ? 0 : v * dt);
  }
  return { metres, track };
}

/** A recorder at rest wanders: nearer than this it has not moved, m. */
const SAME_PLACE_M = 2;

function trackOf(seconds: Float64Array, latDeg: Column, lonDeg: Column): Float64Array {
  const out = new Float64Array(seconds.length);
  let [lat, lon, then, sum] = [NaN, NaN, 0, 0];
  for (let i = 0; i < out.length; i += 1) {
    const [a, b, now] = [at(latDeg, i), at(lonDeg, i), seconds[i] ?? 0];
    if (Number.isNaN(lat)) [lat, lon, then] = [a, b, now];
    else if (!Number.isNaN(a) && !Number.isNaN(b)) {
      const { metres } = hop(lat, lon, a, b);
      if (metres >= SAME_PLACE_M) {
        if (metres <= JUMP_MS * Math.max(1, now - then)) sum += metres;
        [lat, lon, then] = [a, b, now];
      }
    }
    out[i] = sum;
  }
  return out;
}

/** Speeds along a recording, m/s: as recorded, else by the distance. */
export function speedsOf({ seconds, columns: { speed } }: Recording, metres: Float64Array): Column {
  if (speed !== undefined) return speed;
  const out = new Float32Array(seconds.length);
  let from = 0;
  for (let i = 0; i < out.length; i += 1) {
    // Over some seconds: single steps of a distance are too coarse.
    while ((seconds[i] ?? 0) - (seconds[from] ?? 0) > 5) from += 1;
    const dt = (seconds[i] ?? 0) - (seconds[from] ?? 0);
    out[i] = dt > 0 ? ((metres[i] ?? 0) - (metres[from] ?? 0)) / dt : 0;
  }
  return out;
}
