import { MOST_MONEY, NOTHING_SAID, withLine, type BuildDocument } from '@apple-cart/core';
import { useDocument } from '../state/build-store.ts';
import { withSection } from '../state/paths.ts';
import { PriceField } from './price-field.tsx';

interface Props {
  readonly label: string;
  readonly field: string;
  readonly of: (document: BuildDocument) => number | null;
  readonly currency?: string;
  readonly change: (document: BuildDocument, value: number | null) => BuildDocument;
}

/** An amount of the open build. */
function Amount({ label, field, of, currency, change }: Props) {
  const document = useDocument();
  return (
    <PriceField
      label={label}
      field={field}
      value={of(document)}
      currency={currency ?? document.money.currency}
      most={MOST_MONEY}
      change={change}
    />
  );
}

/** What may be spent in all. */
export const BudgetField = () => (
  <Amount
    label="Budget"
    field="money.budget"
    of={({ money }) => money.budget}
    change={(d, budget) => withSection(d, 'money', { budget })}
  />
);

/** Everything that no line of the list stands for, in one sum. */
export const RestField = ({ label }: { label: string }) => (
  <Amount
    label={label}
    field="purchase.rest"
    of={({ purchase }) => purchase.rest}
    change={(d, rest) => ({ ...d, purchase: { ...d.purchase, rest } })}
  />
);

/** The price of one line of the parts list, in the money that it is priced in. */
export function LinePriceField({ line, label }: { line: string; label: string }) {
  const { purchase, money } = useDocument();
  const said = purchase.lines[line] ?? NOTHING_SAID;
  return (
    <Amount
      label={label}
      field={`purchase.lines.${line}.price`}
      of={() => said.price}
      currency={said.inSecond && purchase.second !== null ? purchase.second.currency : money.currency}
      change={(d, price) => withLine(d, line, { price })}
    />
  );
}
