import type { Issue } from './result.ts';

/**
 * What no document of ours comes near to: levels inside one another, entries of a list, keys of an object, and values
 * in all. A recorded route has three lists of 50,000 numbers.
 */
export const BOUNDS = { depth: 32, entries: 50_000, keys: 400, values: 250_000 } as const;

/** A name in a path is a hint at the place, characters. */
const LONGEST_NAME = 80;

interface Level {
  readonly value: object;
  readonly depth: number;
  readonly path: string;
}

const sizeIssue = (path: string, actual: number, limit: string): Issue => ({
  code: 'size',
  path,
  actual,
  limit,
});

const isTree = (value: unknown): value is object => typeof value === 'object' && value !== null;

/**
 * What is beyond the bounds in data that came from outside, undefined for nothing. Walks without recursion and stops at
 * the first, so that no schema ever works through what nobody meant.
 */
export function beyondBounds(data: unknown): Issue | undefined {
  if (!isTree(data)) return undefined;
  const open: Level[] = [{ value: data, depth: 1, path: '' }];
  let values = 1;
  for (let level = open.pop(); level !== undefined; level = open.pop()) {
    const { value, depth, path } = level;
    if (depth > BOUNDS.depth)
      return sizeIssue(path, depth, `at most ${String(BOUNDS.depth)} levels inside one another`);
    const [keys, most, what] = Array.isArray(value)
      ? [value.length, BOUNDS.entries, 'entries']
      : [Object.keys(value).length, BOUNDS.keys, 'keys'];
    if (keys > most) return sizeIssue(path, keys, `at most ${String(most)} ${what}`);
    values += keys;
    if (values > BOUNDS.values)
      return sizeIssue(path, values, `at most ${String(BOUNDS.values)} values in all`);
    const look = (key: string | number, inner: unknown): void => {
      if (!isTree(inner)) return;
      const name = String(key).slice(0, LONGEST_NAME);
      open.push({ value: inner, depth: depth + 1, path: path === '' ? name : `${path}.${name}` });
    };
    if (Array.isArray(value))
      value.forEach((inner, i) => {
        look(i, inner);
      });
    else for (const [key, inner] of Object.entries(value)) look(key, inner);
  }
  return undefined;
}
