import { MOST_MONEY, type BuildDocument } from '@apple-cart/core';
import { useDocument } from '../state/build-store.ts';
import { withSection } from '../state/paths.ts';
import { PriceField } from './price-field.tsx';

type Line = Exclude<keyof BuildDocument['money'], 'currency'>;

/** One line of the build's money. */
export function MoneyField({ line, label }: { line: Line; label: string }) {
  const { money } = useDocument();
  return (
    <PriceField
      label={label}
      field={`money.${line}`}
      value={money[line]}
      currency={money.currency}
      most={MOST_MONEY}
      change={(d, value) => withSection(d, 'money', { [line]: value })}
    />
  );
}
