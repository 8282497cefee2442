import type { BuildDocument } from '@apple-cart/core';
import { useDocument } from '../state/build-store.ts';
import { withSection } from '../state/paths.ts';
import { PriceField } from './price-field.tsx';

type Line = Exclude<keyof BuildDocument['money'], 'currency'>;
const MOST = 1_000_000;

/** One line of the build's money. */
export function MoneyField({ line, label }: { line: Line; label: string }) {
  const { money } = useDocument();
  return (
    <PriceField
      label={label}
      field={`money.${line}`}
      value={money[line]}
      currency={money.currency}
      most={MOST}
      change={(d, value) => withSection(d, 'money', { [line]: value })}
    />
  );
}
