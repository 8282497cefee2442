import {
  applyPart,
  copiedFrom,
  isOffered,
  moneyText,
  ratingOf,
  type Part,
  type PartType,
  type UnitSystem,
  type ShelfOffer,
  type State,
} from '@apple-cart/core';
import { useMemo, useState } from 'react';
import { ChoiceField } from '../../fields/choice-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { useBook } from '../../state/rules.ts';
import { useShelf } from '../../state/shelf.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { SearchBox } from '../../ui/search-box.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { useStudy } from '../../work/use-study.ts';
import { partFacts, TYPE_NAMES } from './part-facts.ts';

type Order = 'fit' | 'rating' | 'price' | 'name';
const ORDERS: readonly { readonly value: Order; readonly label: string }[] = [
  { value: 'fit', label: 'what is let in and fits first' },
  { value: 'rating', label: 'by rating' },
  { value: 'price', label: 'by price' },
  { value: 'name', label: 'by name' },
];

const RANK: readonly State[] = ['fine', 'look', 'unknown', 'stop'];
const rankOf = (offer: ShelfOffer | undefined): number =>
  offer === undefined
    ? 0
    : RANK.indexOf(offer.classState) * 10 +
      RANK.indexOf(offer.fit) +
      RANK.indexOf(offer.hillKmh === undefined ? 'stop' : offer.heatState);

interface Row {
  readonly part: Part;
  readonly offer: ShelfOffer | undefined;
}

const COMPARE: Readonly<Record<Order, (a: Row, b: Row) => number>> = {
  fit: (a, b) => rankOf(a.offer) - rankOf(b.offer) || ratingOf(a.part) - ratingOf(b.part),
  rating: (a, b) => ratingOf(a.part) - ratingOf(b.part),
  price: (a, b) => (a.part.price ?? Infinity) - (b.part.price ?? Infinity),
  name: (a, b) => a.part.name.localeCompare(b.part.name),
};

/** Every word that is looked for stands somewhere in the name or the facts. */
const holds = (part: Part, wanted: string, system: UnitSystem): boolean => {
  const text = `${part.name} ${part.maker} ${partFacts(part, system)}`.toLowerCase();
  return wanted
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
};

function Gives({ offer }: { offer: ShelfOffer }) {
  const shown = useQuantity();
  const { hillKmh, plannedKm } = offer;
  const hill = hillKmh === undefined ? undefined : shown(hillKmh, 'km/h', 1);
  const far = plannedKm === undefined ? undefined : shown(plannedKm.high, 'km', 0);
  return (
    <span className="flex flex-wrap gap-x-3 text-[12.5px]">
      <span className="flex items-center gap-1">
        <StateMark state={offer.classState} size={12} /> {offer.className}
      </span>
      <span className="flex items-center gap-1">
        <StateMark state={hill === undefined ? 'stop' : offer.heatState} size={12} />
        {hill === undefined ? 'stalls on the hill' : `${hill.text} ${hill.unit} on the hill`}
      </span>
      <span>
        {plannedKm === undefined || far === undefined
          ? 'no range'
          : `${shown(plannedKm.low, 'km', 0).text}–${far.text} ${far.unit}`}
      </span>
      <span className="flex items-center gap-1">
        <StateMark state={offer.fit} size={12} /> {offer.fitWords}
      </span>
    </span>
  );
}

/** Takes a part from the shelf: its values are copied into the build, marked as read from a label. */
export function ShelfDialog({
  type,
  packIndex,
  onClose,
}: {
  type: PartType;
  packIndex: number;
  onClose: () => void;
}) {
  const document = useDocument();
  const edit = useBuild((state) => state.edit);
  const book = useBook();
  const system = useSettings((state) => state.units);
  const { parts: stored, error, load } = useShelf();
  const [wanted, setWanted] = useState('');
  const [order, setOrder] = useState<Order>(isOffered(type) ? 'fit' : 'rating');
  const parts = useMemo(
    () => stored?.map((s) => s.document).filter((part) => part.type === type) ?? [],
    [stored, type],
  );
  const study = useStudy(
    'shelf',
    useMemo(
      () => (isOffered(type) && parts.length > 0 ? { build: document, parts, packIndex, book } : undefined),
      [type, document, parts, packIndex, book],
    ),
  );
  const rows = parts
    .map((part): Row => ({ part, offer: study.value?.find((o) => o.id === part.id) }))
    .filter(({ part }) => holds(part, wanted, system))
    .sort(COMPARE[order]);
  const own = copiedFrom(document, type, packIndex);
  const { many } = TYPE_NAMES[type];
  return (
    <Dialog
      open
      onClose={onClose}
      place="side"
      title={`${many} of the shelf`}
      description={`The values of the one that is taken are copied, marked as from its label.${isOffered(type) ? ' Beside each: what this build would be with it.' : ''}`}
    >
      <div className="flex flex-wrap items-center gap-x-3">
        <SearchBox label="Look for" placeholder="name, watts, teeth…" value={wanted} onChange={setWanted} />
        <div className="w-[340px] max-w-full">
          <ChoiceField
            label="Order"
            value={order}
            options={isOffered(type) ? ORDERS : ORDERS.slice(1)}
            onChange={setOrder}
          />
        </div>
      </div>
      {error !== undefined && (
        <p role="alert" className="py-2 text-stop">
          The shelf cannot be reached.{' '}
          <button type="button" className="underline" onClick={() => void load()}>
            Try again
          </button>
        </p>
      )}
      {study.why !== undefined && (
        <p role="alert" className="py-2 text-stop">
          {study.why}
        </p>
      )}
      <ul className="mt-2 border-t-[1.5px] border-ink" data-testid="shelf-choice">
        {rows.map(({ part, offer }) => (
          <li
            key={part.id}
            aria-current={part.id === own}
            className="grid grid-cols-[minmax(0,1fr)_auto_auto] items-center gap-x-3 border-b border-hair py-1.5 aria-[current=true]:bg-press"
          >
            <div className="min-w-0">
              <b className="font-semibold">{part.name}</b>{' '}
              <span className="text-[12.5px] text-ink2">
                {partFacts(part, system)}
                {part.id === own && '; in the build'}
              </span>
              {offer !== undefined && <Gives offer={offer} />}
              {offer === undefined && study.busy && (
                <span className="block text-[12.5px] text-ink2">being tried…</span>
              )}
            </div>
            <span className="num text-[13px]">
              {part.price === null ? '–' : moneyText(part.price, part.currency)}
            </span>
            <Button
              aria-label={`Take: ${part.name}`}
              onClick={() => {
                edit((d) => applyPart(d, part, packIndex), `${part.type} from the shelf`);
                onClose();
              }}
            >
              Take
            </Button>
          </li>
        ))}
        {rows.length === 0 && (
          <li className="py-2 text-ink2">
            {parts.length === 0 ? 'Nothing of this kind on the shelf.' : 'Nothing on the shelf is called so.'}
          </li>
        )}
      </ul>
    </Dialog>
  );
}
