import { PIN_ROLES, type PinRole, type PinSpan, type Volts } from './spans.ts';
import { between, type PinReading } from './pin-reading.ts';
import { plain, type PinChoice, type Rows } from './pin-rows.ts';
import type { Kind } from './pin-tests.ts';

/** The reading that tells most next. */
export interface NextReading {
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

/** A reading that is expected to leave more than this share of the orders tells nothing that a meter could be trusted with. */
const WORTH_ASKING = 0.85;
/** Of many rows so many are looked at for the next question. */
const SAMPLE = 1500;

const NOWHERE: PinSpan = { rest: [0, 0], lowest: [0, 0], highest: [0, 0] };

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
  pins: readonly PinChoice[],
  readings: readonly PinReading[],
  { spans }: Kind,
): (pair: readonly [number, number], state: PinReading['state']) => boolean {
  const sets = { rest: setsOf(rows.pins, readings, 'rest'), action: setsOf(rows.pins, readings, 'action') };
  const moves = pins.map(({ roles }) =>
    roles.some((role) => {
      const { rest, lowest, highest } = spans[PIN_ROLES.indexOf(role)] ?? NOWHERE;
      return lowest !== rest || highest !== rest;
    }),
  );
  return ([a, b], state) =>
    sets[state][a] === sets[state][b] ||
    (state === 'action' && moves[a] !== true && moves[b] !== true && sets.rest[a] === sets.rest[b]);
}

export function nextOf(
  rows: Rows,
  alive: Int32Array,
  pins: readonly PinChoice[],
  readings: readonly PinReading[],
  kind: Kind,
): NextReading | undefined {
  const { spans, inTurn } = kind;
  const stride = Math.max(1, Math.floor(alive.length / SAMPLE));
  const sample: number[] = [];
  for (let k = 0; k < alive.length; k += stride) sample.push(alive[k] ?? 0);
  let best: { pair: readonly [number, number]; state: PinReading['state']; expected: number } | undefined;
  const known = knownBefore(rows, pins, readings, kind);
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
