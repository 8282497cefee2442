import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { firstOf, placeState, type PlaceOutcome, type PlaceVerdict } from '@apple-cart/core';
import { ChoiceRow } from '../../ride/choice-row.tsx';
import { useBuild } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { SearchBox } from '../../ui/search-box.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { CATEGORY_STATE, CATEGORY_WORD, PLACE_WORD } from './law-words.ts';

const FILTERS = ['all', 'inside', 'open', 'outside'] as const;
type Filter = (typeof FILTERS)[number];
const FILTER_WORD: Readonly<Record<Filter, string>> = {
  all: 'all',
  inside: 'inside',
  open: 'to check or ask',
  outside: 'outside, or approval',
};
const SHOWN: Readonly<Record<Filter, readonly PlaceOutcome[]>> = {
  all: ['inside', 'check', 'cannot-tell', 'other-class', 'outside'],
  inside: ['inside'],
  open: ['check', 'cannot-tell'],
  outside: ['other-class', 'outside'],
};

/** What decides in a place, in a few words. */
function deciding({ failing, unsettled, place, outcome, tests }: PlaceVerdict): string {
  if (place.ask) return 'ask the authority';
  const list = firstOf(
    [
      [failing.length > 0, failing],
      [outcome === 'inside', []],
    ],
    unsettled,
  );
  if (list.length === 0) {
    const note = tests.find((t) => t.resulting?.category.approval !== 'none')?.resulting?.category
      .approvalNote;
    return note ?? '';
  }
  const titles = [...new Set(list.map((c) => c.clause.title.toLowerCase()))];
  return titles.length > 2
    ? `${titles.slice(0, 2).join(', ')} and ${String(titles.length - 2)} more`
    : titles.join(', ');
}

function PlaceRow({
  place,
  here,
  pinned,
  onTake,
}: {
  place: PlaceVerdict;
  here: boolean;
  pinned: PlaceVerdict | undefined;
  onTake: () => void;
}) {
  return (
    <tr className={`border-b border-hair align-top ${here ? 'bg-press' : ''}`} data-place={place.place.id}>
      <th scope="row" className="py-1 pr-2 pl-1.5 text-left font-normal">
        <button
          type="button"
          className="min-h-7 w-full text-left font-semibold hover:underline max-bench:min-h-11 max-bench:min-w-11"
          aria-label={`Judge it in ${place.place.name}`}
          onClick={onTake}
        >
          {place.place.name}
        </button>
      </th>
      <td className="py-1 pr-4 max-tablet:pr-2">
        <span className="flex items-center gap-1.5 py-0.5">
          <StateMark state={placeState(place.outcome)} size={14} labelled={false} />
          <span className="whitespace-nowrap">
            {PLACE_WORD[place.outcome].toLowerCase()}
            <span className="block text-[12px] text-ink2">{place.className}</span>
            {place.sale !== undefined && place.sale.outcome !== place.outcome && (
              <span className="block text-[12px] text-ink2">
                sold: {PLACE_WORD[place.sale.outcome].toLowerCase()}
              </span>
            )}
            {pinned !== undefined && pinned.outcome !== place.outcome && (
              <span className="block text-[12px] text-ink2">
                pinned: {PLACE_WORD[pinned.outcome].toLowerCase()}
              </span>
            )}
          </span>
        </span>
      </td>
      <td className="py-1 pr-2">
        <span className="flex flex-wrap gap-x-3 gap-y-0.5 py-0.5 text-[12.5px]">
          {place.tests.flatMap((t) =>
            t.categories.map(({ category, outcome }) => (
              <span
                key={category.id}
                className="flex items-center gap-1 whitespace-nowrap"
                title={`${category.name}: ${CATEGORY_WORD[outcome]}`}
              >
                <StateMark state={CATEGORY_STATE[outcome]} size={11} />
                {category.shortName}
              </span>
            )),
          )}
        </span>
      </td>
      <td className="py-1 text-[12.5px] leading-snug text-ink2 max-tablet:hidden">
        <span className="block py-0.5">{deciding(place)}</span>
      </td>
    </tr>
  );
}

/** Every place of the rule book at once, for this build: what it is there, by class, and what decides. */
export function PlacesTable({
  places,
  here,
  pinned,
}: {
  places: readonly PlaceVerdict[];
  here: PlaceVerdict;
  pinned: readonly PlaceVerdict[] | undefined;
}) {
  const edit = useBuild((state) => state.edit);
  const [search, setSearch] = useState('');
  const [filter, setFilter] = useState<Filter>('all');
  const found = useMemo(() => {
    const words = search.trim().toLowerCase();
    return places.filter(
      (p) =>
        SHOWN[filter].includes(p.outcome) &&
        `${p.place.name} ${p.place.region} ${p.className}`.toLowerCase().includes(words),
    );
  }, [places, search, filter]);
  const regions = [...new Set(found.map((p) => p.place.region))];
  const count = (f: Filter): number => places.filter((p) => SHOWN[f].includes(p.outcome)).length;
  return (
    <section aria-label="All places">
      <PanelHead
        title={`Inside in ${String(count('inside'))} of ${String(places.length)} places`}
        note="same machine, their rules"
      >
        <Link to="/rules" className="text-[13px] text-slate underline max-bench:py-3.5">
          Rule book
        </Link>
      </PanelHead>
      <div className="no-print flex flex-wrap items-center gap-x-4 gap-y-1.5 pb-2">
        <SearchBox
          label="Search places"
          placeholder="A place or a class"
          value={search}
          onChange={setSearch}
        />
        <ChoiceRow
          label=""
          value={filter}
          options={FILTERS.map((f) => ({ value: f, label: `${FILTER_WORD[f]} ${String(count(f))}` }))}
          onChange={setFilter}
        />
      </div>
      <table className="w-full border-collapse text-[14px]">
        <thead>
          <tr className="border-b-[1.5px] border-ink text-left text-[12.5px]">
            <th className="py-1.5 pl-1.5 font-semibold">Place</th>
            <th className="py-1.5 font-semibold">It is</th>
            <th className="py-1.5 font-semibold">By class</th>
            <th className="py-1.5 font-semibold max-tablet:hidden">What decides</th>
          </tr>
        </thead>
        {regions.map((region) => (
          <tbody key={region}>
            <tr>
              <th colSpan={4} scope="colgroup" className="head pt-2 pb-0.5 pl-1.5 text-left text-[13px]">
                {region}
              </th>
            </tr>
            {found
              .filter((p) => p.place.region === region)
              .map((place) => (
                <PlaceRow
                  key={place.place.id}
                  place={place}
                  here={place.place.id === here.place.id}
                  pinned={pinned?.find((p) => p.place.id === place.place.id)}
                  onTake={() => {
                    edit((d) => withSection(d, 'brief', { place: place.place.id }), 'place');
                  }}
                />
              ))}
          </tbody>
        ))}
      </table>
      {found.length === 0 && (
        <p className="py-6 text-center text-ink2">
          No place like that.{' '}
          <Link to="/rules" className="text-slate underline">
            Add a place of your own
          </Link>
          .
        </p>
      )}
    </section>
  );
}
