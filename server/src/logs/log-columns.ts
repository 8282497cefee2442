import { distancesOf, wattsAt, type Numbers, type Recording } from '@apple-cart/core';

/** Rows of a column lie in chunks of so many. */
export const CHUNK = 4096;

/** Places, distances and seconds are kept with more digits than seven. */
const FINE: ReadonlySet<string> = new Set(['seconds', 'metres', 'distance', 'latDeg', 'lonDeg']);

/** As a column is stored: numbers in memory may be finer. */
const stored = (name: string, values: Numbers): Numbers =>
  FINE.has(name) ? Float64Array.from(values) : Float32Array.from(values);

/** The columns of a recording as they are stored, by name. */
export function storedColumns(r: Recording): ReadonlyMap<string, Numbers> {
  const out = Float32Array.from({ length: r.seconds.length }, (_, i) => wattsAt(r, i));
  const columns: (readonly [string, Numbers])[] = [
    ['seconds', r.seconds],
    ['metres', distancesOf(r).metres],
    ...Object.entries(r.columns),
    ...(out.some((w) => !Number.isNaN(w)) ? [['out', out] as const] : []),
  ];
  return new Map(columns.map(([name, values]) => [name, stored(name, values)]));
}

/** The bytes of a part of a column. */
export function bytesOf(values: Numbers, from = 0, to = values.length): Buffer {
  const part = values.slice(from, to);
  return Buffer.from(part.buffer, part.byteOffset, part.byteLength);
}

/** The numbers of bytes that were read; copied where they do not lie evenly. */
export function numbersOf(column: string, bytes: Buffer): Numbers {
  const width = FINE.has(column) ? 8 : 4;
  const even = bytes.byteOffset % width === 0 ? bytes : Buffer.from(Uint8Array.from(bytes).buffer);
  return width === 8
    ? new Float64Array(even.buffer, even.byteOffset, even.byteLength / 8)
    : new Float32Array(even.buffer, even.byteOffset, even.byteLength / 4);
}
