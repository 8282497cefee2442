import type { Verdict } from '@apple-cart/core';
import { useQuantity } from '../../state/use-quantity.ts';

/** What each end carries laden and empty, and the grades at which the front lifts and the driven wheel slips. */
export function BalanceLine({ verdict }: { verdict: Verdict }) {
  const shown = useQuantity();
  const kg = (value: number): string => {
    const { text, unit } = shown(value, 'kg', 0);
    return `${text} ${unit}`;
  };
  const pct = (value: number | null): string =>
    value === null || value > 99 ? 'never' : `${value.toFixed(0)} %`;
  const { axlesKg, fit } = verdict;
  const total = axlesKg.rear + axlesKg.front;
  const end = (name: 'rear' | 'front') => (
    <>
      <b className="figure-number text-[19px]" data-axle={name}>
        {kg(axlesKg[name])}
      </b>
      <span className="block text-[12.5px] text-ink2">
        {name}, {Math.round((100 * axlesKg[name]) / total)} %; empty {kg(fit.emptyAxlesKg[name])}
      </span>
    </>
  );
  return (
    <div className="flex flex-wrap justify-between gap-x-4 gap-y-1 border-b border-hair pt-1 pb-2">
      <span>{end('rear')}</span>
      <dl className="grid grid-cols-3 gap-x-5 text-center text-[12.5px] text-ink2">
        {(
          [
            ['front lifts at', fit.grades.liftPct],
            ['slips, dry, at', fit.grades.dryPct],
            ['slips, wet, at', fit.grades.wetPct],
          ] as const
        ).map(([label, value]) => (
          <div key={label} className="flex flex-col-reverse">
            <dt>{label}</dt>
            <dd className="num text-[14px] text-ink">{pct(value)}</dd>
          </div>
        ))}
      </dl>
      <span className="text-right">{end('front')}</span>
    </div>
  );
}
