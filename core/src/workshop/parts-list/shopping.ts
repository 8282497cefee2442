import type { BuildDocument } from '../../document/document.ts';
import { LINE_STATES, withLine, type LineState } from '../../document/purchase.ts';
import { MOST_MONEY } from '../../document/currency.ts';
import { fail, ok, type Issue, type Result } from '../../quantity/result.ts';
import { phraseText } from '../../quantity/phrase.ts';
import { arrivalOf } from './arrival.ts';
import { stopsOf, type Found } from './fit-of.ts';
import { counts, type Row } from './purchase-list.ts';

/** What is still to be bought, by supplier; those without one come last. */
export interface SupplierList {
  readonly supplier: string;
  readonly rows: readonly Row[];
}

/** The open rows of a list, supplier by supplier, in the order of the alphabet. */
export function shoppingList(rows: readonly Row[]): readonly SupplierList[] {
  const open = rows.filter((r) => counts(r) && r.state === 'needed' && r.broughtBy === undefined);
  const names = [...new Set(open.map((r) => r.said.supplier.trim()))].sort(
    (a, b) => Number(a === '') - Number(b === '') || a.localeCompare(b, 'en'),
  );
  return names.map((supplier) => ({
    supplier,
    rows: open.filter((r) => r.said.supplier.trim() === supplier),
  }));
}

/** Metres and pairs are said; pieces are not. */
const unitOf = ({ line }: Row): string =>
  line?.unit === 'm' || line?.unit === 'pair' ? ` ${line.unit}` : '';

/**
 * The shopping list as plain text, by supplier, an open box before each line.
 * @param found what has been found of the build: a line that stops says so
 */
export const shoppingText = (name: string, lists: readonly SupplierList[], found: Found): string =>
  [
    name,
    ...lists.flatMap(({ supplier, rows }) => [
      '',
      supplier === '' ? 'No supplier yet' : supplier,
      ...rows.flatMap((r) => [
        `[ ] ${String(r.quantity)}${unitOf(r)}  ${r.what}${r.line?.ask ? ` (${r.line.ask})` : ''}`,
        ...(r.line !== undefined && r.said.secondHand
          ? arrivalOf(r.line.rule, true).map((item) => `    [ ] second-hand: ${item}`)
          : []),
        ...stopsOf(r, found).map((fit) => `    not as it stands: ${fit.title}. ${phraseText(fit.why)}`),
      ]),
    ]),
    '',
  ].join('\n');

/** Columns of the list as a table, in its order. */
const COLUMNS = [
  'key',
  'what',
  'pieces',
  'state',
  'price',
  'currency',
  'supplier',
  'lead_days',
  'note',
  'second_hand',
] as const;
type Column = (typeof COLUMNS)[number];

/** The list as a table for other programs: it comes back as edits of the same lines. */
export const purchaseTable = ({ money, purchase: { second } }: BuildDocument, rows: readonly Row[]) => ({
  columns: [...COLUMNS] as readonly string[],
  rows: rows.map((r): readonly (number | string)[] => [
    r.key,
    r.what,
    r.quantity,
    r.state,
    r.said.price ?? '',
    r.said.inSecond ? (second?.currency ?? money.currency) : money.currency,
    r.said.supplier,
    r.said.leadDays ?? '',
    r.said.note,
    r.said.secondHand ? 'yes' : 'no',
  ]),
});

/** A row of a table that is read, with the line of its file. */
interface ReadRow {
  readonly line: number;
  readonly cells: Readonly<Record<string, string>>;
}

const isState = (text: string): text is LineState => (LINE_STATES as readonly string[]).includes(text);

/** An amount that may be written with a decimal comma; undefined where it is none, null where nothing is written. */
function amountOf(text: string): number | null | undefined {
  if (text === '') return null;
  const value = Number(text.replace(',', '.'));
  return value >= 0 && value <= MOST_MONEY ? value : undefined;
}

/** Whole days in the same way. */
function daysOf(text: string): number | null | undefined {
  if (text === '') return null;
  const value = Number(text);
  return Number.isInteger(value) && value >= 0 && value <= 400 ? value : undefined;
}

/** What one row of a table says of its line; issues for cells that cannot be used. */
function saidIn(row: Row, { line, cells }: ReadRow, { money, purchase }: BuildDocument): Result<Said> {
  const cell = (name: Column): string | undefined => cells[name]?.trim();
  const path = (name: Column): string => `line ${String(line)}, ${name}`;
  const [state, price, days] = [cell('state'), cell('price'), cell('lead_days')];
  const [amount, lead] = [
    price === undefined ? row.said.price : amountOf(price),
    days === undefined ? row.said.leadDays : daysOf(days),
  ];
  const paidIn = cell('currency') ?? '';
  const used = cell('second_hand')?.toLowerCase() ?? '';
  const inSecond = paidIn === '' ? row.said.inSecond : paidIn === purchase.second?.currency;
  const issues: Issue[] = [
    ...(paidIn === '' || inSecond || paidIn === money.currency
      ? []
      : [
          {
            code: 'choice' as const,
            path: path('currency'),
            actual: paidIn,
            limit: `${money.currency}${purchase.second === null ? '' : ` or ${purchase.second.currency}`}`,
          },
        ]),
    ...(state === undefined || isState(state)
      ? []
      : [{ code: 'choice' as const, path: path('state'), actual: state, limit: LINE_STATES.join(', ') }]),
    ...(amount === undefined
      ? [
          {
            code: 'range' as const,
            path: path('price'),
            actual: price,
            limit: 'an amount such as 12.50, or nothing',
          },
        ]
      : []),
    ...(['', 'yes', 'no'].includes(used)
      ? []
      : [{ code: 'choice' as const, path: path('second_hand'), actual: used, limit: 'yes, no' }]),
    ...(lead === undefined
      ? [
          {
            code: 'range' as const,
            path: path('lead_days'),
            actual: days,
            limit: 'whole days up to 400, or nothing',
          },
        ]
      : []),
  ];
  if (issues.length > 0) return fail(...issues);
  return ok({
    ...(state === undefined || state === row.state || !isState(state) ? {} : { state }),
    price: amount ?? null,
    inSecond,
    leadDays: lead ?? null,
    supplier: (cell('supplier') ?? row.said.supplier).slice(0, 60),
    note: (cell('note') ?? row.said.note).slice(0, 160),
    secondHand: used === '' ? row.said.secondHand : used === 'yes',
  });
}

const isSame = (row: Row, said: Said): boolean =>
  said.state === undefined &&
  said.inSecond === row.said.inSecond &&
  said.price === row.said.price &&
  said.leadDays === row.said.leadDays &&
  said.supplier === row.said.supplier &&
  said.note === row.said.note &&
  said.secondHand === row.said.secondHand;

/**
 * Takes a list that was given out as a table back in: state, price, supplier, lead days, note and second-hand of the lines whose keys the
 * list has; other columns are for reading. All or nothing: each cell that cannot be used is named.
 * @returns the build with what was changed, and how many lines that were
 */
export function readPurchaseTable(
  build: BuildDocument,
  rows: readonly Row[],
  table: { readonly columns: readonly string[]; readonly rows: readonly ReadRow[] },
): Result<{ readonly build: BuildDocument; readonly changed: number }> {
  if (!table.columns.includes('key'))
    return fail({
      code: 'missing',
      path: 'key',
      actual: table.columns.join(', '),
      limit: 'a column named key, as it was given out',
    });
  const known = new Map(rows.map((r) => [r.key, r]));
  const issues: Issue[] = [];
  let [next, changed] = [build, 0];
  for (const read of table.rows) {
    const key = read.cells['key']?.trim() ?? '';
    const row = known.get(key);
    const said: Result<Said> =
      row === undefined
        ? fail({
            code: 'choice',
            path: `line ${String(read.line)}, key`,
            actual: key,
            limit: 'a key of this list',
          })
        : saidIn(row, read, build);
    if (!said.ok) issues.push(...said.issues);
    else if (row !== undefined && !isSame(row, said.value)) {
      next = withSaid(next, row, said.value);
      changed += 1;
    }
  }
  return issues.length > 0 ? fail(...issues) : ok({ build: next, changed });
}

/** What may be said of a row. */
export type Said = Partial<
  Pick<
    Row['said'],
    | 'supplier'
    | 'note'
    | 'link'
    | 'leadDays'
    | 'orderedOn'
    | 'expectedOn'
    | 'reason'
    | 'inSecond'
    | 'secondHand'
  > & {
    state: LineState;
    price: number | null;
  }
>;

/** A build in which something is said of a row. */
export function withSaid(
  build: BuildDocument,
  row: Pick<Row, 'key' | 'from' | 'what'>,
  said: Said,
): BuildDocument {
  const { purchase } = build;
  if (row.from === 'added')
    return {
      ...build,
      purchase: {
        ...purchase,
        added: purchase.added.map((one) => (one.key === row.key ? { ...one, ...said } : one)),
      },
    };
  return withLine(build, row.key, { ...said, was: row.what.slice(0, 200) });
}
