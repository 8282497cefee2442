/** A column of numbers; NaN where there is no value. */
export type Numbers = Float32Array | Float64Array;

/** A column seen from further away: of each bucket of rows the least, the greatest and the mean. */
export interface Level {
  readonly min: Numbers;
  readonly max: Numbers;
  readonly mean: Numbers;
}

/** So many buckets of one level are one of the next. */
export const BUCKET = 16;
/** Fewer buckets than these are drawn as they are. */
const FEW = 2048;

const like = (column: Numbers, length: number): Numbers =>
  column instanceof Float64Array ? new Float64Array(length) : new Float32Array(length);

/** The next level: buckets without a value stay without one; the mean weighs what has a value. */
function coarser({ min, max, mean }: Level): Level {
  const n = Math.ceil(min.length / BUCKET);
  const [low, high, middle] = [like(min, n), like(min, n), like(min, n)];
  for (let b = 0; b < n; b += 1) {
    let [least, most, sum, count] = [Infinity, -Infinity, 0, 0];
    for (let i = b * BUCKET; i < Math.min(min.length, (b + 1) * BUCKET); i += 1) {
      const value = mean[i] ?? NaN;
      if (Number.isNaN(value)) continue;
      least = Math.min(least, min[i] ?? NaN);
      most = Math.max(most, max[i] ?? NaN);
      sum += value;
      count += 1;
    }
    low[b] = count === 0 ? NaN : least;
    high[b] = count === 0 ? NaN : most;
    middle[b] = count === 0 ? NaN : sum / count;
  }
  return { min: low, max: high, mean: middle };
}

/** The levels above the rows themselves, the finest first, until there are few buckets: extremes are never lost. */
export function levelsOf(values: Numbers): readonly Level[] {
  const out: Level[] = [];
  let level: Level = { min: values, max: values, mean: values };
  while (level.min.length > FEW) {
    level = coarser(level);
    out.push(level);
  }
  return out;
}

/** Rows in a bucket of a level, 0 for the rows themselves. */
export const rowsIn = (level: number): number => BUCKET ** level;

/**
 * The finest level with at most so many buckets between two rows.
 * @param levels how many there are above the rows
 */
export function levelFor(rows: number, levels: number, most: number): number {
  let level = 0;
  while (level < levels && rows / rowsIn(level) > most) level += 1;
  return level;
}
