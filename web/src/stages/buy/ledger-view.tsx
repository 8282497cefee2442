import { moneyText } from '@apple-cart/core';
import { FieldGroup } from '../../fields/field-group.tsx';
import { MoneyField } from '../../fields/money-field.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import type { Purchasing } from './use-purchase.ts';

const Sum = ({
  name,
  note = '',
  text,
  bold = false,
}: {
  name: string;
  note?: string;
  text: string;
  bold?: boolean;
}) => (
  <p
    className={`flex min-h-[30px] items-center justify-between gap-3 border-b border-hair ${bold ? 'border-t border-b-[3px] border-double border-t-ink border-b-ink font-semibold' : ''}`}
  >
    <span>
      {name} {note !== '' && <span className="text-[12px] font-normal text-ink2">{note}</span>}
    </span>
    <span className="num whitespace-nowrap">{text}</span>
  </p>
);

const count = (n: number): string => `${String(n)} ${n === 1 ? 'line' : 'lines'}`;

/** Money by where things are, tools apart, against the budget; what has no price is said, never counted as nought. */
export function LedgerView({ document, rows, ledger }: Purchasing) {
  const { budget, currency } = document.money;
  const text = (amount: number): string => moneyText(amount, currency);
  const left = budget === null ? undefined : budget - ledger.total;
  const enough = ledger.unpriced > 0 ? 'unknown' : 'fine';
  const spent = rows.filter((r) => ['ordered', 'arrived', 'fitted'].includes(r.state) && r.from !== 'gone');
  return (
    <FieldGroup title="Money so far" note="tools apart">
      <Sum name="Owned" text={text(ledger.owned)} />
      <Sum name="Ordered or arrived" note={count(spent.length)} text={text(ledger.spent)} />
      <Sum name="Still to buy" note={count(ledger.open)} text={text(ledger.toBuy)} />
      <MoneyField line="other" label="Everything else, in one sum" />
      <Sum
        name="Total"
        note={ledger.unpriced === 0 ? '' : `and ${count(ledger.unpriced)} without a price`}
        text={text(ledger.total)}
        bold
      />
      <MoneyField line="budget" label="Budget" />
      {left !== undefined && (
        <p className="flex min-h-[30px] items-center justify-between border-b border-hair">
          <span className="flex items-center gap-2">
            <StateMark state={left < 0 ? 'stop' : enough} size={14} />
            {left < 0 ? 'Over the budget' : 'Left of the budget'}
          </span>
          <span className="num">{text(Math.abs(left))}</span>
        </p>
      )}
      <Sum name="Tools" note="they stay with the shop" text={text(ledger.tools)} />
    </FieldGroup>
  );
}
