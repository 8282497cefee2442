import { useMemo } from 'react';
import { asRound, evenHill, ridePlan, traceSpacing, type Route } from '@apple-cart/core';
import { useRoad } from '../../ride/route-field.tsx';
import { useDeferredStage } from '../parts/use-stage.ts';

/** Without a route a level road is ridden, out and back so that a wind with a direction is met both ways. */
const LEVEL: Route = { ...evenHill('Level road', 2500, 0), andBack: true };

export interface RangeRoad {
  readonly road: Route;
  /** Ridden there and back only because its ends lie apart in height. */
  readonly turned: boolean;
}

/** The road of the range stage, made a round; undefined while it is being read. */
export function useRangeRoad(): RangeRoad | undefined {
  const { road } = useRoad('rangeRoute', LEVEL);
  return useMemo(() => {
    if (road === undefined) return undefined;
    const round = asRound(road);
    return { road: round, turned: round !== road };
  }, [road]);
}

/** The road once, and again and again to the end of the charge; undefined while it is being read. */
export function useRangeRides() {
  const { document, pinnedDocument } = useDeferredStage();
  const range = useRangeRoad();
  return useMemo(() => {
    if (range === undefined) return undefined;
    const plan = ridePlan(document, range.road, 'cruise');
    const once = plan.ride({ traceEvery: traceSpacing(plan.course) });
    const whole = plan.ride({ again: true });
    const pinned =
      pinnedDocument === undefined
        ? undefined
        : ridePlan(pinnedDocument, range.road, 'cruise').ride({ traceEvery: traceSpacing(plan.course) });
    return { ...range, document, plan, once, whole, pinned };
  }, [document, pinnedDocument, range]);
}
export type RangeRides = NonNullable<ReturnType<typeof useRangeRides>>;
