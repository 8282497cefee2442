import { useMemo } from 'react';
import { usualOf, withPlace, type PlaceId, type Usual } from '@apple-cart/core';
import { useBuild } from '../state/build-store.ts';
import { withSection } from '../state/paths.ts';
import { useBook } from '../state/rules.ts';
import { useSettings } from '../state/settings-store.ts';

/** What is usual in a place; undefined for one that the rule book does not have. */
export function useUsual(place: PlaceId): Usual | undefined {
  const book = useBook();
  return useMemo(() => {
    const rules = book.find((p) => p.id === place);
    return rules && usualOf(rules, book);
  }, [book, place]);
}

/** Takes the build to another place, with what is usual there: money, units and limit that nobody has set yet. */
export function useSetPlace(): (place: PlaceId) => void {
  const book = useBook();
  const edit = useBuild((state) => state.edit);
  const usualUnits = useSettings((state) => state.usualUnits);
  return (place) => {
    const rules = book.find((p) => p.id === place);
    const usual = rules && usualOf(rules, book);
    if (usual !== undefined) usualUnits(usual.units);
    edit(
      (d) => (usual === undefined ? withSection(d, 'brief', { place }) : withPlace(d, place, usual)),
      'place',
    );
  };
}
