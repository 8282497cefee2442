import { useMemo } from 'react';
import { moneyText, type Link, type LinkRemedy } from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { useParts } from '../../state/shelf.ts';
import { useChange } from '../../state/use-quantity.ts';
import { useStudy } from '../../work/use-study.ts';
import { useDeferredStage } from '../parts/use-stage.ts';

/** Ways out of a link that carries too little, each with what it costs, to be done with one action. */
export function LinkRemedies({ link }: { link: Link }) {
  const { document } = useDeferredStage();
  const edit = useBuild((state) => state.edit);
  const parts = useParts();
  const change = useChange();
  const { value: remedies } = useStudy(
    'remedies',
    useMemo(
      () => ({ build: document, link: { id: link.id, pack: link.pack, cable: link.cable }, parts }),
      [document, link.id, link.pack, link.cable, parts],
    ),
  );
  if (remedies === undefined || remedies.length === 0) return null;
  const costs = ({ price, hillKmh, startPct, massKg }: LinkRemedy): string => {
    const hill = hillKmh === undefined ? undefined : change(hillKmh, 'km/h', 1);
    const start = change(startPct, '%', 1);
    const mass = change(massKg, 'kg', 1);
    return [
      price === null ? 'costs nothing to buy' : moneyText(price, document.money.currency),
      ...(hillKmh === undefined
        ? []
        : [hill === undefined ? 'hill as before' : `hill ${hill.text} ${hill.unit}`]),
      ...(start === undefined ? [] : [`starts on ${start.text} %`]),
      ...(mass === undefined ? [] : [`${mass.text} ${mass.unit}`]),
    ].join(', ');
  };
  return (
    <ul className="pt-1.5" data-testid="remedies">
      {remedies.map((remedy) => (
        <li key={remedy.what} className="flex flex-wrap items-center gap-x-3 border-t border-rule py-1">
          <b className="font-semibold">{remedy.what}</b>
          <span className="text-[12.5px] text-ink2">{costs(remedy)}</span>
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
