import { whenOf, type Learnt, type When } from '@apple-cart/core';
import { useMemo } from 'react';
import { useBuild } from '../../state/build-store.ts';
import { useLearntHours } from '../../state/learnt-hours.ts';
import { today } from '../../state/today.ts';
import { useDeferredStage, type StageData } from '../parts/use-stage.ts';

export interface Planning extends StageData {
  readonly when: When;
  readonly now: string;
  readonly learnt: Learnt;
}

/** The plan of the open build; it may lag a frame behind what is typed. */
export function useWhen(): Planning {
  const stage = useDeferredStage();
  const now = today();
  const { document, verdict } = stage;
  const learnt = useLearntHours(
    useBuild((state) => state.id),
    document,
  );
  const when = useMemo(
    () => whenOf(document, verdict.list.rows, now, learnt),
    [document, verdict, now, learnt],
  );
  return { ...stage, when, now, learnt };
}
