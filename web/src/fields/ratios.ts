import type { ReadList } from './list-field.tsx';

const [LEAST, MOST] = [0.2, 5];
const MOST_GEARS = 14;

/** Hub ratios from text like "0.73 1 1.36", lowest first; empty text is no hub gear; or why it cannot be read. */
export function readRatios(text: string): ReadList {
  const words = text.split(/[\s;/]+|,\s+/).filter((word) => word !== '');
  if (words.length > MOST_GEARS) return { ok: false, why: `At most ${String(MOST_GEARS)} gears.` };
  const ratios = words.map((word) => Number(word.replace(',', '.')));
  const wrong = words.find((_, i) => {
    const ratio = ratios[i] ?? NaN;
    return !(ratio >= LEAST && ratio <= MOST);
  });
  if (wrong !== undefined)
    return { ok: false, why: `${wrong}: wheel turns per cog turn, ${String(LEAST)} to ${String(MOST)}.` };
  return { ok: true, values: ratios.sort((a, b) => a - b) };
}
