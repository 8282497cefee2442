import { moneyText, type UnderBudget, type WayBack } from '@apple-cart/core';
import { useMemo, useState } from 'react';
import { FieldGroup } from '../../fields/field-group.tsx';
import { useBuild } from '../../state/build-store.ts';
import { useBook } from '../../state/rules.ts';
import { useParts } from '../../state/shelf.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { Button } from '../../ui/button.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { useStudy } from '../../work/use-study.ts';
import type { Purchasing } from './use-purchase.ts';

function Way({ way, currency, onTake }: { way: WayBack; currency: string; onTake: () => void }) {
  const shown = useQuantity();
  const km = way.plannedKm === undefined ? undefined : shown(way.plannedKm.low, 'km', 0);
  const far = way.plannedKm === undefined ? undefined : shown(way.plannedKm.high, 'km', 0);
  const hill = way.hillKmh === undefined ? undefined : shown(way.hillKmh, 'km/h', 1);
  return (
    <li className="flex items-center gap-3 border-b border-hair py-1.5">
      <span className="min-w-0 flex-1 leading-snug">
        {way.parts.map((p) => p.name).join(' and ')}
        <span className="block text-[12.5px] text-ink2">
          {way.className}
          {hill === undefined ? '' : `, hill ${hill.text} ${hill.unit}`}
          {km === undefined || far === undefined ? '' : `, ${km.text} to ${far.text} ${far.unit}`}
        </span>
        {way.opens.length > 0 && (
          <span className="flex items-start gap-1 text-[12.5px] text-ink2">
            <StateMark state="unknown" size={12} /> Then to be found out: {way.opens.join('; ')}
          </span>
        )}
      </span>
      <span className="num text-right text-[13px] whitespace-nowrap">
        {moneyText(way.total, currency)}
        <span className="block text-[12px] text-ink2">{moneyText(way.saved, currency)} less</span>
      </span>
      <Button aria-label={`Take: ${way.parts.map((p) => p.name).join(' and ')}`} onClick={onTake}>
        Take
      </Button>
    </li>
  );
}

/** What the search came to, in words. */
function foundWords({ ways, nearest, tried }: Extract<UnderBudget, { kind: 'over' }>): string {
  if (ways.length > 0) return `The cheapest of ${String(tried)} tried; what is ordered or here stays.`;
  const none = `None of ${String(tried)} tried`;
  const kept = 'keeps class, hill, heat and distance';
  return nearest === undefined
    ? `${none} is cheaper and ${kept}.`
    : `${none} comes under it and ${kept}; this is nearest.`;
}

/** Cheaper builds of the shelf that keep what the brief asks, where the list is over the budget. */
export function WaysBack({ document, ledger }: Purchasing) {
  const edit = useBuild((state) => state.edit);
  const book = useBook();
  const parts = useParts();
  const [asked, setAsked] = useState(false);
  const { budget, currency } = document.money;
  const over = budget !== null && ledger.total.most > budget;
  const study = useStudy(
    'budget',
    useMemo(
      () => (asked && over && parts.length > 0 ? { build: document, parts, book } : undefined),
      [asked, over, document, parts, book],
    ),
  );
  if (!over) return null;
  const found = study.value?.kind === 'over' ? study.value : undefined;
  const near = found?.nearest === undefined ? [] : [found.nearest];
  const ways = found === undefined || found.ways.length === 0 ? near : found.ways;
  const take = (way: WayBack) => () => {
    // What was found is of this very build: an edit since then is not overwritten.
    edit((d) => (d === document ? way.build : d), 'way back under the budget');
  };
  return (
    <FieldGroup title="Back under the budget" note="what the brief asks is kept">
      {!asked && (
        <Button
          className="my-2"
          onClick={() => {
            setAsked(true);
          }}
        >
          Look on the shelf
        </Button>
      )}
      {study.why !== undefined && (
        <p role="alert" className="py-2 text-stop">
          {study.why}
        </p>
      )}
      {asked && study.value === undefined && study.why === undefined && (
        <p className="py-1.5 text-ink2" role="status">
          being tried…
        </p>
      )}
      {found !== undefined && <p className="py-1 text-[12.5px] text-ink2">{foundWords(found)}</p>}
      <ul>
        {ways.map((way) => (
          <Way key={way.parts.map((p) => p.name).join()} way={way} currency={currency} onTake={take(way)} />
        ))}
      </ul>
    </FieldGroup>
  );
}
