import { useMemo } from 'react';
import type { PlaceId, RuleBook } from '@apple-cart/core';
import { useBook } from '../state/rules.ts';

interface PlaceOption {
  readonly value: PlaceId;
  readonly label: string;
  readonly group: string;
}

/** A place that the book does not have stays choosable, so that a build that names it can show it. */
function placeOptions(book: RuleBook, chosen: PlaceId): readonly PlaceOption[] {
  const known = book.map((p) => ({ value: p.id, label: p.name, group: p.region }));
  return known.some((p) => p.value === chosen)
    ? known
    : [...known, { value: chosen, label: chosen, group: 'Not in this rule book' }];
}

export function usePlaceOptions(chosen: PlaceId): readonly PlaceOption[] {
  const book = useBook();
  return useMemo(() => placeOptions(book, chosen), [book, chosen]);
}
