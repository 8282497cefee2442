import { moneyText, type SumSoFar } from '@apple-cart/core';

/** What a list comes to up to and with a line: at least that much where a price is missing on the way. */
export function SoFar({ so, currency }: { so: SumSoFar | undefined; currency: string }) {
  if (so === undefined || so.sum === 0) return null;
  const open = so.unpriced > 0;
  return (
    <span className="num block text-right text-[12px] whitespace-nowrap text-ink2" data-so-far>
      <span className="sr-only">{open ? 'so far at least ' : 'so far '}</span>
      <span aria-hidden>{open ? '≥ ' : '= '}</span>
      {moneyText(so.sum, currency, 2)}
    </span>
  );
}
