import type { BuildDocument } from '../../document/document.ts';
import { LINE_GROUPS, type LineGroup } from './line.ts';
import { counts, type Row } from './purchase-list.ts';

/** Sums of a list, tools apart: they stay with the shop. Money in the build's currency. */
export interface Ledger {
  readonly owned: number;
  /** Ordered, arrived or fitted. */
  readonly spent: number;
  readonly toBuy: number;
  /** Everything else, entered as one sum. */
  readonly rest: number;
  /** What suppliers take for sending, as far as it is known, and of how many it is not. */
  readonly sending: number;
  readonly sendingUnknown: number;
  /** Rows that count and have no price yet, and between what the shelf says that they lie. */
  readonly unpriced: number;
  readonly likely: { readonly least: number; readonly most: number };
  /** Of those, rows of which the shelf says nothing either: the total is more than it says. */
  readonly noIdea: number;
  /** What is known. */
  readonly known: number;
  /** With what is likely. */
  readonly total: { readonly least: number; readonly most: number };
  /** Some price is known at all. */
  readonly any: boolean;
  readonly tools: number;
  readonly toolsUnpriced: number;
  /** Rows still to be bought, and how many of them are small parts. */
  readonly open: number;
  readonly openSmall: number;
  /** Known prices by group, in the order of the list. */
  readonly groups: readonly { readonly group: LineGroup; readonly sum: number; readonly unpriced: number }[];
}

const sumOf = (rows: readonly Row[]): number => rows.reduce((sum, { price }) => sum + (price ?? 0), 0);

/** A thing that is owned cost what it cost: it is never missing. */
const isUnpriced = (r: Row): boolean => r.price === null && r.state !== 'owned';

/** What rows of a list come to, up to and with one of them. */
export interface SumSoFar {
  /** Of the prices that are known, in the build's currency. */
  readonly sum: number;
  /** Rows among them without a price: the sum is at least that much. */
  readonly unpriced: number;
}

/**
 * A running total after each row, in the order in which the rows stand, by their keys. A row that nobody wants any more has none
 * and adds nothing.
 */
export function sumsSoFar(rows: readonly Row[]): ReadonlyMap<string, SumSoFar> {
  let so: SumSoFar = { sum: 0, unpriced: 0 };
  return new Map(
    rows.filter(counts).map((row) => {
      so = { sum: so.sum + (row.price ?? 0), unpriced: so.unpriced + (isUnpriced(row) ? 1 : 0) };
      return [row.key, so];
    }),
  );
}

/** Suppliers from whom something still comes, or came. */
const suppliersOf = (rows: readonly Row[]): readonly string[] => [
  ...new Set(
    rows
      .filter((r) => r.state !== 'owned' && r.broughtBy === undefined)
      .map((r) => r.said.supplier.trim())
      .filter((name) => name !== ''),
  ),
];

/** Suppliers of a list, and what each takes for sending; null is not known. */
export const sendingOf = (
  { purchase }: BuildDocument,
  rows: readonly Row[],
): readonly { readonly supplier: string; readonly shipping: number | null }[] =>
  suppliersOf(rows.filter(counts)).map((supplier) => ({
    supplier,
    shipping: purchase.suppliers[supplier]?.shipping ?? null,
  }));

/** Sums by state and by group; a price that is not known is counted as missing, with what is likely, never as nought. */
export function ledgerOf(build: BuildDocument, rows: readonly Row[]): Ledger {
  const all = rows.filter(counts);
  const own = all.filter((r) => r.group !== 'tools');
  const tools = all.filter((r) => r.group === 'tools');
  const needed = own.filter((r) => r.state === 'needed' && r.broughtBy === undefined);
  const missing = own.filter(isUnpriced);
  const senders = sendingOf(build, own);
  const sending = senders.reduce((sum, { shipping }) => sum + (shipping ?? 0), 0);
  const rest = build.purchase.rest ?? 0;
  const known = sumOf(own) + rest + sending;
  const guess = {
    least: missing.reduce((sum, r) => sum + (r.likely?.least ?? 0), 0),
    most: missing.reduce((sum, r) => sum + (r.likely?.most ?? 0), 0),
  };
  return {
    owned: sumOf(own.filter((r) => r.state === 'owned')),
    spent: sumOf(own.filter((r) => r.state !== 'owned' && r.state !== 'needed')),
    toBuy: sumOf(own.filter((r) => r.state === 'needed')),
    rest,
    sending,
    sendingUnknown: senders.filter(({ shipping }) => shipping === null).length,
    unpriced: missing.length,
    likely: guess,
    noIdea: missing.filter((r) => r.likely === undefined).length,
    known,
    total: { least: known + guess.least, most: known + guess.most },
    any: build.purchase.rest !== null || own.some((r) => r.price !== null && r.broughtBy === undefined),
    tools: sumOf(tools),
    toolsUnpriced: tools.filter((r) => isUnpriced(r) && r.state === 'needed').length,
    open: needed.length,
    openSmall: needed.filter((r) => r.line?.small !== false).length,
    groups: LINE_GROUPS.filter((group) => group !== 'tools')
      .map((group) => own.filter((r) => r.group === group))
      .filter((list) => list.length > 0)
      .map((list) => ({
        group: list[0]?.group ?? 'fitting',
        sum: sumOf(list),
        unpriced: list.filter(isUnpriced).length,
      })),
  };
}
