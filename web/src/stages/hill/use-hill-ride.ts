import { useMemo } from 'react';
import { evenHill, type Effort, type Route } from '@apple-cart/core';
import { useRoad, type RoadRead } from '../../ride/route-field.tsx';
import { useStudy, type Studied } from '../../work/use-study.ts';
import type { StudyOutput } from '../../work/studies.ts';
import { useDeferredStage } from '../parts/use-stage.ts';

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

/** The hill ridden once from its foot, by the build and by the pinned one, as far as its road can be had. */
export function useHillRide(effort: Effort): RoadRead & { readonly studied: Studied<StudyOutput<'hill'>> } {
  const { document: build, pinnedDocument: pinned } = useDeferredStage();
  const { road: route, unread } = useRoad('hillRoute', useTestHill());
  const input = useMemo(
    () => (route === undefined ? undefined : { build, pinned, route, effort }),
    [build, pinned, route, effort],
  );
  return { road: route, unread, studied: useStudy('hill', input) };
}
