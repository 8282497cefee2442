import { specAt, type BuildDocument, type QuantityPath } from '../document/document.ts';
import type { Known } from '../document/known-build.ts';
import { knownBuild } from '../document/known.ts';
import { knownAt, withValue } from '../document/quantity-at.ts';
import { normals, rankCorrelation } from '../quantity/numerics.ts';
import { chancesOf, type Chance } from './uncertain.ts';

/** Draws stay within this many standard deviations: beyond them is another ride. */
const CUT = 2.5;
/** A value is never drawn below this share of itself. */
const LEAST_SHARE = 0.1;

/** One chance, and how much of what was drawn it brings about. */
export interface Cause {
  readonly name: string;
  readonly known: Known;
  /** All values that this one chance moves; the first of them is `known`. */
  readonly together: readonly Known[];
  /** Standard deviation in the quantity's unit. */
  readonly deviation: number;
  /** Its part of the whole, 0 to 1; all parts make 1. */
  readonly share: number;
  /** True where more of it means more of what is looked at. */
  readonly further: boolean;
}

/** Values drawn for one ride, within what the quantity may be. */
const within = (path: QuantityPath, value: number): number => {
  const { min, max } = specAt(path);
  return Math.min(max, Math.max(min, value));
};

const cut = (z: number): number => Math.max(-CUT, Math.min(CUT, z));

/** One number a chance, in standard deviations; those that go with an earlier one lean on it. */
function chosen(chances: readonly Chance[], normal: () => number): readonly number[] {
  const zs: number[] = [];
  for (const { with: link } of chances) {
    const own = normal();
    zs.push(
      cut(link === undefined ? own : link.rho * (zs[link.chance] ?? 0) + Math.sqrt(1 - link.rho ** 2) * own),
    );
  }
  return zs;
}

/** A build with everything uncertain as chance has it. What follows from a drawn value is worked out from it, then drawn. */
function drawnBuild(build: BuildDocument, chances: readonly Chance[], zs: readonly number[]): BuildDocument {
  const all = chances.flatMap(({ moves }, i) => moves.map((one) => ({ ...one, z: zs[i] ?? 0 })));
  const first = all
    .filter((one) => !one.follows)
    .reduce(
      (b, { known, deviation, z }) =>
        withValue(b, known.path, within(known.path, known.value + z * deviation)),
      build,
    );
  const following = all.filter((one) => one.follows);
  if (following.length === 0) return first;
  const then = knownBuild(first);
  return following.reduce((b, { known, share, z }) => {
    const value = knownAt(then, known.path).value * Math.max(LEAST_SHARE, 1 + z * share);
    return withValue(b, known.path, within(known.path, value));
  }, first);
}

/** A build as chance has it, again and again by one seed, and what of that moved an answer. */
export interface Drawing {
  readonly next: () => BuildDocument;
  /**
   * Chances ranked by their squared rank correlation with the answers to what was drawn.
   * @param answers one for each build that was drawn, in that order
   */
  readonly causes: (answers: readonly number[]) => readonly Cause[];
}

export interface Drawn {
  /** Of values that are known better here than the plan knows them: the share of their spread that is left, 0 for none. */
  readonly settled?: ReadonlyMap<QuantityPath, number>;
  /** True where the road that is ridden gives way anywhere. */
  readonly softGround?: boolean;
  /** What counts by its size alone: drawn below nought it is as much above it. */
  readonly unsigned?: QuantityPath;
}

export function drawingOf(
  build: BuildDocument,
  seed: number,
  { settled = new Map(), softGround = false, unsigned }: Drawn = {},
): Drawing {
  // What leans on another is drawn with it, also where that one is certain: it is only not moved.
  const chances = chancesOf(build, softGround).map((chance) => {
    const left = Math.max(...chance.moves.map(({ known }) => settled.get(known.path) ?? 1));
    return { ...chance, left, stays: left === 0 };
  });
  const sized = (z: number, k: number): number => {
    const one = chances[k]?.moves[0];
    if (one === undefined || one.known.path !== unsigned) return z;
    const middle = one.known.value / one.deviation;
    return Math.abs(middle + z) - middle;
  };
  const normal = normals(seed);
  const draws: number[][] = chances.map(() => []);
  return {
    next: () => {
      const zs = chosen(chances, normal).map((z, k) => sized(z * (chances[k]?.left ?? 1), k));
      zs.forEach((z, k) => draws[k]?.push(z));
      return drawnBuild(build, chances, zs);
    },
    causes: (answers) => {
      const parts = chances
        .map(({ name, moves, stays }, k): Cause => {
          const correlation = stays ? 0 : rankCorrelation(draws[k] ?? [], answers);
          const [{ known, deviation }] = moves;
          return {
            name,
            known,
            deviation,
            together: moves.map((one) => one.known),
            share: correlation ** 2,
            further: correlation > 0,
          };
        })
        .filter((_, k) => chances[k]?.stays !== true);
      const whole = parts.reduce((sum, part) => sum + part.share, 0);
      return parts
        .map((part) => ({ ...part, share: whole > 0 ? part.share / whole : 0 }))
        .sort((a, b) => b.share - a.share);
    },
  };
}
