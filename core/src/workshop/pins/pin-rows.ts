import { PIN_ROLES, type PinRole } from './spans.ts';
import type { PlugType } from './plug-types.ts';

/** Every way that the roles of a plug can lie on its pins: one row of role numbers for each, one behind the other. */
export interface Rows {
  readonly pins: number;
  readonly count: number;
  readonly cells: Uint8Array;
  /** The number of every row. */
  readonly all: Int32Array;
}

/** Distinct orders of a list in which some are alike. */
export function countOrders(roles: readonly number[]): number {
  const factorial = (n: number): number => (n < 2 ? 1 : n * factorial(n - 1));
  const alike = new Map<number, number>();
  for (const r of roles) alike.set(r, (alike.get(r) ?? 0) + 1);
  return [...alike.values()].reduce((n, k) => n / factorial(k), factorial(roles.length));
}

/**
 * Writes every distinct order of some roles as rows from a place on, in lexical order.
 * Source: next permutation, Narayana Pandita; D. E. Knuth, The Art of Computer Programming 4A, 7.2.1.2, algorithm L.
 */
function writeOrders(roles: readonly number[], cells: Uint8Array, from: number): number {
  const pins = roles.length;
  const row = Uint8Array.from(roles).sort();
  let at = from * pins;
  for (;;) {
    for (let p = 0; p < pins; p += 1) cells[at + p] = row[p] ?? 0;
    at += pins;
    let k = pins - 2;
    while (k >= 0 && (row[k] ?? 0) >= (row[k + 1] ?? 0)) k -= 1;
    if (k < 0) return at / pins;
    const pivot = row[k] ?? 0;
    let l = pins - 1;
    while (pivot >= (row[l] ?? 0)) l -= 1;
    row[k] = row[l] ?? 0;
    row[l] = pivot;
    for (let a = k + 1, b = pins - 1; a < b; a += 1, b -= 1) {
      const held = row[a] ?? 0;
      row[a] = row[b] ?? 0;
      row[b] = held;
    }
  }
}

/** The rows of a plug, made once: a plug of nine has hundreds of thousands. */
const made = new Map<string, Rows>();
export function rowsOf(type: PlugType): Rows {
  const known = made.get(type.id);
  if (known !== undefined) return known;
  const variants = type.variants.map((v) => v.map((role) => PIN_ROLES.indexOf(role)));
  const pins = variants[0]?.length ?? 0;
  const count = variants.reduce((sum, v) => sum + countOrders(v), 0);
  const cells = new Uint8Array(count * pins);
  let at = 0;
  for (const v of variants) at = writeOrders(v, cells, at);
  const rows = { pins, count, cells, all: Int32Array.from({ length: count }, (_, i) => i) };
  made.set(type.id, rows);
  return rows;
}

/** What the pulse lines are to whoever joins them: how they stand at the moment is no part of the answer. */
export const plain = (role: PinRole): PinRole => (role === 'p1' ? 'p0' : role);

/** Roles by number, pulses taken as one however they stand. */
export const PLAIN = PIN_ROLES.map((role) => PIN_ROLES.indexOf(plain(role)));

/** What one wire may be, and whether it is that for certain. */
export interface PinChoice {
  readonly pin: number;
  readonly roles: readonly PinRole[];
}

/** Which roles each wire may still have. */
export function choices(rows: Rows, alive: Int32Array): readonly PinChoice[] {
  const { pins, cells } = rows;
  const n = PIN_ROLES.length;
  const seen = new Uint8Array(pins * n);
  // Of all rows every role has stood on every pin.
  if (alive === rows.all)
    for (const r of cells.subarray(0, pins))
      for (let p = 0; p < pins; p += 1) seen[p * n + (PLAIN[r] ?? 0)] = 1;
  else
    for (const i of alive)
      for (let p = 0; p < pins; p += 1) seen[p * n + (PLAIN[cells[i * pins + p] ?? 0] ?? 0)] = 1;
  return Array.from({ length: pins }, (_, pin) => ({
    pin,
    roles: PIN_ROLES.filter((__, r) => seen[pin * n + r] === 1),
  }));
}
