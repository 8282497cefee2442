import { currencySign, type PlaceId } from '@apple-cart/core';
import { useDocument } from '../state/build-store.ts';
import { useSettings } from '../state/settings-store.ts';
import { useQuantity } from '../state/use-quantity.ts';
import { ChoiceField } from './choice-field.tsx';
import { usePlaceOptions } from './place-options.ts';
import { useSetPlace, useUsual } from './use-place.ts';

const UNIT_WORDS = { metric: 'kilometres and kilograms', imperial: 'miles and pounds' } as const;

/** Where it is ridden, and what goes with that unless it is said otherwise. */
export function PlaceField({ label }: { label: string }) {
  const { brief, money, controller } = useDocument();
  const options = usePlaceOptions(brief.place);
  const setPlace = useSetPlace();
  const usual = useUsual(brief.place);
  const units = useSettings((state) => state.units);
  const shown = useQuantity();
  const speed = (kmh: number): string => {
    const { text, unit } = shown(kmh, 'km/h', 1);
    return `${text} ${unit}`;
  };
  const says =
    usual === undefined
      ? undefined
      : [
          usual.className === undefined ? undefined : `most are built as ${usual.className}`,
          usual.cutoffKmh === undefined ? undefined : `help to ${speed(usual.cutoffKmh)}`,
          usual.ratedW === undefined
            ? undefined
            : `${usual.ratedBelow ? 'under' : 'up to'} ${String(usual.ratedW)} W`,
          `traffic keeps ${usual.traffic}`,
          money.currency === usual.currency ? `prices in ${currencySign(usual.currency).trim()}` : undefined,
          units === usual.units ? UNIT_WORDS[units] : undefined,
        ].filter((t) => t !== undefined);
  const own =
    usual?.cutoffKmh !== undefined &&
    controller.limitsSpeed &&
    controller.assistCutoffKmh.source !== 'unknown' &&
    controller.assistCutoffKmh.value > usual.cutoffKmh + 0.2;
  return (
    <>
      <ChoiceField<PlaceId> label={label} value={brief.place} options={options} onChange={setPlace} />
      {says !== undefined && (
        <p className="border-b border-hair py-1 pl-1 text-[12px] leading-snug text-ink2" data-testid="usual">
          Usual here: {says.join(', ')}.{own && ' This machine is set beyond that.'}
        </p>
      )}
    </>
  );
}
