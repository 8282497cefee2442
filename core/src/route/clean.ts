const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  const [a = 0, b = 0] = [sorted[middle], sorted[middle - 1]];
  return sorted.length % 2 === 1 ? a : (a + b) / 2;
};

/** Neighbours on either side that an elevation is held against, and how far off counts as wrong. */
const SIDE = 3;
/** Standard deviations that a reading may stand off (Hampel's identifier, usual value 3), and at least this much, m. */
const OFF = 3;
const LEAST_OFF_M = 5;
/** A median absolute deviation times this is a standard deviation, for normal noise. */
const MAD_SCALE = 1.4826;

/** No road rises like this on both sides of a point: only there can it be a spike, %. */
const WALL_PCT = 30;

/**
 * Replaces single elevations that stand far off their neighbours by their median (Hampel's identifier), where the
 * road would have to be a wall on both sides of them: peaks of a profile of few points are none.
 */
export function withoutSpikes(
  elevations: readonly number[],
  distances: readonly number[],
): { readonly elevations: readonly number[]; readonly replaced: number } {
  let replaced = 0;
  const grade = (i: number, j: number): number => {
    const run = Math.abs((distances[i] ?? 0) - (distances[j] ?? 0));
    return (100 * Math.abs((elevations[i] ?? 0) - (elevations[j] ?? 0))) / Math.max(0.1, run);
  };
  const last = elevations.length - 1;
  const out = elevations.map((value, i) => {
    const walled = (i === 0 || grade(i, i - 1) > WALL_PCT) && (i === last || grade(i, i + 1) > WALL_PCT);
    if (!walled) return value;
    const near = elevations.slice(Math.max(0, i - SIDE), i + SIDE + 1);
    const middle = median(near);
    const spread = MAD_SCALE * median(near.map((e) => Math.abs(e - middle)));
    if (Math.abs(value - middle) <= Math.max(LEAST_OFF_M, OFF * spread)) return value;
    replaced += 1;
    return middle;
  });
  return { elevations: out, replaced };
}

/** Values at even distances from 0 to the last, by straight lines between those given: `pieces` + 1 of them. */
export function evenly(
  distances: readonly number[],
  values: readonly number[],
  pieces: number,
): readonly number[] {
  const length = distances.at(-1) ?? 0;
  const out: number[] = [];
  let i = 1;
  for (let k = 0; k <= pieces; k += 1) {
    const x = (length * k) / pieces;
    while (i < distances.length - 1 && (distances[i] ?? 0) < x) i += 1;
    const [x0 = 0, x1 = 0] = [distances[i - 1], distances[i]];
    const t = x1 > x0 ? Math.min(1, Math.max(0, (x - x0) / (x1 - x0))) : 0;
    out.push((values[i - 1] ?? 0) * (1 - t) + (values[i] ?? 0) * t);
  }
  return out;
}

/** A running mean of `2 half + 1` even points; near the ends it narrows, so that the ends stay where they are. */
function runningMean(values: readonly number[], half: number): readonly number[] {
  const sums = [0];
  for (const value of values) sums.push((sums.at(-1) ?? 0) + value);
  return values.map((_, i) => {
    const reach = Math.min(half, i, values.length - 1 - i);
    return ((sums[i + reach + 1] ?? 0) - (sums[i - reach] ?? 0)) / (2 * reach + 1);
  });
}

/** Smooths even points over a width in m: two running means, which together weigh like a triangle of that width. */
export function smoothed(elevations: readonly number[], spacingM: number, widthM: number): readonly number[] {
  const half = Math.round(widthM / 4 / spacingM);
  return half < 1 ? elevations : runningMean(runningMean(elevations, half), half);
}

/**
 * Noise of elevations at even points, m: the median absolute second difference, of which white noise of standard
 * deviation s has sqrt(6) s. A smooth road has nearly none.
 */
export function noiseM(elevations: readonly number[]): number {
  const second = elevations
    .slice(2)
    .map((e, i) => Math.abs(e - 2 * (elevations[i + 1] ?? 0) + (elevations[i] ?? 0)));
  return second.length === 0 ? 0 : (MAD_SCALE * median(second)) / Math.sqrt(6);
}

/** Width to smooth over by the noise found. Common practice, no source. */
export function usualSmoothM(noise: number): number {
  if (noise < 0.15) return 40;
  return noise < 0.6 ? 100 : 200;
}
