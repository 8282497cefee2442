const words = (text: string): readonly string[] =>
  text
    .toLowerCase()
    .split(/[^a-z0-9äöüéèà/]+/)
    .filter((w) => w !== '');

/** How well one word is met: whole, as a beginning, or within. */
function met(wanted: string, all: readonly string[]): number {
  if (all.includes(wanted)) return 1;
  if (all.some((w) => w.startsWith(wanted))) return 0.7;
  return wanted.length > 2 && all.some((w) => w.includes(wanted)) ? 0.25 : 0;
}

/**
 * How well an entry answers what is typed, 0 to 1: every word has to be met; whole words come before beginnings, and entries
 * that say little else before those that say much.
 */
export function findScore(entry: string, typed: string): number {
  const [all, wanted] = [words(entry), words(typed)];
  if (wanted.length === 0) return 1;
  const scores = wanted.map((w) => met(w, all));
  if (scores.includes(0)) return 0;
  const mean = scores.reduce((sum, s) => sum + s, 0) / scores.length;
  // What an entry is called stands first in it.
  const first = all[0] !== undefined && wanted.some((w) => all[0]?.startsWith(w)) ? 0.08 : 0;
  return Math.min(1, mean * 0.9 + first + 0.02 / Math.max(1, all.length));
}
