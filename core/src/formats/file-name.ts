import { clipped } from '../quantity/clipped.ts';

/** A name in a folder has at most 255 bytes, and a letter up to four. */
const LONGEST = 60;

/** The name of a file made from what it holds: letters and digits of any script, small, with hyphens between. */
export function fileName(name: string, extension: string): string {
  const stem = name
    .normalize('NFC')
    .toLowerCase()
    .replace(/[^\p{L}\p{M}\p{N}]+/gu, '-');
  return `${clipped(stem, LONGEST).replace(/^-|-$/g, '') || 'apple-cart'}.${extension}`;
}
