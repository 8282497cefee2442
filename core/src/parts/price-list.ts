import { MOST_MONEY, CURRENCIES } from '../document/currency.ts';
import type { Part } from './part.ts';

/** What a row of a shop's price list may say of a part. */
export const PRICE_FIELDS = [
  { key: 'id', label: 'Id on the shelf' },
  { key: 'name', label: 'Name' },
  { key: 'price', label: 'Price' },
  { key: 'currency', label: 'Currency' },
  { key: 'leadDays', label: 'Days to come' },
] as const;

interface ListRow {
  readonly line: number;
  readonly cells: Readonly<Record<string, string>>;
}

/** What a price list comes to. */
export interface PriceListRead {
  /** Parts with another price or other days than now. */
  readonly changed: readonly Part[];
  /** Rows that say what the shelf says already. */
  readonly same: number;
  /** Names that the shelf does not have. */
  readonly strange: readonly string[];
  /** One sentence for each row that cannot be used, with its line. */
  readonly bad: readonly string[];
}

const plain = (text: string): string => text.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');

/** An amount with its currency's sign or letters taken off; undefined where it is none. */
function amountOf(text: string): number | undefined {
  const bare = text.replace(/[\p{Sc}\s]|[A-Z]{3}/gu, '');
  // A comma is a decimal point where it is the last sign of the kind.
  const point =
    bare.lastIndexOf(',') > bare.lastIndexOf('.')
      ? bare.replaceAll('.', '').replace(',', '.')
      : bare.replaceAll(',', '');
  const value = Number(point);
  return point !== '' && value >= 0 && value <= MOST_MONEY ? value : undefined;
}

/** What one row says of a part; a sentence where it cannot be used. */
function pricedBy(part: Part, said: (key: string) => string): Part | string {
  const [price, days, currency] = [said('price'), said('leadDays'), said('currency').toUpperCase()];
  const amount = price === '' ? part.price : amountOf(price);
  if (amount === undefined) return `“${price}” is no amount`;
  const lead = days === '' ? part.leadDays : Number(days);
  if (lead !== null && !(Number.isInteger(lead) && lead >= 0 && lead <= 400))
    return `“${days}” is no number of days`;
  if (currency !== '' && !CURRENCIES.includes(currency)) return `“${currency}” is no currency of ISO 4217`;
  return {
    ...part,
    price: amount,
    // The end of a span goes with the price that it belonged to.
    priceTo: price === '' ? part.priceTo : null,
    currency: currency === '' ? part.currency : currency,
    leadDays: lead,
  };
}

/**
 * The price list of a shop held against the shelf: parts are found by their id, else by their name, letters and digits alone.
 * @param mapping which column holds what; null leaves one out
 */
export function readPriceList(
  shelf: readonly Part[],
  rows: readonly ListRow[],
  mapping: Readonly<Record<string, string | null>>,
): PriceListRead {
  const byId = new Map(shelf.map((p) => [p.id, p]));
  const byName = new Map(shelf.map((p) => [plain(p.name), p]));
  const changed = new Map<string, Part>();
  const [strange, bad]: [string[], string[]] = [[], []];
  let same = 0;
  for (const { line, cells } of rows) {
    const column = (key: string): string => {
      const found = Object.entries(mapping).find(([, to]) => to === key);
      return found === undefined ? '' : (cells[found[0]] ?? '').trim();
    };
    const part = byId.get(column('id')) ?? byName.get(plain(column('name')));
    if (part === undefined) {
      strange.push(column('name') === '' ? column('id') : column('name'));
      continue;
    }
    const next = pricedBy(part, column);
    if (typeof next === 'string') bad.push(`Line ${String(line)}: ${next}.`);
    else if (next.price === part.price && next.currency === part.currency && next.leadDays === part.leadDays)
      same += 1;
    else changed.set(part.id, next);
  }
  return { changed: [...changed.values()], same, strange, bad };
}
