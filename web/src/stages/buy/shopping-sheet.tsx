import {
  arrivalOf,
  firstOf,
  moneyText,
  phraseText,
  sendingOf,
  shoppingList,
  shoppingText,
  stopsOf,
  sumsSoFar,
  type BuildDocument,
  type Row,
  type SupplierList,
} from '@apple-cart/core';
import { useState } from 'react';
import { PrintPage } from '../../paper/print-page.tsx';
import { useSettings } from '../../state/settings-store.ts';
import { verdictOf } from '../../state/verdicts.ts';
import { useBuild } from '../../state/build-store.ts';
import { Button } from '../../ui/button.tsx';
import { CopyButton } from '../../ui/copy-button.tsx';
import { NotAsItStands } from './not-as-it-stands.tsx';
import { SoFar } from './so-far.tsx';

/** Metres and pairs are said; pieces are not. */
const unitOf = ({ line }: Row): string => (line?.unit === 'm' || line?.unit === 'pair' ? line.unit : '');

function textOf(build: BuildDocument): string {
  const { list, study } = verdictOf(build);
  return shoppingText(build.name, shoppingList(list.rows), study);
}

/** What a supplier is paid in all, with sending where it is known. */
function ToPay({ build, list: { supplier, rows } }: { build: BuildDocument; list: SupplierList }) {
  const { currency } = build.money;
  const { sum: goods, unpriced } = [...sumsSoFar(rows).values()].at(-1) ?? { sum: 0, unpriced: 0 };
  const sending = sendingOf(build, rows)[0]?.shipping;
  const sent = firstOf(
    [
      [supplier === '', ''],
      [sending == null, ', sending not known'],
      [sending === 0, ', nothing for sending'],
    ],
    `, ${moneyText(sending ?? 0, currency, 2)} for sending`,
  );
  if (unpriced === rows.length) return <p className="pt-1 text-[14px]">No price is known{sent}</p>;
  return (
    <p className="keep-together flex items-baseline gap-2.5 pt-1 text-[14px]">
      <span className="flex-1">
        {unpriced > 0
          ? `At least, ${String(unpriced)} of ${String(rows.length)} lines without a price${sent}`
          : `To pay${sent}`}
      </span>
      <b className="num whitespace-nowrap">{moneyText(goods + (sending ?? 0), currency, 2)}</b>
    </p>
  );
}

function Sheet({ build, prices }: { build: BuildDocument; prices: boolean }) {
  const system = useSettings((state) => state.units);
  const { list, study } = verdictOf(build);
  const lists = shoppingList(list.rows);
  return (
    <article data-testid="shopping-list">
      <h1 className="head border-b-2 border-ink pb-1 text-[26px] font-extrabold">Shopping list</h1>
      <p className="pt-1 text-[14px]">
        {build.name}
        {build.job === '' ? '' : `, job ${build.job}`}
      </p>
      {lists.length === 0 && <p className="py-3">Nothing is left to buy.</p>}
      {lists.map(({ supplier, rows }) => {
        const so = sumsSoFar(rows);
        return (
          <section
            key={supplier}
            className="pt-3"
            aria-label={supplier === '' ? 'No supplier yet' : supplier}
          >
            <h2 className="head border-b-[1.5px] border-ink pb-0.5 text-[16px]">
              {supplier === '' ? 'No supplier yet' : supplier}
            </h2>
            <ul>
              {rows.map((row) => (
                <li
                  key={row.key}
                  className="keep-together flex items-baseline gap-2.5 border-b border-hair py-1"
                >
                  <span className="size-3.5 shrink-0 translate-y-0.5 border-[1.5px] border-ink" aria-hidden />
                  <span className="num w-14 shrink-0 text-right">
                    {row.quantity} {unitOf(row)}
                  </span>
                  <span className="flex-1 leading-snug">
                    {row.line === undefined ? row.what : phraseText(row.line.what, system)}
                    {row.line !== undefined && row.line.ask !== '' && (
                      <span className="block text-[12px] text-ink2">{row.line.ask}</span>
                    )}
                    {row.line !== undefined && row.said.secondHand && (
                      <span className="block text-[12px]">
                        Second-hand, before it is paid for: {arrivalOf(row.line.rule, true).join('; ')}.
                      </span>
                    )}
                    <NotAsItStands stops={stopsOf(row, study)} />
                  </span>
                  {prices && (
                    <span className="num text-right whitespace-nowrap">
                      {row.price === null ? '______' : moneyText(row.price, build.money.currency, 2)}
                      <SoFar so={so.get(row.key)} currency={build.money.currency} />
                    </span>
                  )}
                </li>
              ))}
            </ul>
            {prices && <ToPay build={build} list={{ supplier, rows }} />}
          </section>
        );
      })}
    </article>
  );
}

/** What is still to be bought, by supplier, to print and tick off; with or without prices. */
export function ShoppingSheet() {
  const [prices, setPrices] = useState(true);
  const build = useBuild((state) => state.document);
  return (
    <PrintPage
      title="Shopping list"
      back={{ to: 'buy', words: 'Back to the list' }}
      width="sheet"
      buttons={
        <>
          {build !== undefined && <CopyButton text={() => textOf(build)}>Copy as text</CopyButton>}
          <Button
            kind="quiet"
            aria-pressed={prices}
            onClick={() => {
              setPrices(!prices);
            }}
          >
            {prices ? 'Without prices' : 'With prices'}
          </Button>
        </>
      }
    >
      {(build) => <Sheet build={build} prices={prices} />}
    </PrintPage>
  );
}
