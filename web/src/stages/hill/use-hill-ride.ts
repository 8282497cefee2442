import { useMemo } from 'react';
import {
  evenHill,
  ridePlan,
  traceSpacing,
  type BuildDocument,
  type Effort,
  type Ride,
  type RidePlan,
  type Route,
} from '@apple-cart/core';
import { useRoad } from '../../ride/route-field.tsx';
import { useDeferredStage } from '../parts/use-stage.ts';

export interface HillRide {
  readonly document: BuildDocument;
  readonly road: Route;
  readonly plan: RidePlan;
  readonly ride: Ride;
  /** The pinned build on the same road. */
  readonly pinned: Ride | undefined;
}

/** The test hill of the brief as a road. */
export function useTestHill(): Route {
  const { document, verdict } = useDeferredStage();
  const { hillName } = document.brief;
  const { hillLengthM, hillGradePct } = verdict.known.brief;
  return useMemo(
    () => evenHill(hillName === '' ? 'Test hill' : hillName, hillLengthM.value, hillGradePct.value),
    [hillName, hillLengthM.value, hillGradePct.value],
  );
}

/** The hill ridden once from its foot; undefined while the road is being read. */
export function useHillRide(effort: Effort): HillRide | undefined {
  const { document } = useDeferredStage();
  const pinnedBuild = useDeferredStage().pinnedDocument;
  const { road } = useRoad('hillRoute', useTestHill());
  return useMemo(() => {
    if (road === undefined) return undefined;
    const ridden = (build: BuildDocument): readonly [RidePlan, Ride] => {
      const plan = ridePlan(build, road, effort);
      return [plan, plan.ride({ traceEvery: traceSpacing(plan.course) })];
    };
    const [plan, ride] = ridden(document);
    const pinned = pinnedBuild === undefined ? undefined : ridden(pinnedBuild)[1];
    return { document, road, plan, ride, pinned };
  }, [document, pinnedBuild, road, effort]);
}
