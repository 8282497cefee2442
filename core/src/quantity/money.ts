import { formatNumber } from './format.ts';

const SIGNS = new Map<string, string>();

/** The sign of a currency of ISO 4217 as it is usually written before an amount: "£", or "CHF " with its space. */
export function currencySign(currency: string): string {
  const known = SIGNS.get(currency);
  if (known !== undefined) return known;
  const parts = new Intl.NumberFormat('en', {
    style: 'currency',
    currency,
    currencyDisplay: 'narrowSymbol',
  }).formatToParts(0);
  const sign = parts.find((part) => part.type === 'currency')?.value ?? currency;
  const written = /^[A-Za-z]/.test(sign) ? `${sign}\u00a0` : sign;
  SIGNS.set(currency, written);
  return written;
}

/** An amount for reading; without pence unless asked for. */
export const moneyText = (amount: number, currency: string, digits = 0): string =>
  `${currencySign(currency)}${formatNumber(amount, digits)}`;
