import { useMemo } from 'react';
import { asRound, evenHill, ridePlan, traceSpacing, type BuildDocument, type Route } from '@apple-cart/core';
import { useRoad } from '../../ride/route-field.tsx';
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

/** The road of the range stage, made a round; undefined while it is being read. */
export function useRangeRoad(): RangeRoad | undefined {
  const { road } = useRoad('rangeRoute', LEVEL);
  return road === undefined ? undefined : rounded(road);
}

/** The road once, and again and again to the end of the charge. */
function ridden(document: BuildDocument, { road, turned }: RangeRoad) {
  const plan = ridePlan(document, road, 'cruise');
  return {
    road,
    turned,
    document,
    plan,
    once: plan.ride({ traceEvery: traceSpacing(plan.course) }),
    whole: plan.ride({ again: true }),
  };
}
export type RangeRides = ReturnType<typeof ridden>;

/** Documents and routes are never changed in place: a road is ridden once for each pair. */
const known = new WeakMap<BuildDocument, WeakMap<Route, RangeRides>>();

function rememberedRides(document: BuildDocument, range: RangeRoad): RangeRides {
  const of = known.get(document) ?? new WeakMap<Route, RangeRides>();
  known.set(document, of);
  const rides = of.get(range.road) ?? ridden(document, range);
  of.set(range.road, rides);
  return rides;
}

/** The rides of the range stage, and those of the pinned build; undefined while the road is being read. */
export function useRangeRides(): (RangeRides & { readonly pinned: RangeRides | undefined }) | undefined {
  const { document, pinnedDocument } = useDeferredStage();
  const range = useRangeRoad();
  return useMemo(
    () =>
      range === undefined
        ? undefined
        : {
            ...rememberedRides(document, range),
            pinned: pinnedDocument === undefined ? undefined : rememberedRides(pinnedDocument, range),
          },
    [document, pinnedDocument, range],
  );
}
