import { readGpx } from '../formats/gpx-read.ts';
import { trackText } from '../formats/gpx-write.ts';
import { fail, ok, type Result } from '../quantity/result.ts';
import type { Recording } from './channels.ts';

/**
 * A recorded track (GPX 1.1) as a recording: places, heights, and the seconds since its first point. Points without a time are
 * left out; a track without any is a road and no ride.
 */
export function recordingOfGpx(text: string): Result<Recording> {
  const way = readGpx(text);
  if (!way.ok) return way;
  const { positions, seconds } = way.value;
  const timed = seconds.flatMap((s, i) => (Number.isNaN(s) ? [] : [i]));
  if (timed.length < 2)
    return fail({
      code: 'missing',
      path: 'trkpt/time',
      actual: timed.length,
      limit: 'a time at two points at least: without it this is a road, and no ride',
    });
  const back = timed.findIndex((i, k) => (seconds[i] ?? 0) < (seconds[timed[k - 1] ?? i] ?? 0));
  if (back >= 0)
    return fail({
      code: 'range',
      path: `trkpt ${String((timed[back] ?? 0) + 1)}`,
      actual: 'a time that runs backwards',
      limit: 'times one after the other',
    });
  const start = seconds[timed[0] ?? 0] ?? 0;
  const column = (of: readonly number[]): Float64Array => Float64Array.from(timed, (i) => of[i] ?? NaN);
  return ok({
    seconds: Float64Array.from(timed, (i) => (seconds[i] ?? 0) - start),
    columns: {
      latDeg: column(positions.latDeg),
      lonDeg: column(positions.lonDeg),
      elevation: column(positions.elevationM),
    },
  });
}

/** A recording with places as a track with times (GPX 1.1); undefined where it has no places. */
export function gpxOfRecording(name: string, on: string, r: Recording): string | undefined {
  const { latDeg, lonDeg, elevation } = r.columns;
  if (latDeg === undefined || lonDeg === undefined) return undefined;
  const start = Date.parse(`${on}T00:00:00Z`);
  const points = [...r.seconds.keys()].flatMap((i) => {
    const [lat, lon] = [latDeg[i] ?? NaN, lonDeg[i] ?? NaN];
    if (Number.isNaN(lat) || Number.isNaN(lon)) return [];
    const time = new Date(start + 1000 * (r.seconds[i] ?? 0)).toISOString();
    return [{ latDeg: lat, lonDeg: lon, elevationM: elevation?.[i] ?? NaN, time }];
  });
  return trackText(name, 'Times count from midnight of the day.', points);
}
