import { PIN_ROLES, spansOf, type PinRole, type PinSpan, type Volts } from './spans.ts';
import type { PlugType } from './plug-types.ts';

/** A reading between two wires, red lead on the first: standing still, or the lowest and highest while it is worked. */
export interface PinReading {
  readonly red: number;
  readonly black: number;
  readonly state: 'rest' | 'action';
  readonly low: number;
  readonly high: number;
}

/** What a meter is off by: a share of what it shows, and its last digits. Common practice, no source. */
const [METER_SHARE, METER_V] = [0.01, 0.03];

const widened = ([low, high]: Volts): Volts => [
  low - METER_V - METER_SHARE * Math.abs(low),
  high + METER_V + METER_SHARE * Math.abs(high),
];
const less = (a: Volts, b: Volts): Volts => [a[0] - b[1], a[1] - b[0]];
const holds = ([low, high]: Volts, volts: number): boolean => volts >= low && volts <= high;
/** The lower, and the higher, of two values that are each somewhere in a stretch. */
const lower = (a: Volts, b: Volts): Volts => [Math.min(a[0], b[0]), Math.min(a[1], b[1])];
const higher = (a: Volts, b: Volts): Volts => [Math.max(a[0], b[0]), Math.max(a[1], b[1])];

/**
 * Where the difference of two pins may lie: standing still, or at its lowest and highest while they are worked. Two that move at
 * once get out of step, so that their ends meet; two that are worked in turn meet at rest.
 */
function between(
  a: PinSpan,
  b: PinSpan,
  state: PinReading['state'],
  inTurn: boolean,
): { readonly low: Volts; readonly high: Volts } {
  if (state === 'rest') {
    const rest = less(a.rest, b.rest);
    return { low: rest, high: rest };
  }
  if (inTurn)
    return {
      low: lower(less(a.lowest, b.rest), less(a.rest, b.highest)),
      high: higher(less(a.highest, b.rest), less(a.rest, b.lowest)),
    };
  return { low: less(a.lowest, b.highest), high: less(a.highest, b.lowest) };
}

function fits(a: PinSpan, b: PinSpan, { state, low, high }: PinReading, inTurn: boolean): boolean {
  const span = between(a, b, state, inTurn);
  return holds(widened(span.low), low) && holds(widened(span.high), high);
}

/** Every way that the roles of a plug can lie on its pins: one row of role numbers for each, one behind the other. */
interface Rows {
  readonly pins: number;
  readonly count: number;
  readonly cells: Uint8Array;
  /** The number of every row. */
  readonly all: Int32Array;
}

/** Distinct orders of a list in which some are alike. */
function countOrders(roles: readonly number[]): number {
  const factorial = (n: number): number => (n < 2 ? 1 : n * factorial(n - 1));
  const alike = new Map<number, number>();
  for (const r of roles) alike.set(r, (alike.get(r) ?? 0) + 1);
  return [...alike.values()].reduce((n, k) => n / factorial(k), factorial(roles.length));
}

/** Writes every distinct order of some roles as rows from a place on. */
function writeOrders(roles: readonly number[], cells: Uint8Array, from: number): number {
  const pins = roles.length;
  const left = new Uint8Array(PIN_ROLES.length);
  for (const r of roles) left[r] = (left[r] ?? 0) + 1;
  const row = new Uint8Array(pins);
  let at = from;
  const place = (pin: number): void => {
    if (pin === pins) {
      cells.set(row, at * pins);
      at += 1;
      return;
    }
    for (let r = 0; r < left.length; r += 1) {
      const some = left[r] ?? 0;
      if (some === 0) continue;
      left[r] = some - 1;
      row[pin] = r;
      place(pin + 1);
      left[r] = some;
    }
  };
  place(0);
  return at;
}

/** The rows of a plug, made once: a plug of nine has hundreds of thousands. */
const made = new Map<string, Rows>();
function rowsOf(type: PlugType): Rows {
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

/** What a meter may show on a plug: spans by role number, those that the action does not move standing still. */
interface Kind {
  readonly spans: readonly PinSpan[];
  readonly inTurn: boolean;
  /** For each two pairs of roles the share of the one's readings that the other explains. */
  readonly shares: { readonly rest: Float64Array; readonly action: Float64Array };
}

/** The last plugs that were asked of: their tables are made once for a meter reading of the pack. */
const kinds = new Map<string, Kind>();
const MOST_KINDS = 20;

function kindOf({ id, works, inTurn = false }: PlugType, pack: Volts): Kind {
  const key = `${id} ${pack.join(' ')}`;
  const known = kinds.get(key);
  if (known !== undefined) return known;
  const all = spansOf(pack);
  const spans = PIN_ROLES.map((role) => {
    const span = all[role];
    return works.includes(role) ? span : { rest: span.rest, lowest: span.rest, highest: span.rest };
  });
  const bare = { spans, inTurn };
  const kind: Kind = {
    ...bare,
    shares: { rest: sharesOf(bare, 'rest'), action: sharesOf(bare, 'action') },
  };
  if (kinds.size >= MOST_KINDS) kinds.clear();
  kinds.set(key, kind);
  return kind;
}

/** Rows that agree with every reading. */
function remaining(rows: Rows, readings: readonly PinReading[], kind: Kind): Int32Array {
  if (readings.length === 0) return rows.all;
  const { pins, count, cells } = rows;
  const { length } = kind.spans;
  const tests = readings.map((r) => ({ ...r, table: tableOf(r, kind) }));
  const alive = new Int32Array(count);
  let n = 0;
  for (let i = 0; i < count; i += 1) {
    let good = true;
    for (const { red, black, table } of tests) {
      const [a, b] = [cells[i * pins + red] ?? 0, cells[i * pins + black] ?? 0];
      if (table[a * length + b] === 0) {
        good = false;
        break;
      }
    }
    if (good) alive[n++] = i;
  }
  return alive.subarray(0, n);
}

/** What the pulse lines are to whoever joins them: how they stand at the moment is no part of the answer. */
const plain = (role: PinRole): PinRole => (role === 'p1' ? 'p0' : role);

/** What one wire may be, and whether it is that for certain. */
interface PinChoice {
  readonly pin: number;
  readonly roles: readonly PinRole[];
}

/** The reading that tells most next. */
interface NextReading {
  readonly red: number;
  readonly black: number;
  readonly state: PinReading['state'];
  /** Orders that are expected to remain after it. */
  readonly expected: number;
  /** Pack volts may stand between the two: the caution comes first. */
  readonly packVolts: boolean;
  /** What would be seen, and what each would mean. */
  readonly answers: readonly { readonly volts: Volts; readonly red: PinRole; readonly black: PinRole }[];
}

export type Found =
  | { readonly kind: 'contradiction'; readonly suspects: readonly number[] }
  | {
      readonly kind: 'open' | 'alike' | 'found';
      /** Orders that agree with every reading; how pulses stand is not counted. */
      readonly left: number;
      readonly of: number;
      readonly pins: readonly PinChoice[];
      readonly next: NextReading | undefined;
      /** Wires that a meter cannot tell apart. */
      readonly alike: readonly (readonly [number, number])[];
    };

/** A reading that is expected to leave more than this share of the orders tells nothing that a meter could be trusted with. */
const WORTH_ASKING = 0.85;
/** Of many rows so many are looked at for the next question. */
const SAMPLE = 1500;

/** Up to so many rows distinct answers are counted one by one; beyond, as many as their share of all rows. */
const COUNTED = 20_000;

/** Roles by number, pulses taken as one however they stand. */
const PLAIN = PIN_ROLES.map((role) => PIN_ROLES.indexOf(plain(role)));

/** Distinct answers among rows, pulses taken as one. */
function classes(rows: Rows, alive: Int32Array, all: number): number {
  if (alive.length > COUNTED) return Math.max(2, Math.round((all * alive.length) / rows.count));
  const seen = new Set<number>();
  for (const i of alive) {
    let key = 0;
    for (let p = 0; p < rows.pins; p += 1)
      key = key * PIN_ROLES.length + (PLAIN[rows.cells[i * rows.pins + p] ?? 0] ?? 0);
    seen.add(key);
  }
  return seen.size;
}

/** The share of one span of readings that another explains as well, from 0 to 1. */
function share(p: { low: Volts; high: Volts }, q: { low: Volts; high: Volts }): number {
  const one = (a: Volts, b: Volts): number => {
    const w = widened(b);
    const common = Math.min(a[1], w[1]) - Math.max(a[0], w[0]);
    if (common < 0) return 0;
    const width = a[1] - a[0];
    return width <= 0 ? 1 : Math.min(1, common / width);
  };
  return one(p.low, q.low) * one(p.high, q.high);
}

const NOWHERE: PinSpan = { rest: [0, 0], lowest: [0, 0], highest: [0, 0] };

/** For each two pairs of roles the share of the one's readings that the other explains, by state. */
function sharesOf({ spans, inTurn }: Omit<Kind, 'shares'>, state: PinReading['state']): Float64Array {
  const n = spans.length;
  const pairs = spans.flatMap((a) => spans.map((b) => between(a, b, state, inTurn)));
  const shares = new Float64Array(n ** 4);
  pairs.forEach((p, i) => {
    pairs.forEach((q, j) => {
      shares[i * n * n + j] = share(p, q);
    });
  });
  return shares;
}

/** How much a reading of two pins is expected to leave, of the rows that remain. */
function expectedLeft(
  rows: Rows,
  sample: readonly number[],
  [a, b]: readonly [number, number],
  shares: Float64Array,
  counts: Int32Array,
): number {
  const n = PIN_ROLES.length;
  counts.fill(0);
  const kinds: number[] = [];
  for (const i of sample) {
    const key = (rows.cells[i * rows.pins + a] ?? 0) * n + (rows.cells[i * rows.pins + b] ?? 0);
    if (counts[key] === 0) kinds.push(key);
    counts[key] = (counts[key] ?? 0) + 1;
  }
  let sum = 0;
  for (const p of kinds)
    for (const q of kinds) sum += (counts[p] ?? 0) * (counts[q] ?? 0) * (shares[p * n * n + q] ?? 0);
  return sum / sample.length;
}

/** Every pair of wires in both states, once each. */
const questions = (
  pins: number,
): readonly { readonly pair: readonly [number, number]; readonly state: PinReading['state'] }[] =>
  (['rest', 'action'] as const).flatMap((state) =>
    Array.from({ length: pins }, (_, i) => i).flatMap((i) =>
      Array.from({ length: pins - i - 1 }, (_, j) => ({ pair: [i, i + j + 1] as const, state })),
    ),
  );

/** Which wires hang together by readings of a state: the difference of two in one set is the sum of what was read. */
function setsOf(
  pins: number,
  readings: readonly PinReading[],
  state: PinReading['state'],
): readonly number[] {
  const set = Array.from({ length: pins }, (_, i) => i);
  for (const { red, black } of readings.filter((r) => r.state === state)) {
    const [from, to] = [set[black], set[red] ?? 0];
    set.forEach((s, i) => {
      if (s === from) set[i] = to;
    });
  }
  return set;
}

/** True for two wires of which a reading would tell nothing that is not known from others: joined by readings, or nothing on them moves. */
function knownBefore(
  rows: Rows,
  alive: Int32Array,
  readings: readonly PinReading[],
  { spans }: Kind,
): (pair: readonly [number, number], state: PinReading['state']) => boolean {
  const sets = { rest: setsOf(rows.pins, readings, 'rest'), action: setsOf(rows.pins, readings, 'action') };
  const moves = choices(rows, alive).map(({ roles }) =>
    roles.some((role) => {
      const { rest, lowest, highest } = spans[PIN_ROLES.indexOf(role)] ?? NOWHERE;
      return lowest !== rest || highest !== rest;
    }),
  );
  return ([a, b], state) =>
    sets[state][a] === sets[state][b] ||
    (state === 'action' && moves[a] !== true && moves[b] !== true && sets.rest[a] === sets.rest[b]);
}

function nextOf(
  rows: Rows,
  alive: Int32Array,
  readings: readonly PinReading[],
  kind: Kind,
): NextReading | undefined {
  const { spans, inTurn } = kind;
  const stride = Math.max(1, Math.floor(alive.length / SAMPLE));
  const sample: number[] = [];
  for (let k = 0; k < alive.length; k += stride) sample.push(alive[k] ?? 0);
  let best: { pair: readonly [number, number]; state: PinReading['state']; expected: number } | undefined;
  const known = knownBefore(rows, alive, readings, kind);
  const { shares } = kind;
  const counts = new Int32Array(spans.length ** 2);
  for (const { pair, state } of questions(rows.pins)) {
    if (known(pair, state)) continue;
    const expected = expectedLeft(rows, sample, pair, shares[state], counts);
    if (best === undefined || expected < best.expected - 1e-9) best = { pair, state, expected };
  }
  if (best === undefined || best.expected > sample.length * WORTH_ASKING) return undefined;
  const [red, black] = best.pair;
  const kinds = new Map<string, { readonly volts: Volts; readonly red: PinRole; readonly black: PinRole }>();
  let packVolts = false;
  for (const i of sample) {
    const [a, b] = [
      PIN_ROLES[rows.cells[i * rows.pins + red] ?? 0] ?? 'ground',
      PIN_ROLES[rows.cells[i * rows.pins + black] ?? 0] ?? 'ground',
    ];
    const [sa, sb] = [spans[PIN_ROLES.indexOf(a)] ?? NOWHERE, spans[PIN_ROLES.indexOf(b)] ?? NOWHERE];
    const span = between(sa, sb, best.state, inTurn);
    packVolts ||= Math.max(...span.low.map(Math.abs), ...span.high.map(Math.abs)) > 15;
    kinds.set(`${a} ${b}`, { volts: [span.low[0], span.high[1]], red: plain(a), black: plain(b) });
  }
  return {
    red,
    black,
    state: best.state,
    expected: (best.expected * alive.length) / sample.length,
    packVolts,
    answers: [...kinds.values()].slice(0, 12),
  };
}

/** Which roles each wire may still have. */
function choices(rows: Rows, alive: Int32Array): readonly PinChoice[] {
  const { pins, cells } = rows;
  const n = PIN_ROLES.length;
  const seen = new Uint8Array(pins * n);
  for (const i of alive)
    for (let p = 0; p < pins; p += 1) seen[p * n + (PLAIN[cells[i * pins + p] ?? 0] ?? 0)] = 1;
  return Array.from({ length: pins }, (_, pin) => ({
    pin,
    roles: PIN_ROLES.filter((__, r) => seen[pin * n + r] === 1),
  }));
}

/** Wires that no reading tells apart any more: each may be what the other is. */
const alikeOf = (pins: readonly PinChoice[]): readonly (readonly [number, number])[] =>
  pins.flatMap((a, i) =>
    pins
      .slice(i + 1)
      .filter(
        (b) =>
          a.roles.length > 1 &&
          a.roles.length === b.roles.length &&
          a.roles.every((r) => b.roles.includes(r)),
      )
      .map((b) => [a.pin, b.pin] as const),
  );

/**
 * What the wires of an unknown plug are, as far as the readings say: all orders of its roles that agree with every reading within
 * the meter's tolerance, what tells most next, and where the readings contradict each other. The true order is never ruled
 * out by a reading within tolerance; a resistance is never asked for, since pins may be live.
 * @param pack volts between which the pack stands now: measured first, they part pack from lock and signal
 * @throws RangeError for a reading of a wire that the plug has not
 */
export function findPins(type: PlugType, readings: readonly PinReading[], pack: Volts): Found {
  const rows = rowsOf(type);
  for (const { red, black } of readings)
    if (red === black || Math.min(red, black) < 0 || Math.max(red, black) >= rows.pins)
      throw new RangeError(`no pair ${String(red)}, ${String(black)} on a plug of ${String(rows.pins)}`);
  const kind = kindOf(type, pack);
  const alive = remaining(rows, readings, kind);
  if (alive.length === 0) {
    const without = (i: number): readonly PinReading[] => readings.filter((_, j) => j !== i);
    const suspects = readings.map((_, i) => i).filter((i) => remaining(rows, without(i), kind).length > 0);
    return { kind: 'contradiction', suspects };
  }
  const pins = choices(rows, alive);
  const left = classes(rows, alive, total(type));
  const next = left === 1 ? undefined : nextOf(rows, alive, readings, kind);
  const settled = next === undefined ? 'alike' : 'open';
  const state = left === 1 ? 'found' : settled;
  return { kind: state, left, of: total(type), pins, next, alike: state === 'alike' ? alikeOf(pins) : [] };
}

/** Orders of a plug before anything is read, pulses taken as one. */
function total(type: PlugType): number {
  const [first = []] = type.variants;
  return countOrders(first.map((role) => PIN_ROLES.indexOf(plain(role))));
}
