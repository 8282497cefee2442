import { useEffect, useMemo } from 'react';
import { asRound, evenHill, type Route, type State } from '@apple-cart/core';
import { useRoadRange, type RoadRange } from '../../state/road-range.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { useRoad, type RoadRead } from '../../ride/route-field.tsx';
import type { StudyOutput } from '../../work/studies.ts';
import { useStudy, type Studied } from '../../work/use-study.ts';
import { useDeferredStage } from '../parts/use-stage.ts';

/** Without a route a level road is ridden, out and back so that a wind with a direction is met both ways. */
const LEVEL: Route = { ...evenHill('Level road', 2500, 0), andBack: true };

export interface RangeRoad {
  readonly road: Route;
  /** Ridden there and back only because its ends lie apart in height. */
  readonly turned: boolean;
}

const rounds = new WeakMap<Route, RangeRoad>();

function rounded(road: Route): RangeRoad {
  const before = rounds.get(road);
  if (before !== undefined) return before;
  const round = asRound(road);
  const made = { road: round, turned: round !== road };
  rounds.set(road, made);
  return made;
}

/** The road of the range stage, made a round, as far as it can be had. */
export function useRangeRoad(): Pick<RoadRead, 'unread'> & { readonly road: RangeRoad | undefined } {
  const { road, unread } = useRoad('rangeRoute', LEVEL);
  return { road: road === undefined ? undefined : rounded(road), unread };
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

/** Less than this many times what is wanted is only just enough. */
const JUST = 1.15;

/** What may be planned on a road, the reserve kept back, against what is wanted; undefined until it is ridden. */
export function keptOn({ road, studied }: RangeRides, wantedKm: number) {
  if (road === undefined || studied.value === undefined) return undefined;
  const { whole, once, reserve } = studied.value.own;
  const km = (whole.metres * (1 - reserve)) / 1000;
  const hot = once.damageAfter !== undefined;
  const enough: State = km < JUST * wantedKm ? 'look' : 'fine';
  const state: State = km < wantedKm || hot ? 'stop' : enough;
  return { km, hot, state, name: road.road.name };
}

/** Rides the chosen road for the tray, and tells it to whoever else speaks of the range; undefined where none is chosen, and until it is ridden. */
export function useRiddenRange(): RoadRange | undefined {
  const { document, verdict } = useDeferredStage();
  const shown = useQuantity();
  const chosen = document.brief.rangeRoute !== '';
  const rides = useRangeRides(chosen);
  const wantedKm = verdict.known.brief.distanceKm.value;
  const kept = keptOn(rides, wantedKm);
  const isRidden = chosen && kept !== undefined && !rides.studied.busy;
  const { text, unit } = shown(kept?.km ?? 0, 'km', 0);
  // Far enough, and yet not to be ridden so: what stops it is told, not how far it would go.
  const far = kept?.hot === true && kept.km >= wantedKm ? 'too hot' : `${text} ${unit}`;
  const words = isRidden ? `${far} on ${kept.name}` : undefined;
  const state = kept?.state;
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
