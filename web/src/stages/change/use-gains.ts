import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { AIMS, type Aim, type BuildDocument, type Changed, type StepGains } from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { useOwnSteps } from '../../state/own-steps.ts';
import { useBook } from '../../state/rules.ts';
import { useParts } from '../../state/shelf.ts';
import { useStudy, type Studied } from '../../work/use-study.ts';
import { useDeferredStage } from '../parts/use-stage.ts';

export interface Gaining {
  readonly document: BuildDocument;
  readonly aim: Aim;
  readonly onAim: (aim: Aim) => void;
  /** Ids of the steps that are ticked. */
  readonly ids: readonly string[];
  readonly onIds: (ids: readonly string[]) => void;
  readonly studied: Studied<StepGains>;
  /** The ticked steps as one build. */
  readonly joint: Studied<Changed>;
}

const NO_STEPS: readonly string[] = [];

/** Every step of the shelf for the open build, and those that are ticked as one; aim and ticks stand in the address. */
export function useGaining(): Gaining {
  const { document } = useDeferredStage();
  const parts = useParts();
  const book = useBook();
  const [params, setParams] = useSearchParams();
  const asked = params.get('steps') ?? '';
  const aim = AIMS.find((a) => a === params.get('aim')) ?? 'hill';
  const id = useBuild((state) => state.id) ?? '';
  const own = useOwnSteps((state) => state.steps[id]) ?? NO_STEPS;
  const input = useMemo(() => ({ build: document, parts, book, own }), [document, parts, book, own]);
  const joined = useMemo(
    () => (asked === '' ? undefined : { build: document, parts, book, ids: asked.split(',') }),
    [document, parts, book, asked],
  );
  const go = (next: Readonly<Record<string, string>>): void => {
    const all = { view: 'gain', aim, ...(asked === '' ? {} : { steps: asked }), ...next };
    setParams(new URLSearchParams(Object.entries(all).filter(([, value]) => value !== '')), {
      replace: true,
    });
  };
  return {
    document,
    aim,
    onAim: (to) => {
      go({ aim: to });
    },
    ids: asked === '' ? [] : asked.split(','),
    onIds: (ids) => {
      go({ steps: ids.join(',') });
    },
    studied: useStudy('gains', input),
    joint: useStudy('together', joined),
  };
}
