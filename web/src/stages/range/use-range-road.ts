import { useEffect, useMemo } from 'react';
import { evenHill, type Route } from '@apple-cart/core';
import { useRoadRange, type RoadRange } from '../../state/road-range.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { useRoad, type RoadRead } from '../../ride/route-field.tsx';
import type { StudyOutput } from '../../work/studies.ts';
import { useStudy, type Studied } from '../../work/use-study.ts';
import { keptOn, rangeRoad, roadRange, type KeptOn, type RangeRoad } from '../parts/kept-on.ts';
import { useDeferredStage } from '../parts/use-stage.ts';

/** Without a route a level road is ridden, out and back so that a wind with a direction is met both ways. */
const LEVEL: Route = { ...evenHill('Level road', 2500, 0), andBack: true };

/** The road of the range stage, made a round, as far as it can be had. */
export function useRangeRoad(): Pick<RoadRead, 'unread'> & { readonly road: RangeRoad | undefined } {
  const { road, unread } = useRoad('rangeRoute', LEVEL);
  return { road: road === undefined ? undefined : rangeRoad(road), unread };
}

/** The rides of the range stage, and those of the pinned build. */
export interface RangeRides extends Pick<RoadRead, 'unread'> {
  readonly road: RangeRoad | undefined;
  readonly studied: Studied<StudyOutput<'rounds'>>;
}

/** @param wanted false rides nothing, for the views that need no road */
export function useRangeRides(wanted: boolean): RangeRides {
  const { document: build, pinnedDocument: pinned } = useDeferredStage();
  const { road, unread } = useRangeRoad();
  const route = road?.road;
  const input = useMemo(
    () => (route === undefined || !wanted ? undefined : { build, pinned, route }),
    [build, pinned, route, wanted],
  );
  return { road, unread, studied: useStudy('rounds', input) };
}

/** What may be planned on the road of the stage; undefined until it is ridden. */
export const keptOnRoad = ({ road, studied }: RangeRides, wantedKm: number): KeptOn | undefined =>
  road === undefined || studied.value === undefined
    ? undefined
    : keptOn(road.road, studied.value.own, wantedKm);

/** Rides the chosen road for the tray, and tells it to whoever else speaks of the range; undefined where none is chosen, and until it is ridden. */
export function useRiddenRange(): RoadRange | undefined {
  const { document, verdict } = useDeferredStage();
  const shown = useQuantity();
  const chosen = document.brief.rangeRoute !== '';
  const rides = useRangeRides(chosen);
  const wantedKm = verdict.known.brief.distanceKm.value;
  const kept = keptOnRoad(rides, wantedKm);
  const isRidden = chosen && kept !== undefined && !rides.studied.busy;
  const { words, state } = isRidden ? roadRange(kept, wantedKm, shown) : {};
  const range = useMemo(
    () => (words === undefined || state === undefined ? undefined : { words, state }),
    [words, state],
  );
  useEffect(() => {
    useRoadRange.setState({ range });
    return () => {
      useRoadRange.setState({ range: undefined });
    };
  }, [range]);
  return range;
}
