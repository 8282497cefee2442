import { PIN_ROLES, spansOf, type PinRole, type PinSpan, type Volts } from './spans.ts';
import { between, fits, widened, type PinReading } from './pin-reading.ts';
import type { Rows } from './pin-rows.ts';
import type { PlugType } from './plug-types.ts';

/** What a meter may show on a plug: spans by role number, those that the action does not move standing still. */
export interface Kind {
  readonly spans: readonly PinSpan[];
  readonly inTurn: boolean;
  /** For each two pairs of roles the share of the one's readings that the other explains. */
  readonly shares: { readonly rest: Float64Array; readonly action: Float64Array };
}

/** The last plugs that were asked of: their tables are made once for a meter reading of the pack. */
const kinds = new Map<string, Kind>();
const MOST_KINDS = 20;

export function kindOf({ id, works, variants, inTurn = false }: PlugType, pack: Volts): Kind {
  const key = `${id} ${pack.join(' ')}`;
  const known = kinds.get(key);
  if (known !== undefined) return known;
  const all = spansOf(pack);
  const roles = new Set(variants.flat());
  const spans = PIN_ROLES.map((role) => {
    const span = all[role];
    return works.includes(role) ? span : { rest: span.rest, lowest: span.rest, highest: span.rest };
  });
  const bare = { spans, inTurn };
  const kind: Kind = {
    ...bare,
    shares: { rest: sharesOf(bare, roles, 'rest'), action: sharesOf(bare, roles, 'action') },
  };
  if (kinds.size >= MOST_KINDS) kinds.clear();
  kinds.set(key, kind);
  return kind;
}

/** The share of one stretch of readings that another, widened already, holds as well, from 0 to 1. */
function common([a, b]: Volts, [low, high]: Volts): number {
  const shared = Math.min(b, high) - Math.max(a, low);
  if (shared < 0) return 0;
  return b - a <= 0 ? 1 : Math.min(1, shared / (b - a));
}

/** For each two pairs of the roles of a plug the share of the one's readings that the other explains, by state. */
function sharesOf(
  { spans, inTurn }: Omit<Kind, 'shares'>,
  roles: ReadonlySet<PinRole>,
  state: PinReading['state'],
): Float64Array {
  const n = spans.length;
  const shares = new Float64Array(n ** 4);
  const pairs = spans.flatMap((a, i) =>
    spans.flatMap((b, j) => {
      if (![i, j].every((r) => roles.has(PIN_ROLES[r] ?? 'ground'))) return [];
      const { low, high } = between(a, b, state, inTurn);
      return { at: i * n + j, low, high, lowW: widened(low), highW: widened(high) };
    }),
  );
  for (const p of pairs)
    for (const q of pairs) shares[p.at * n * n + q.at] = common(p.low, q.lowW) * common(p.high, q.highW);
  return shares;
}

/** Which pairs of roles a reading lets stand, as a table of role by role. */
function tableOf(reading: PinReading, { spans, inTurn }: Kind): Uint8Array {
  const table = new Uint8Array(spans.length * spans.length);
  spans.forEach((a, i) => {
    spans.forEach((b, j) => {
      table[i * spans.length + j] = fits(a, b, reading, inTurn) ? 1 : 0;
    });
  });
  return table;
}

/** Readings as tests of a row. */
interface PinTest {
  readonly red: number;
  readonly black: number;
  readonly table: Uint8Array;
}

/** Of the readings so far what is left, so that the next one has only that to look at. */
interface Remembered {
  readonly rows: Rows;
  readonly kind: Kind;
  readonly readings: readonly PinReading[];
  readonly alive: Int32Array;
}
let remembered: Remembered | undefined;

const sameReading = (a: PinReading, b: PinReading | undefined): boolean =>
  b !== undefined &&
  a.red === b.red &&
  a.black === b.black &&
  a.state === b.state &&
  a.low === b.low &&
  a.high === b.high;

/** Rows that agree with every reading. */
export function remaining(rows: Rows, readings: readonly PinReading[], kind: Kind): Int32Array {
  const before =
    remembered?.rows === rows &&
    remembered.kind === kind &&
    remembered.readings.length <= readings.length &&
    remembered.readings.every((r, i) => sameReading(r, readings[i]))
      ? remembered
      : undefined;
  const from = before?.alive ?? rows.all;
  const tests = testsOf(readings.slice(before?.readings.length ?? 0), kind);
  const alive = tests.length === 0 ? from : agreeing(rows, from, tests, kind.spans.length);
  remembered = { rows, kind, readings: [...readings], alive };
  return alive;
}

const testsOf = (readings: readonly PinReading[], kind: Kind): readonly PinTest[] =>
  readings.map((r) => ({ red: r.red, black: r.black, table: tableOf(r, kind) }));

/** Those of some rows that pass every test. */
function agreeing(
  { pins, cells }: Rows,
  from: Int32Array,
  tests: readonly PinTest[],
  length: number,
): Int32Array {
  let alive = from;
  for (const { red, black, table } of tests) {
    const left = new Int32Array(alive.length);
    let n = 0;
    for (let k = 0; k < alive.length; k += 1) {
      const i = alive[k] ?? 0;
      const at = (cells[i * pins + red] ?? 0) * length + (cells[i * pins + black] ?? 0);
      if (table[at] === 1) left[n++] = i;
    }
    alive = left.slice(0, n);
  }
  return alive;
}

/** Readings without which some order agrees with all the others: rows that fail one test only name it. */
export function suspectsOf(rows: Rows, readings: readonly PinReading[], kind: Kind): readonly number[] {
  const { pins, count, cells } = rows;
  const { length } = kind.spans;
  const tests = testsOf(readings, kind);
  const suspects = new Set<number>();
  for (let i = 0; i < count; i += 1) {
    let failed = -1;
    for (let t = 0; t < tests.length; t += 1) {
      const test = tests[t];
      if (test === undefined) continue;
      const [a, b] = [cells[i * pins + test.red] ?? 0, cells[i * pins + test.black] ?? 0];
      if (test.table[a * length + b] !== 0) continue;
      if (failed >= 0) {
        failed = -2;
        break;
      }
      failed = t;
    }
    if (failed >= 0) suspects.add(failed);
  }
  return [...suspects].sort((a, b) => a - b);
}
