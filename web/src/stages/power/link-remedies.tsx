import { useMemo } from 'react';
import { linkRemedies, moneyText, type Link } from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { useShelf } from '../../state/shelf.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { useDeferredStage } from '../parts/use-stage.ts';

/** Ways out of a link that carries too little, each with what it costs, to be done with one action. */
export function LinkRemedies({ link }: { link: Link }) {
  const { document } = useDeferredStage();
  const edit = useBuild((state) => state.edit);
  const { parts } = useShelf();
  const shown = useQuantity();
  const remedies = useMemo(
    () =>
      linkRemedies(
        document,
        link.id,
        (parts ?? []).map((p) => p.part),
      ),
    [document, link.id, parts],
  );
  if (remedies.length === 0) return null;
  const signed = (value: number, digits: number): string =>
    `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(digits)}`;
  const speed = (kmh: number): string => {
    const { text, unit } = shown(Math.abs(kmh), 'km/h', 1);
    return Number(text) === 0 ? 'hill as before' : `hill ${kmh < 0 ? '−' : '+'}${text} ${unit}`;
  };
  const massText = (kg: number): string => {
    const { text, unit } = shown(Math.abs(kg), 'kg', 1);
    return `${kg < 0 ? '−' : '+'}${text} ${unit}`;
  };
  return (
    <ul className="pt-1.5" data-testid="remedies">
      {remedies.map((remedy) => (
        <li key={remedy.what} className="flex flex-wrap items-center gap-x-3 border-t border-rule py-1">
          <b className="font-semibold">{remedy.what}</b>
          <span className="text-[12.5px] text-ink2">
            {[
              remedy.price === null
                ? 'costs nothing to buy'
                : moneyText(remedy.price, document.money.currency),
              ...(remedy.hillKmh === undefined ? [] : [speed(remedy.hillKmh)]),
              ...(Math.abs(remedy.startPct) < 0.05 ? [] : [`starts on ${signed(remedy.startPct, 1)} %`]),
              ...(Math.abs(remedy.massKg) < 0.05 ? [] : [massText(remedy.massKg)]),
            ].join(', ')}
          </span>
          <button
            type="button"
            className="no-print ml-auto min-h-7 text-[13px] text-slate underline max-bench:min-h-11 max-bench:min-w-11"
            onClick={() => {
              edit(() => remedy.build, remedy.what.toLowerCase());
            }}
          >
            Do it
          </button>
        </li>
      ))}
    </ul>
  );
}
