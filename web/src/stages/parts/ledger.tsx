import type { ReactNode } from 'react';
import type { Unit } from '@apple-cart/core';
import { useQuantity } from '../../state/use-quantity.ts';
import { ByDefault, onDefault, type From } from '../../ui/by-default.tsx';
import { Num } from '../../ui/num.tsx';

/** A value in the reader's units, split at the decimal point. */
export function Quantity({
  value,
  unit,
  digits,
  places = 1,
}: {
  value: number;
  unit: Unit;
  digits?: number;
  places?: number;
}) {
  const shown = useQuantity()(value, unit, digits);
  return (
    <span className="inline-flex items-baseline whitespace-nowrap">
      <Num text={shown.text} places={places} />
      <span className="min-w-[2.4em] pl-1 text-left text-[12.5px] text-ink3">{shown.unit}</span>
    </span>
  );
}

export interface LedgerLine {
  readonly label: string;
  readonly note?: string;
  readonly value: ReactNode;
  /** What it is worked out from, of what may not have been read. */
  readonly from?: From;
  /** A total: ruled above, doubled below. */
  readonly sum?: boolean;
}

/** A ledger: labels left, numbers right, a double rule under each total. */
export function Ledger({ title, lines }: { title: string; lines: readonly LedgerLine[] }) {
  return (
    <table className="keep-together w-full border-collapse">
      <caption className="head border-b-[1.5px] border-ink pb-1.5 text-left text-[14px]">{title}</caption>
      <tbody>
        {lines.map(({ label, note, value, from, sum = false }) => (
          <tr
            key={label}
            className={
              sum
                ? 'border-t border-b-[3px] border-double border-t-ink border-b-ink font-semibold'
                : 'border-b border-hair'
            }
          >
            <th scope="row" className={`py-1 pr-2 text-left ${sum ? 'font-semibold' : 'font-normal'}`}>
              {label}
              {note !== undefined && (
                <span className="inline-block pl-1.5 text-[12px] font-normal text-ink2">{note}</span>
              )}
              {onDefault(from) && (
                <span className="pl-1.5">
                  <ByDefault />
                </span>
              )}
            </th>
            <td className="py-1 text-right text-[15px]">{value}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
