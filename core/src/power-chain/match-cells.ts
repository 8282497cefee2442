import type { UsedCell } from '../document/cell.ts';
import { clipped } from '../quantity/clipped.ts';

/** Why a measured cell is not used. */
export type RefusalReason = 'low-capacity' | 'high-resistance' | 'no-resistance' | 'left-over';

export interface RefusedCell {
  readonly cell: UsedCell;
  readonly reason: RefusalReason;
  /** The bound it missed, in the unit of what was measured; undefined for one that is merely left over. */
  readonly bound: number | undefined;
}

/** Cells in parallel. */
interface CellGroup {
  readonly cells: readonly UsedCell[];
  readonly mah: number;
  /** Of the group, where each of its cells was measured: 1 / sum of 1 / R. */
  readonly mohm: number | undefined;
}

interface Matching {
  readonly groups: readonly CellGroup[];
  readonly refused: readonly RefusedCell[];
  /** Largest less smallest group, mAh. */
  readonly spreadMah: number;
  /** The same after sorting and dealing out greedily, before any exchange. */
  readonly greedySpreadMah: number;
  /** No arrangement of these cells has a smaller spread. */
  readonly lowerBoundMah: number;
  /** Index of the group that empties first. */
  readonly weakest: number;
  readonly rounds: number;
}

export type MatchOutcome =
  | { readonly ok: true; readonly matching: Matching }
  | {
      readonly ok: false;
      readonly needed: number;
      readonly usable: number;
      readonly refused: readonly RefusedCell[];
    };

/** Progress of a running match; the value returned at its end is the outcome. */
export interface MatchProgress {
  readonly round: number;
  readonly rounds: number;
  readonly spreadMah: number;
}

/** Cells below this share of the median capacity are refused. Common practice, no source. */
const LEAST_OF_MEDIAN = 0.8;
/** Cells above this many times the median resistance are refused. Common practice, no source. */
const MOST_OF_MEDIAN_OHM = 1.5;

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const half = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? (sorted[half] ?? 0) : ((sorted[half - 1] ?? 0) + (sorted[half] ?? 0)) / 2;
};

/** Splits measured cells into usable and refused ones, with the reason. */
export function refuseOutliers(cells: readonly UsedCell[]): {
  readonly usable: readonly UsedCell[];
  readonly refused: readonly RefusedCell[];
} {
  const leastMah = LEAST_OF_MEDIAN * median(cells.map((c) => c.mah));
  const ohms = cells.flatMap((c) => (c.mohm === null || c.mohm === 0 ? [] : [c.mohm]));
  const mostMohm = MOST_OF_MEDIAN_OHM * median(ohms);
  const usable: UsedCell[] = [];
  const refused: RefusedCell[] = [];
  for (const cell of cells) {
    if (cell.mah < leastMah) refused.push({ cell, reason: 'low-capacity', bound: leastMah });
    else if (cell.mohm === 0) refused.push({ cell, reason: 'no-resistance', bound: undefined });
    else if (cell.mohm !== null && cell.mohm > mostMohm)
      refused.push({ cell, reason: 'high-resistance', bound: mostMohm });
    else usable.push(cell);
  }
  return { usable, refused };
}

const sum = (cells: readonly UsedCell[]): number => cells.reduce((total, c) => total + c.mah, 0);

/** Largest first, each to the emptiest group that still has a seat. */
function greedy(cells: readonly UsedCell[], series: number, parallel: number): UsedCell[][] {
  const groups = Array.from({ length: series }, (): UsedCell[] => []);
  const totals = new Float64Array(series);
  for (const cell of cells) {
    let to = -1;
    for (let g = 0; g < series; g += 1) {
      if ((groups[g]?.length ?? 0) < parallel && (to === -1 || (totals[g] ?? 0) < (totals[to] ?? 0))) to = g;
    }
    groups[to]?.push(cell);
    totals[to] = (totals[to] ?? 0) + cell.mah;
  }
  return groups;
}

const spreadOf = (groups: readonly UsedCell[][]): number => {
  const totals = groups.map(sum);
  return Math.max(...totals) - Math.min(...totals);
};

interface Exchange {
  readonly i: number;
  readonly j: number;
  readonly gain: number;
}

/** The exchange of one cell each between two groups that brings their totals closest; undefined where none helps. */
function bestExchange(a: readonly UsedCell[], b: readonly UsedCell[]): Exchange | undefined {
  const difference = sum(a) - sum(b);
  let best: Exchange | undefined;
  a.forEach((ca, i) => {
    b.forEach((cb, j) => {
      const moved = ca.mah - cb.mah;
      const gain = Math.abs(difference) - Math.abs(difference - 2 * moved);
      if (gain > 1e-9 && (best === undefined || gain > best.gain)) best = { i, j, gain };
    });
  });
  return best;
}

/** Exchanges between the fullest or emptiest group and any other, the most telling first; false when none is left. */
function improve(groups: UsedCell[][]): boolean {
  const order = groups.map((cells, g) => ({ g, total: sum(cells) })).sort((a, b) => a.total - b.total);
  const [low, high] = [order[0], order.at(-1)];
  if (low === undefined || high === undefined || low.g === high.g) return false;
  const pairs = [
    ...[...order].reverse().map(({ g }) => [g, low.g] as const),
    ...order.map(({ g }) => [high.g, g] as const),
  ].filter(([p, q]) => p !== q);
  for (const [p, q] of pairs) {
    const [a, b] = [groups[p], groups[q]];
    if (a === undefined || b === undefined) continue;
    const exchange = bestExchange(a, b);
    if (exchange === undefined) continue;
    const [ca, cb] = [a[exchange.i], b[exchange.j]];
    if (ca === undefined || cb === undefined) continue;
    a[exchange.i] = cb;
    b[exchange.j] = ca;
    return true;
  }
  return false;
}

/** The smallest spread any arrangement can have: whole milliamp-hours that do not divide leave one over. */
function lowerBound(cells: readonly UsedCell[], series: number): number {
  const whole = cells.every((c) => Number.isInteger(c.mah));
  return whole && sum(cells) % series !== 0 ? 1 : 0;
}

const groupOf = (cells: readonly UsedCell[]): CellGroup => ({
  cells,
  mah: sum(cells),
  mohm: cells.every((c) => c.mohm !== null && c.mohm > 0)
    ? 1 / cells.reduce((total, c) => total + 1 / (c.mohm ?? 1), 0)
    : undefined,
});

/** Exchanges until none helps; each makes the sum of the squares of the totals smaller, so it ends. */
function settle(groups: UsedCell[][]): void {
  while (improve(groups));
}

/** A seeded source of chance (Park and Miller, Communications of the ACM, 1988), 0 to 1. */
function chance(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 48271) % 2147483647;
    return state / 2147483647;
  };
}

/** Exchanges one cell at random between some groups, to leave a hollow that no single exchange leads out of. */
function kick(groups: UsedCell[][], random: () => number): void {
  for (let i = 0; i < KICKED; i += 1) {
    const [a, b] = [
      groups[Math.floor(random() * groups.length)],
      groups[Math.floor(random() * groups.length)],
    ];
    if (a === undefined || b === undefined || a === b) continue;
    const [m, n] = [Math.floor(random() * a.length), Math.floor(random() * b.length)];
    const [ca, cb] = [a[m], b[n]];
    if (ca === undefined || cb === undefined) continue;
    a[m] = cb;
    b[n] = ca;
  }
}

const KICKED = 3;
/** Fresh starts from the best so far: two hundred take well under a second for a few hundred cells. */
const ROUNDS = 200;

/**
 * Sorts measured cells into `series` groups of `parallel` with totals as equal as can be found: outliers are
 * refused, the largest of the rest are dealt out greedily (largest first to the emptiest group, Graham 1969,
 * with seats counted), then cells are exchanged between groups until no exchange of two brings the fullest
 * or the emptiest group nearer to another; then again from seeded kicks, keeping the best (iterated local
 * search, Lourenco, Martin and Stutzle 2003). The same list always gives the same groups. A generator, so
 * that a worker can report and stop between rounds: the value of a round is the best until then.
 */
export function* matchCells(
  cells: readonly UsedCell[],
  series: number,
  parallel: number,
): Generator<MatchProgress, MatchOutcome> {
  const needed = series * parallel;
  const { usable, refused } = refuseOutliers(cells);
  if (usable.length < needed || needed < 1) return { ok: false, needed, usable: usable.length, refused };
  const sorted = [...usable].sort((a, b) => b.mah - a.mah);
  const used = sorted.slice(0, needed);
  const leftOver = sorted
    .slice(needed)
    .map((cell): RefusedCell => ({ cell, reason: 'left-over', bound: undefined }));
  let best = greedy(used, series, parallel);
  const greedySpreadMah = spreadOf(best);
  const bound = lowerBound(used, series);
  settle(best);
  const random = chance(series * 7919 + parallel);
  let rounds = 0;
  while (rounds < ROUNDS && series > 1 && spreadOf(best) > bound + 1e-9) {
    rounds += 1;
    const next = best.map((group) => [...group]);
    kick(next, random);
    settle(next);
    if (spreadOf(next) <= spreadOf(best)) best = next;
    yield { round: rounds, rounds: ROUNDS, spreadMah: spreadOf(best) };
  }
  const made = best.map(groupOf);
  const totals = made.map((g) => g.mah);
  return {
    ok: true,
    matching: {
      groups: made,
      refused: [...refused, ...leftOver],
      spreadMah: spreadOf(best),
      greedySpreadMah,
      lowerBoundMah: bound,
      weakest: totals.indexOf(Math.min(...totals)),
      rounds,
    },
  };
}

/** The outcome without anyone watching. */
export function matchAll(cells: readonly UsedCell[], series: number, parallel: number): MatchOutcome {
  const run = matchCells(cells, series, parallel);
  for (;;) {
    const step = run.next();
    if (step.done === true) return step.value;
  }
}

/** A thousand cells with long names are not as much, characters. */
const MOST_CHARACTERS = 200_000;

/** Reads lines of "name, mAh, mohm": a name is optional, so is the resistance; anything else is an issue with its line. */
export interface CellLine {
  readonly line: number;
  readonly text: string;
  readonly why: string;
}

export function readCells(text: string): {
  readonly cells: readonly UsedCell[];
  readonly wrong: readonly CellLine[];
} {
  const cells: UsedCell[] = [];
  const wrong: CellLine[] = [];
  if (text.length > MOST_CHARACTERS)
    return {
      cells,
      wrong: [{ line: 1, text: text.slice(0, 40), why: `more than ${String(MOST_CHARACTERS)} characters` }],
    };
  text.split(/\r?\n/).forEach((raw, i) => {
    const bare = raw.trim();
    if (bare === '' || (i === 0 && /[a-z]/i.test(bare) && !/\d/.test(bare))) return;
    const parts = bare.split(/[\t;,]|\s+/).filter((p) => p !== '');
    const numbers = parts.map(Number);
    const say = (why: string): void => {
      wrong.push({ line: i + 1, text: bare.slice(0, 40), why });
    };
    // One number is a capacity; of two, the second is a resistance; of three the first is a name.
    const named = parts.length >= 3 || !Number.isFinite(numbers[0]);
    const name = clipped(named ? (parts[0] ?? '') : String(cells.length + 1), 20);
    const [mah, mohm] = named ? numbers.slice(1) : numbers;
    if (parts.length > 3) say('more than name, capacity and resistance');
    else if (mah === undefined || !Number.isFinite(mah)) say('no capacity in mAh');
    else if (mah <= 0) say('a capacity above 0 mAh is needed');
    else if (mah > 400_000) say('more than 400,000 mAh is no cell');
    else if (mohm !== undefined && (!Number.isFinite(mohm) || mohm < 0 || mohm > 10_000))
      say('resistance is a number of mΩ from 0 to 10,000');
    else if (cells.length >= 1000) say('more than 1000 cells');
    else cells.push({ name, mah, mohm: mohm ?? null });
  });
  return { cells, wrong };
}
