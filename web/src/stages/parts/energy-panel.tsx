import { energyAsked, moneyText } from '@apple-cart/core';
import { useMemo } from 'react';
import { ofType, useShelf } from '../../state/shelf.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { useDeferredStage } from './use-stage.ts';

const WORD = {
  fine: 'enough, legs resting',
  look: 'enough with the rider’s help',
  stop: 'not enough',
} as const;

/** How many amp-hours the distance asks, and which packs of the shelf have them. */
export function EnergyPanel() {
  const { document } = useDeferredStage();
  const { parts, error } = useShelf();
  const shown = useQuantity();
  const asked = useMemo(() => energyAsked(document, ofType(parts, 'pack')), [document, parts]);
  if (asked === undefined) return null;
  const { wh, ah, volts, distanceKm, packs } = asked;
  const distance = shown(distanceKm, 'km', 0);
  const whole = (value: number): string => value.toFixed(0);
  return (
    <section aria-label="Amp-hours asked" className="keep-together" data-testid="energy-asked">
      <PanelHead
        title={`${distance.text} ${distance.unit} ask ${ah.low.toFixed(1)} to ${ah.high.toFixed(1)} Ah at ${whole(volts)} V`}
        note={`${whole(wh.low)} to ${whole(wh.high)} Wh on the label, reserve included`}
      />
      <ul className="border-t-[1.5px] border-ink text-[13.5px]">
        {packs.map((pack) => (
          <li
            key={pack.id}
            className="grid grid-cols-[20px_minmax(0,1fr)_auto_auto] items-center gap-x-2.5 border-b border-hair py-1"
          >
            <StateMark state={pack.state} size={14} />
            <span>
              {pack.name} <span className="text-ink2">{WORD[pack.state]}</span>
            </span>
            <span className="num">
              {pack.ah.toFixed(1)} Ah, {whole(pack.wh)} Wh
            </span>
            <span className="num w-16 text-right">
              {pack.price === null ? '–' : moneyText(pack.price, document.money.currency)}
            </span>
          </li>
        ))}
        {packs.length === 0 && (
          <li className="border-b border-hair py-1 text-ink2">
            {/* A shelf that is still to come has nothing yet, and is not empty. */}
            {parts === undefined
              ? (error ?? 'Fetching the shelf.')
              : `No pack of the shelf has ${whole(volts)} V.`}
          </li>
        )}
      </ul>
      <p className="py-1.5 text-[12.5px] text-ink2">
        The near end with the rider’s power all the way on the level, the far end with legs resting, stops and
        small grades; hills beyond that ask more. Ride a route on Range for its own figure.
      </p>
    </section>
  );
}
