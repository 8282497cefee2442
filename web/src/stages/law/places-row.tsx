import { placeState, type PlaceVerdict } from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { PLACE_WORD } from './law-words.ts';

export function Places({ places, here }: { places: readonly PlaceVerdict[]; here: PlaceVerdict }) {
  const edit = useBuild((state) => state.edit);
  return (
    <section className="keep-together">
      <PanelHead title="Other places at once" note="same numbers, their rules" />
      <div className="grid grid-cols-3 border-t-[1.5px] border-ink max-tablet:grid-cols-1">
        {places.map((place) => (
          <button
            key={place.place.id}
            type="button"
            onClick={() => {
              edit((d) => withSection(d, 'brief', { place: place.place.id }), 'place');
            }}
            className={`border-r border-b border-hair px-2.5 py-2 text-left last:border-r-0 hover:bg-press ${place.place.id === here.place.id ? 'bg-press' : ''}`}
          >
            <b className="head block text-[14px]">{place.place.name}</b>
            <span className="mt-1 flex items-center gap-1.5">
              <StateMark state={placeState(place.outcome)} />
              {PLACE_WORD[place.outcome].toLowerCase()}, {place.className}
            </span>
          </button>
        ))}
      </div>
    </section>
  );
}
