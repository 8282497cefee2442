import type { BuildDocument } from '../../document/document.ts';
import { NOTHING_SAID, type AddedLine, type BoughtLine, type LineState } from '../../document/purchase.ts';
import { phraseText } from '../../quantity/phrase.ts';
import type { Line, LineGroup } from './line.ts';

/** One row of the shopping: a line with what was said of it. */
export interface Row {
  readonly key: string;
  /** `added` was put there by hand, `gone` is not asked for any more. */
  readonly from: 'build' | 'added' | 'gone';
  readonly line: Line | undefined;
  /** In words for rows that no rule makes. */
  readonly what: string;
  readonly group: LineGroup;
  readonly quantity: number;
  readonly said: BoughtLine | AddedLine;
  readonly state: LineState;
  /** For all pieces, in the build's currency; null is not known, and never counted as nought. */
  readonly price: number | null;
}

/** Lines whose price is one of the build's own. */
const OWN_PRICES = { donor: 'donor', motor: 'motor', pack: 'pack', controller: 'controller' } as const;
type OwnPrice = keyof typeof OWN_PRICES;
export const ownPriceOf = (key: string): OwnPrice | undefined =>
  key in OWN_PRICES ? OWN_PRICES[key as OwnPrice] : undefined;

/** The donor stands in the shed, unless somebody says that it is still to be bought. */
const usualState = (key: string): LineState => (key === 'donor' ? 'owned' : 'needed');

/**
 * Every line of the list with what was said of it, then what was added by hand, then what the build asks for no more but of
 * which something was said: nothing is dropped in silence.
 */
export function purchaseList(build: BuildDocument, lines: readonly Line[]): readonly Row[] {
  const { purchase, money } = build;
  const priceOf = (key: string, said: BoughtLine): number | null => {
    const own = ownPriceOf(key);
    return own === undefined ? said.price : money[own];
  };
  const asked = lines.map((line): Row => {
    const said = purchase.lines[line.key] ?? NOTHING_SAID;
    return {
      key: line.key,
      from: 'build',
      line,
      what: phraseText(line.what),
      group: line.group,
      quantity: line.quantity,
      said,
      state: said.state ?? usualState(line.key),
      price: priceOf(line.key, said),
    };
  });
  const added = purchase.added.map((said): Row => ({
    key: said.key,
    from: 'added',
    line: undefined,
    what: said.what,
    group: 'fitting',
    quantity: said.quantity,
    said,
    state: said.state ?? 'needed',
    price: said.price,
  }));
  const keys = new Set(lines.map((l) => l.key));
  const gone = Object.entries(purchase.lines)
    .filter(([key]) => !keys.has(key))
    .map(([key, said]): Row => ({
      key,
      from: 'gone',
      line: undefined,
      what: said.was === '' ? key : said.was,
      group: 'fitting',
      quantity: 1,
      said,
      state: said.state ?? 'needed',
      price: said.price,
    }));
  return [...asked, ...added, ...gone];
}

/** Sums of a list, tools apart: they stay with the shop. */
export interface Ledger {
  readonly owned: number;
  /** Ordered, arrived or fitted. */
  readonly spent: number;
  readonly toBuy: number;
  /** Everything else, entered as one sum. */
  readonly rest: number;
  readonly total: number;
  readonly tools: number;
  /** Rows that count and have no price yet. */
  readonly unpriced: number;
  /** Rows still to be bought, and how many of them are small parts. */
  readonly open: number;
  readonly openSmall: number;
}

/** What counts: asked for or added, and not put off as not needed. */
const counts = ({ from, state }: Row): boolean => from !== 'gone' && state !== 'not-needed';

/** Sums by state; a price that is not known is counted as missing, never as nought. */
export function ledgerOf(rows: readonly Row[], { other }: Pick<BuildDocument['money'], 'other'>): Ledger {
  const own = rows.filter((r) => counts(r) && r.group !== 'tools');
  const sum = (which: (row: Row) => boolean): number =>
    own.filter(which).reduce((total, { price }) => total + (price ?? 0), 0);
  const needed = own.filter((r) => r.state === 'needed');
  return {
    owned: sum((r) => r.state === 'owned'),
    spent: sum((r) => r.state === 'ordered' || r.state === 'arrived' || r.state === 'fitted'),
    toBuy: sum((r) => r.state === 'needed'),
    rest: other ?? 0,
    total: sum(() => true) + (other ?? 0),
    tools: rows
      .filter((r) => counts(r) && r.group === 'tools')
      .reduce((total, { price }) => total + (price ?? 0), 0),
    unpriced: own.filter((r) => r.price === null && r.state !== 'owned').length,
    open: needed.length,
    openSmall: needed.filter((r) => r.line?.small !== false).length,
  };
}
