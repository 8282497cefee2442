import type { ReadList } from './list-field.tsx';

const LEAST = 7;
const MOST = 80;
const MOST_COGS = 14;

/** Cogs from text like "34 28 24" or "34-28-24"; or why it cannot be read. */
export function readCogs(text: string): ReadList {
  const words = text.split(/[\s,;/-]+/).filter((word) => word !== '');
  if (words.length === 0) return { ok: false, why: 'At least one cog.' };
  if (words.length > MOST_COGS) return { ok: false, why: `At most ${String(MOST_COGS)} cogs.` };
  const cogs = words.map(Number);
  const wrong = words.find((_, i) => {
    const teeth = cogs[i] ?? NaN;
    return !Number.isInteger(teeth) || teeth < LEAST || teeth > MOST;
  });
  if (wrong !== undefined)
    return { ok: false, why: `${wrong}: cogs are whole numbers from ${String(LEAST)} to ${String(MOST)}.` };
  return { ok: true, values: [...new Set(cogs)].sort((a, b) => b - a) };
}
