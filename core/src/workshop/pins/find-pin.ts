import { PIN_ROLES, type Volts } from './spans.ts';
import { nextOf, type NextReading } from './next-reading.ts';
import type { PinReading } from './pin-reading.ts';
import { PLAIN, choices, countOrders, plain, rowsOf, type PinChoice, type Rows } from './pin-rows.ts';
import { kindOf, remaining, suspectsOf } from './pin-tests.ts';
import type { PlugType } from './plug-types.ts';

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

/** Up to so many rows distinct answers are counted one by one; beyond, as many as their share of all rows. */
const COUNTED = 20_000;

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
    const suspects = suspectsOf(rows, readings, kind);
    return { kind: 'contradiction', suspects };
  }
  const pins = choices(rows, alive);
  const left = classes(rows, alive, total(type));
  const next = left === 1 ? undefined : nextOf(rows, alive, pins, readings, kind);
  const settled = next === undefined ? 'alike' : 'open';
  const state = left === 1 ? 'found' : settled;
  return { kind: state, left, of: total(type), pins, next, alike: state === 'alike' ? alikeOf(pins) : [] };
}

/** Orders of a plug before anything is read, pulses taken as one. */
function total(type: PlugType): number {
  const [first = []] = type.variants;
  return countOrders(first.map((role) => PIN_ROLES.indexOf(plain(role))));
}
