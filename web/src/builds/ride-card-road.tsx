import { useEffect } from 'react';
import type { BuildDocument } from '@apple-cart/core';
import { keptOn, rangeRoad, roadRange } from '../stages/parts/kept-on.ts';
import { useRoute } from '../state/routes.ts';
import { useQuantity } from '../state/use-quantity.ts';
import { verdictOf } from '../state/verdicts.ts';
import { runOnce } from '../work/run-once.ts';
import { tellCardRoad } from './card-roads.ts';

/** The ride of the card before: many cards keep one worker busy, not one each. */
let before: Promise<unknown> = Promise.resolve();

/** Rides the road that a build has chosen, and tells its card; a road that cannot be had is not told. */
export function RideCardRoad({ document }: { readonly document: BuildDocument }) {
  const read = useRoute(document.brief.rangeRoute);
  const route = read.state === 'there' ? read.stored.document : undefined;
  const shown = useQuantity();
  useEffect(() => {
    if (route === undefined) return undefined;
    const leave = new AbortController();
    const { road } = rangeRoad(route);
    before = before
      .then(() => runOnce('rounds', { build: document, pinned: undefined, route: road }, leave.signal))
      .then(({ own }) => {
        const wantedKm = verdictOf(document).known.brief.distanceKm.value;
        tellCardRoad(document, roadRange(keptOn(road, own, wantedKm), wantedKm, shown));
      })
      // Left, or not to be ridden: the card goes on speaking of a level road.
      .catch(() => undefined);
    return () => {
      leave.abort();
    };
  }, [document, route, shown]);
  return null;
}
