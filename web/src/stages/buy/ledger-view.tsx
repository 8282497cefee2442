import { CURRENCIES, MOST_MONEY, firstOf, moneyText, sendingOf, type State } from '@apple-cart/core';
import type { ReactNode } from 'react';
import { ChoiceField, CHOICE_ROW } from '../../fields/choice-field.tsx';
import { FieldGroup, FoldedGroup } from '../../fields/field-group.tsx';
import { BudgetField, RestField } from '../../fields/money-field.tsx';
import { NumberCell } from '../../ui/number-cell.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { GROUP_NAMES } from './group-names.ts';
import type { Purchasing } from './use-purchase.ts';

/** One sum of a ledger. */
const Sum = ({
  name,
  note = '',
  text,
  bold = false,
  mark,
}: {
  name: string;
  note?: string;
  text: string;
  bold?: boolean;
  mark?: ReactNode;
}) => (
  <p
    className={`flex min-h-[30px] items-center justify-between gap-3 border-b border-hair ${bold ? 'border-t border-b-[3px] border-double border-t-ink border-b-ink font-semibold' : ''}`}
  >
    <span className="flex items-center gap-2">
      {mark}
      <span>
        {name} {note !== '' && <span className="text-[12px] font-normal text-ink2">{note}</span>}
      </span>
    </span>
    <span className="num whitespace-nowrap">{text}</span>
  </p>
);

const count = (n: number): string => `${String(n)} ${n === 1 ? 'line' : 'lines'}`;

/** Two ends of a span; one sum where they are the same. */
const spanOfMoney = (least: number, most: number, currency: string, digits = 0): string => {
  const [from, to] = [moneyText(least, currency, digits), moneyText(most, currency, digits)];
  return from === to ? from : `${from} to ${to}`;
};

/** Where the sum stands against the budget; unknown prices never read as within. */
function Left({ ledger, document }: Purchasing) {
  const { budget, currency } = document.money;
  if (budget === null) return null;
  const { total, noIdea } = ledger;
  const over = total.least > budget;
  const maybe = total.most > budget || ledger.unpriced > 0 || ledger.sendingUnknown > 0;
  const state = firstOf<State>(
    [
      [over, 'stop'],
      [maybe, 'look'],
    ],
    'fine',
  );
  const ends = [budget - total.most, budget - total.least] as const;
  return (
    <Sum
      mark={<StateMark state={state} size={14} />}
      name={over ? 'Over the budget' : 'Left of the budget'}
      note={noIdea > 0 ? `without ${count(noIdea)} of no known price` : ''}
      text={over ? spanOfMoney(-ends[1], -ends[0], currency) : spanOfMoney(ends[0], ends[1], currency)}
    />
  );
}

/** What each supplier takes for sending. */
function Sending({ document, rows, change }: Purchasing) {
  const senders = sendingOf(document, rows);
  const { suppliers } = document.purchase;
  if (senders.length === 0) return null;
  return (
    <FoldedGroup
      title="Sending"
      note={`${String(senders.length)} ${senders.length === 1 ? 'supplier' : 'suppliers'}, ${String(senders.filter((s) => s.shipping === null).length)} not known`}
    >
      {senders.map(({ supplier, shipping }) => (
        <div key={supplier} className={CHOICE_ROW}>
          <span className="py-0.5 pr-2 leading-[1.15]">{supplier}</span>
          <NumberCell
            label={`Sending by ${supplier}`}
            value={shipping}
            most={MOST_MONEY}
            onChange={(next) => {
              change(
                { suppliers: { ...suppliers, [supplier]: { shipping: next } } },
                'sending',
                `sending ${supplier}`,
              );
            }}
          />
        </div>
      ))}
    </FoldedGroup>
  );
}

const CURRENCY_OPTIONS = [
  { value: '', label: 'none' },
  ...CURRENCIES.map((value) => ({ value, label: value })),
];

/** Another currency that some things are priced in, at a typed rate. */
function SecondCurrency({ document, change }: Purchasing) {
  const { second } = document.purchase;
  const { currency } = document.money;
  return (
    <FoldedGroup
      title="Another currency"
      note={second === null ? 'none' : `1 ${second.currency} is ${String(second.rate)} ${currency}`}
    >
      <ChoiceField
        label="Some prices are in"
        value={second?.currency ?? ''}
        options={CURRENCY_OPTIONS}
        onChange={(next) => {
          change(
            { second: next === '' ? null : { currency: next, rate: second?.rate ?? 1 } },
            'second currency',
          );
        }}
      />
      {second !== null && (
        <div className={CHOICE_ROW}>
          <span className="py-0.5 pr-2 leading-[1.15]">
            1 {second.currency} in {currency}
          </span>
          <NumberCell
            label={`What one ${second.currency} is worth in ${currency}`}
            value={second.rate}
            most={1e6}
            onChange={(rate) => {
              if (rate !== null && rate > 0) change({ second: { ...second, rate } }, 'rate', 'rate');
            }}
          />
        </div>
      )}
      <p className="py-1 text-[12.5px] text-ink2">
        The rate is the one that you type. Which lines are priced so is said in the line’s own panel.
      </p>
    </FoldedGroup>
  );
}

/** Money by where things are, tools apart, against the budget; what has no price is told as a span, never counted as nought. */
export function LedgerView(data: Purchasing) {
  const { document, rows, ledger } = data;
  const { currency } = document.money;
  const text = (amount: number): string => moneyText(amount, currency);
  const spent = rows.filter(
    (r) =>
      ['ordered', 'arrived', 'fitted'].includes(r.state) && r.from !== 'gone' && r.broughtBy === undefined,
  );
  const unpriced =
    ledger.noIdea === ledger.unpriced
      ? '?'
      : `${spanOfMoney(ledger.likely.least, ledger.likely.most, currency)}${ledger.noIdea > 0 ? ' and more' : ''}`;
  return (
    <>
      <FieldGroup title="Money so far" note="tools apart">
        <Sum name="Owned" text={text(ledger.owned)} />
        <Sum name="Ordered or arrived" note={count(spent.length)} text={text(ledger.spent)} />
        <Sum name="Still to buy" note={count(ledger.open)} text={text(ledger.toBuy)} />
        {ledger.unpriced > 0 && (
          <Sum name="Not priced yet" note={`${count(ledger.unpriced)}, likely`} text={unpriced} />
        )}
        <Sum
          name="Sending"
          note={ledger.sendingUnknown === 0 ? '' : `not known of ${String(ledger.sendingUnknown)}`}
          text={text(ledger.sending)}
        />
        <RestField label="Everything else, in one sum" />
        <Sum
          name="Total"
          note={ledger.noIdea === 0 ? '' : `and ${count(ledger.noIdea)} of no known price`}
          text={spanOfMoney(ledger.total.least, ledger.total.most, currency)}
          bold
        />
        <BudgetField />
        <Left {...data} />
        <Sum
          name="Tools"
          note={
            ledger.toolsUnpriced === 0
              ? 'they stay with the shop'
              : `${count(ledger.toolsUnpriced)} to buy or borrow, no price`
          }
          text={text(ledger.tools)}
        />
      </FieldGroup>
      <Sending {...data} />
      <SecondCurrency {...data} />
      <FoldedGroup title="By group" note={`${String(ledger.groups.length)} groups`}>
        {ledger.groups.map(({ group, sum, unpriced: missing }) => (
          <Sum
            key={group}
            name={GROUP_NAMES[group]}
            note={missing === 0 ? '' : `${count(missing)} without a price`}
            text={text(sum)}
          />
        ))}
      </FoldedGroup>
    </>
  );
}
