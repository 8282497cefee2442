import { useMemo } from 'react';
import { Link } from 'react-router';
import { formatNumber, gaugeSeen, packByVolts, ridesOf } from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { useRecords } from '../../state/records.ts';
import { dayShort, today } from '../../state/today.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import type { SettingsSheet } from './use-settings-sheet.ts';

/** What the gauge was seen to show on the road, and what it stood for there: worth more than any table. */
export function GaugeSeen({ sheet: { verdict } }: { sheet: SettingsSheet }) {
  const { records } = useRecords(useBuild((state) => state.id) ?? '');
  const shown = useQuantity();
  const rows = useMemo(
    () => gaugeSeen(ridesOf(records), packByVolts({ machine: verdict.study.machine, known: verdict.known })),
    [records, verdict],
  );
  const km = shown(1, 'km', 0).unit;
  if (rows.length === 0)
    return (
      <p className="py-2 text-[13.5px] text-ink2">
        What a bar is worth is told by the road: note the gauge and the volts at stops of a{' '}
        <Link to="../road" className="text-slate underline max-bench:py-3">
          ride
        </Link>
        , and it stands here.
      </p>
    );
  return (
    <section aria-label="As it was seen" data-testid="gauge-seen" className="pt-2">
      <PanelHead title="As it was seen on the road" note="by volts at rest" />
      <table className="w-full border-collapse text-[13.5px]">
        <thead>
          <tr className="border-b border-ink text-right text-[12.5px]">
            <th scope="col" className="py-1 text-left font-semibold">
              It showed
            </th>
            <th scope="col" className="py-1 font-semibold">
              At rest, V
            </th>
            <th scope="col" className="py-1 font-semibold">
              In the pack
            </th>
            <th scope="col" className="py-1 font-semibold">{`Still ridden, ${km}`}</th>
            <th scope="col" className="py-1 pl-3 text-left font-semibold">
              On
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ on, title, gaugeOf, row }, i) => (
            <tr key={String(i)} className="border-b border-hair text-right">
              <th scope="row" className="py-1 text-left font-normal">
                <span className="flex items-center gap-1.5">
                  {row.flatters !== undefined && <StateMark state="look" size={14} />}
                  {gaugeOf === 100
                    ? `${formatNumber(row.gauge, 0)} %`
                    : `${String(row.gauge)} of ${String(gaugeOf)}`}
                </span>
              </th>
              <td className="num py-1">{row.restV === null ? '' : formatNumber(row.restV, 1)}</td>
              <td className="num py-1 font-semibold">
                {row.inPack === undefined ? '?' : `${formatNumber(100 * row.inPack, 0)} %`}
              </td>
              <td className="num py-1">{row.toGoKm === undefined ? '' : shown(row.toGoKm, 'km', 1).text}</td>
              <td className="py-1 pl-3 text-left">
                {[title, dayShort(on, today())].filter((w) => w !== '').join(', ')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
