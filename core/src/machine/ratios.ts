import type { Gear } from './driveline.ts';

/** The slowest and the fastest that one gear may turn the motor where nobody has read how it is geared. */
export type RatioSpan = readonly [fast: Gear, slow: Gear];

/** Ratios that are tried first are this far apart, as a logarithm. */
const APART = Math.log(1.2);
/** About the best of them the way to its neighbours is parted into so many, and once more about the best of these. */
const PARTS = 10;
export const CLOSER: readonly number[] = [APART, (2 * APART) / PARTS];

/** A gear on the way from one end to the other, 0 to 1, in equal shares. */
function between([a, b]: RatioSpan, at: number): Gear {
  const way = (from: number, to: number): number => from * (to / from) ** at;
  return { ...a, motorRatio: way(a.motorRatio, b.motorRatio), crankRatio: way(a.crankRatio, b.crankRatio) };
}

const lengthOf = ([a, b]: RatioSpan): number => Math.abs(Math.log(b.motorRatio / a.motorRatio));

const evenly = (from: number, to: number, steps: number): readonly number[] =>
  Array.from({ length: steps + 1 }, (_, i) => from + ((to - from) * i) / Math.max(1, steps));

/** Gears at both ends of each span, and enough between them that no ratio of it is far from one. */
export const gearsAcross = (spans: readonly RatioSpan[]): readonly Gear[] =>
  spans.flatMap((span) => evenly(0, 1, Math.ceil(lengthOf(span) / APART)).map((at) => between(span, at)));

/** So near to each other two ratios are one. */
const SAME = 1e-9;

/**
 * Gears about one that was tried, as far as those that were tried beside it. The force at a speed grows with the ratio until what
 * limits it changes, and falls from there: the best of all ratios lies between the neighbours of the best that was tried. Nothing
 * grows faster than the ratio, so that two rounds of `CLOSER` miss it by 0.4 % at most.
 * @param within how far its neighbours are, as a logarithm
 */
export const gearsAbout = (spans: readonly RatioSpan[], tried: Gear, within: number): readonly Gear[] =>
  spans.flatMap((span) => {
    const length = lengthOf(span);
    if (length < SAME) return [span[0]];
    const at =
      Math.log(tried.motorRatio / span[0].motorRatio) / Math.log(span[1].motorRatio / span[0].motorRatio);
    if (at < -SAME || at > 1 + SAME) return [];
    const there = between(span, at);
    if (Math.abs(there.crankRatio / tried.crankRatio - 1) > SAME) return [];
    const step = within / length;
    return evenly(Math.max(0, at - step), Math.min(1, at + step), PARTS).map((x) => between(span, x));
  });
