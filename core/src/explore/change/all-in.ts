import type { BuildDocument } from '../../document/document.ts';
import { NOTHING_SAID, withLine } from '../../document/purchase.ts';
import type { RuleBook } from '../../law/rule-schema.ts';
import type { Part } from '../../parts/part.ts';
import { evaluate } from '../../verdict/evaluate.ts';
import { counts, type Row } from '../../workshop/parts-list/purchase-list.ts';

/** What a change costs all in, in the build's currency. */
export interface AllIn {
  /** The far end where prices are guessed; below 0 where less has to be bought than before. */
  readonly cost: number;
  /** Things of which nobody knows the price: it costs more than it says. */
  readonly noIdea: readonly string[];
  /** What is bought: lines that are new or another thing than before, and parts that are no line. */
  readonly more: readonly string[];
  /** What was bought already and is left over. */
  readonly leftOver: readonly string[];
}

/** A part that a change brings, and how many of it. */
export interface Bought {
  readonly part: Part;
  readonly pieces: number;
}

const is = (row: Row): string => `${row.what} x ${String(row.quantity)}`;
/** What was to be bought before serves as it is, or cut shorter. */
function serves(was: Row, row: Row): boolean {
  const [a, b] = [was.line?.cut, row.line?.cut];
  return is(was) === is(row) || (a !== undefined && b !== undefined && a.of === b.of && a.length >= b.length);
}
/** What a row costs at the most, and what not buying it saves at the least, where its price is guessed. */
const paidOf = (row: Row): number | undefined => row.price ?? row.likely?.most;
const savedOf = (row: Row): number => row.price ?? row.likely?.least ?? 0;
/** Money is gone for it, or about to be. */
const isBought = (row: Row): boolean => row.state !== 'needed';

/** Types of part that are a line of the list by themselves; a ring, cogs or tyres may be one. */
const LISTED: ReadonlySet<string> = new Set(['motor', 'pack', 'controller', 'charger', 'donor']);

/** Rows of a list that count and stay with the machine, by their keys. */
export type Listed = ReadonlyMap<string, Row>;

/** What a build asks to be bought. */
export const listed = (build: BuildDocument, book: RuleBook, shelf: readonly Part[]): Listed =>
  new Map(
    evaluate(build, book, shelf)
      .list.rows.filter((r) => counts(r) && r.group !== 'tools' && r.group !== 'consumables')
      .map((r) => [r.key, r]),
  );

/** A line that is new, or another thing than before. */
function isAnew(before: Listed, row: Row): boolean {
  const was = before.get(row.key);
  return was === undefined || !serves(was, row);
}

/** Keys of lines that are another thing than before, of which something was said: that was of the other. */
const staleKeys = (now: Listed, then: Listed): readonly string[] =>
  [...then.values()]
    .filter((row) => {
      const was = now.get(row.key);
      return was !== undefined && !serves(was, row) && (isBought(was) || was.said.price !== null);
    })
    .map((row) => row.key);

/**
 * A changed build whose lines that are another thing than before have to be bought anew, whatever was bought under their name, the
 * parts that were chosen for them at their price; and its list.
 * @param before what the build asked for before the change
 */
export function boughtAnew(
  now: BuildDocument,
  before: Listed,
  then: BuildDocument,
  bought: readonly Bought[],
  list: (build: BuildDocument) => Listed,
): { readonly build: BuildDocument; readonly after: Listed } {
  const after = list(then);
  const stale = staleKeys(before, after);
  const chosen = bought.flatMap(({ part, pieces }) =>
    LISTED.has(part.type)
      ? []
      : [...after.values()]
          .filter(
            (row) => isAnew(before, row) && row.line?.from?.type === part.type && row.line.from.suits(part),
          )
          .map((row) => ({ key: row.key, part, pieces })),
  );
  if (stale.length + chosen.length === 0) return { build: then, after };
  const cleared = stale.reduce((b, key) => {
    const { price, inSecond, leadDays, supplier } = b.purchase.lines[key] ?? NOTHING_SAID;
    const priced = now.purchase.lines[key]?.price !== price;
    return withLine(b, key, {
      ...NOTHING_SAID,
      ...(priced ? { price, inSecond, leadDays, supplier } : {}),
      state: 'needed',
    });
  }, then);
  const build = chosen.reduce(
    (b, { key, part, pieces }) =>
      withLine(b, key, {
        price: part.price === null || part.currency !== b.money.currency ? null : pieces * part.price,
        supplier: part.maker,
        leadDays: part.leadDays,
      }),
    cleared,
  );
  return { build, after: list(build) };
}

/**
 * What a change costs all in: every line of the parts list that is new or another thing than before, less what then need not be
 * bought any more. What is bought already comes to nothing back.
 * @param bought parts that the change brings; those that are no line of the list are counted by themselves
 * @param priceOf what a part costs in the build's money; null is not known
 */
export function allIn(
  before: Listed,
  after: Listed,
  bought: readonly Bought[],
  priceOf: (part: Part) => number | null,
): AllIn {
  const noIdea: string[] = [];
  const more: string[] = [];
  const leftOver: string[] = [];
  let cost = 0;
  const pay = (row: Row): void => {
    if (row.broughtBy !== undefined) return;
    more.push(row.what);
    const price = paidOf(row);
    if (price === undefined) noIdea.push(row.what);
    else cost += price;
  };
  /** @param other what is bought instead: two guesses of one thing are off alike */
  const save = (row: Row, other?: Row): void => {
    if (isBought(row)) {
      if (row.key !== 'donor') leftOver.push(row.what);
    } else if (row.broughtBy === undefined) cost -= other?.price === null ? (paidOf(row) ?? 0) : savedOf(row);
  };
  for (const [key, row] of after) {
    const was = before.get(key);
    if (was !== undefined && serves(was, row)) continue;
    if (was !== undefined) save(was, row);
    pay(row);
  }
  for (const [key, row] of before) if (!after.has(key)) save(row);
  for (const { part, pieces } of bought) {
    if (LISTED.has(part.type) || isOnList(after, before, part)) continue;
    const price = priceOf(part);
    more.push(pieces === 1 ? part.name : `${String(pieces)} x ${part.name}`);
    if (price === null) noIdea.push(part.name);
    else cost += pieces * price;
  }
  return { cost, noIdea, more, leftOver };
}

/** A ring, cogs, tyre, plug or lead whose line the list has changed or added for it is paid there. */
const isOnList = (after: Listed, before: Listed, part: Part): boolean =>
  [...after.values()].some(
    (row) => isAnew(before, row) && row.line?.from?.type === part.type && row.line.from.suits(part),
  );
