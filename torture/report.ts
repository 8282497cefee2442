/** What one kind of torture did, and what went wrong; nothing wrong is an empty list. */
export interface Report {
  readonly name: string;
  readonly seed: number;
  /** Counts and times by their names, printed as they are. */
  readonly figures: Readonly<Record<string, number>>;
  readonly wrong: readonly string[];
}

/** How long it may take, and where chance begins. */
export interface Bounds {
  readonly seed: number;
  /** Ends at the first of these two. */
  readonly untilMs: number;
  readonly rounds: number;
}

/** Only so many wrongs are told one by one. */
const SHOWN = 20;

/** The report as lines. */
export function reportText({ name, seed, figures, wrong }: Report): string {
  const counts = Object.entries(figures).map(([what, n]) => `${what} ${String(Math.round(n * 10) / 10)}`);
  const lines = [`${name.padEnd(22)} seed ${String(seed).padEnd(11)} ${counts.join(', ')}`];
  for (const one of wrong.slice(0, SHOWN)) lines.push(`  WRONG ${one}`);
  if (wrong.length > SHOWN) lines.push(`  and ${String(wrong.length - SHOWN)} more`);
  return `${lines.join('\n')}\n`;
}

/** A source of chance that a seed repeats (Park and Miller's minimal standard). */
export function chance(seed: number) {
  let state = (seed % 2147483646) + 1;
  const next = (): number => (state = (state * 48271) % 2147483647) / 2147483647;
  const below = (n: number): number => Math.floor(next() * n);
  return { next, below, of: <T>(all: readonly T[]): T => all[below(all.length)] as T };
}
export type Chance = ReturnType<typeof chance>;

/** How often and how long something took, against a limit of one second. */
export class Clock {
  longestMs = 0;
  count = 0;

  /** Times a piece of work. */
  async time<T>(work: () => T | Promise<T>): Promise<T> {
    const start = performance.now();
    const value = await work();
    this.longestMs = Math.max(this.longestMs, performance.now() - start);
    this.count += 1;
    return value;
  }
}
