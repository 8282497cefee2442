import {
  firstOf,
  likesFull,
  batteryBook,
  formatNumber,
  numbered,
  withQuantity,
  type BatteryBook,
  type QuantityPath,
} from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { dayShort, today } from '../../state/today.ts';
import { Button } from '../../ui/button.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { Caution } from '../../ui/caution.tsx';

import type { Road } from './use-road.ts';
import { LogCharge } from './log-charge.tsx';

export function BatteryInputs({
  road,
  pack,
  onPack,
}: {
  road: Road;
  pack: number;
  onPack: (pack: number) => void;
}) {
  const { packs } = road.document;
  return (
    <>
      {packs.length > 1 && (
        <div role="group" aria-label="Pack" className="flex py-1">
          {packs.map((_, i) => (
            <button
              key={i}
              type="button"
              aria-pressed={i === pack}
              className="min-h-9 flex-1 border border-rule px-2 aria-pressed:bg-ink aria-pressed:text-on-ink max-bench:min-h-11"
              onClick={() => {
                onPack(i);
              }}
            >
              {numbered(road.document, 'Pack', i)}
            </button>
          ))}
        </div>
      )}
      <LogCharge road={road} pack={pack} />
      <Caution>
        {likesFull(road.document.packs[pack]?.chemistry ?? 'nmc')
          ? 'Lead-acid gives off hydrogen as it charges: air about it, no flame. A block that swells or grows hot is taken off.'
          : 'Lithium charges under watch, on stone, away from the way out. A pack that swells or smells goes outside.'}
      </Caution>
    </>
  );
}

/** What the book says of the capacity, and the plan's own share of it. */
function Capacity({ book, pack }: { book: BatteryBook; pack: number }) {
  const edit = useBuild((state) => state.edit);
  const { capacity } = book;
  if (capacity === undefined)
    return (
      <p className="border-b border-hair py-2 text-[14px] text-ink2">
        No charge or ride tells the capacity yet: amp-hours, with volts at rest before and after, over a
        quarter of the charge at least.
      </p>
    );
  const { labelAh } = capacity;
  if (labelAh === undefined)
    return (
      <p className="border-b border-hair py-2 text-[15px]">
        <b className="num text-[22px]">{formatNumber(capacity.ah, 1)}</b> ± {formatNumber(2 * capacity.sd, 1)}{' '}
        Ah. The plan does not know its label: what share of it is left cannot be told.
      </p>
    );
  const share = (100 * capacity.ah) / labelAh;
  const sd = (100 * capacity.sd) / labelAh;
  const path = `packs.${String(pack)}.healthPct` as QuantityPath;
  const then = Math.max(1, Math.min(120, Number(share.toFixed(1))));
  return (
    <div className="border-b border-hair py-2">
      <p className="text-[15px]">
        <b className="num text-[22px]">{formatNumber(capacity.ah, 1)}</b> ± {formatNumber(2 * capacity.sd, 1)}{' '}
        Ah of {formatNumber(labelAh, 1)} on the plan: {formatNumber(share, 0)} %, from {capacity.from}{' '}
        {capacity.from === 1 ? 'reading' : 'readings'}.
      </p>
      <Button
        className="mt-1.5"
        data-testid="take-health"
        onClick={() => {
          edit(
            (d) =>
              withQuantity(d, path, {
                value: then,
                source: 'measured',
                plusMinus: Number(Math.max(0.1, sd).toFixed(1)),
                note: `from the battery book, ${today()}`,
              }),
            'health of the pack',
          );
        }}
      >
        Let the plan’s health follow: {formatNumber(then, 0)} %
      </Button>
    </div>
  );
}

function Spread({ book }: { book: BatteryBook }) {
  const rows = book.rows.filter((r) => r.spreadV !== undefined);
  const last = rows.at(-1)?.spreadV;
  if (last === undefined) return null;
  const first = rows[0]?.spreadV ?? last;
  const words =
    last > 0.05
      ? 'wide: let the balancer work at full charge, and look at the weakest group'
      : 'close together';
  return (
    <p className="border-b border-hair py-2 text-[14px]">
      Groups stand {formatNumber(1000 * last, 0)} mV apart, {words}
      {rows.length > 1 && `; ${formatNumber(1000 * first, 0)} mV at first`}. Common practice: under 50 mV.
    </p>
  );
}

function Habit({ book, full }: { book: BatteryBook; full: boolean }) {
  if (Number.isNaN(book.untilPct)) return null;
  return (
    <p className="border-b border-hair py-2 text-[14px]">
      Stopped at {formatNumber(book.untilPct, 0)} % on the mean,{' '}
      {book.partial === 1 ? 'once' : `${String(book.partial)} times`} at 90 % or below.{' '}
      {firstOf(
        [
          [
            full && book.untilPct < 97,
            'Lead-acid hardens when it is left part empty: charge it full, every time.',
          ],
          [full, 'Lead-acid lasts by being full: kept up, it gives its cycles.'],
          [
            book.untilPct <= 87,
            'Charged to 85 % lithium cells last about twice the cycles: kept up, it saves about a pack in two.',
          ],
        ],
        'Charged to 85 % they would last about twice the cycles; a full charge now and then lets the groups balance.',
      )}{' '}
      From memory.
    </p>
  );
}

export function BatteryPicture({ road, pack }: { road: Road; pack: number }) {
  const book = batteryBook(
    road.document,
    pack,
    road.charges,
    road.rides.map((r) => r.ride),
  );
  if (book === undefined) return null;
  const text = (value: number | null | undefined, digits: number): string =>
    value === null || value === undefined ? '–' : formatNumber(value, digits);
  const ohms = book.resistances;
  const [firstOhm, lastOhm] = [ohms[0], ohms.at(-1)];
  return (
    <section aria-label="Battery book" data-testid="battery-book">
      <PanelHead
        title={`${String(book.rows.length)} ${book.rows.length === 1 ? 'charge' : 'charges'} in the book`}
        note={numbered(road.document, 'Pack', pack)}
      />
      <Capacity book={book} pack={pack} />
      {lastOhm !== undefined && firstOhm !== undefined && (
        <p className="border-b border-hair py-2 text-[14px]">
          The pack with its leads: {formatNumber(lastOhm.mohm, 0)} mΩ on {dayShort(lastOhm.on, today())}
          {ohms.length > 1 && `, ${formatNumber(firstOhm.mohm, 0)} on ${dayShort(firstOhm.on, today())}`};
          from the steps of the current in recordings. Cold cells read higher.
        </p>
      )}
      <Spread book={book} />
      <Habit book={book} full={likesFull(road.document.packs[pack]?.chemistry ?? 'nmc')} />
      {book.capacities.length > 0 && (
        <table className="mt-3 w-full border-collapse text-[13.5px]">
          <caption className="head pb-1 text-left text-[14px]">Capacity, as it was told</caption>
          <tbody>
            {book.capacities.map((c, i) => (
              <tr key={`${c.on} ${String(i)}`} className="border-b border-hair">
                <th scope="row" className="py-1 text-left font-normal">
                  {dayShort(c.on, today())}
                </th>
                <td className="num text-right">
                  {formatNumber(c.ah, 1)} ± {formatNumber(2 * c.sd, 1)} Ah
                </td>
                <td className="pl-3 text-ink2">by a {c.by}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {book.rows.length > 0 && (
        <table className="mt-3 w-full border-collapse text-[13.5px]" data-testid="charges">
          <caption className="sr-only">Charges, the last first</caption>
          <thead>
            <tr className="border-b-[1.5px] border-ink text-right">
              <th scope="col" className="text-left">
                Day
              </th>
              <th scope="col">V before</th>
              <th scope="col">V after</th>
              <th scope="col">Ah</th>
              <th scope="col">Wh</th>
              <th scope="col">h</th>
              <th scope="col">to %</th>
              <th scope="col" className="max-tablet:hidden">
                mV apart
              </th>
            </tr>
          </thead>
          <tbody>
            {book.rows.toReversed().map(({ key, charge: c, spreadV }) => (
              <tr key={key} className="num border-b border-hair text-right">
                <th scope="row" className="py-1 text-left font-normal">
                  {dayShort(c.on, today())}
                </th>
                <td>{text(c.voltsBefore, 1)}</td>
                <td>{text(c.voltsAfter, 1)}</td>
                <td>{text(c.chargeAh, 1)}</td>
                <td>{text(c.energyWh, 0)}</td>
                <td>{text(c.hours, 1)}</td>
                <td>{text(c.untilPct, 0)}</td>
                <td className="max-tablet:hidden">
                  {spreadV === undefined ? '–' : formatNumber(1000 * spreadV, 0)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
