import type { PartType } from '../../document/part-types.ts';
import type { Part } from '../../parts/part.ts';
import type { Line } from './line.ts';

/** What a line may cost and how long it may take, by the parts of the shelf that suit it. */
export interface Likely {
  /** For all pieces, in the build's currency. */
  readonly least: number;
  readonly most: number;
  /** From the order to the door; undefined where no part says. */
  readonly days: { readonly least: number; readonly most: number } | undefined;
}

/** Finds the parts of a shelf that can be bought for a line. */
export type PartsFor = (line: Line) => readonly Part[];

/** A part of other amps is another part; one that does not say its amps may be it. */
function isMadeFor(part: Part, rated: Line['rated']): boolean {
  if (rated === undefined || part.type !== 'fitting' || part.madeForA === null) return true;
  return part.madeForA >= rated.least && part.madeForA <= (rated.most ?? Infinity);
}

/** A shelf sorted by what its parts are bought for, once for as long as it does not change. */
function sorted(parts: readonly Part[]): PartsFor {
  const byType = new Map<PartType, Part[]>();
  const byKind = new Map<string, Part[]>();
  for (const part of parts) {
    byType.set(part.type, [...(byType.get(part.type) ?? []), part]);
    if (part.type === 'fitting' || part.type === 'consumable' || part.type === 'tool')
      for (const kind of part.serves) byKind.set(kind, [...(byKind.get(kind) ?? []), part]);
  }
  return ({ kind, from, rated }) => [
    ...(byKind.get(kind) ?? []).filter((part) => isMadeFor(part, rated)),
    ...(from === undefined ? [] : (byType.get(from.type) ?? []).filter(from.suits)),
  ];
}

const known = new WeakMap<readonly Part[], PartsFor>();

/** The parts of a shelf for each line; a shelf is never changed in place. */
export function partsFor(shelf: readonly Part[]): PartsFor {
  const found = known.get(shelf) ?? sorted(shelf);
  known.set(shelf, found);
  return found;
}

/** Days to come of several parts. */
function daysOf(parts: readonly Part[]): Likely['days'] {
  const days = parts.flatMap(({ leadDays }) => leadDays ?? []);
  return days.length === 0 ? undefined : { least: Math.min(...days), most: Math.max(...days) };
}

/**
 * The span of prices of the parts that suit a line, for all its pieces; undefined where the shelf has none in the currency.
 * @param quantity pieces of the line that are still to be paid
 */
export function likely(parts: readonly Part[], currency: string, quantity: number): Likely | undefined {
  const priced = parts.filter((p) => p.price !== null && p.currency === currency);
  if (priced.length === 0) return undefined;
  return {
    least: quantity * Math.min(...priced.map((p) => p.price ?? 0)),
    most: quantity * Math.max(...priced.map((p) => p.priceTo ?? p.price ?? 0)),
    days: daysOf(parts),
  };
}
