import { useMemo } from 'react';
import type { BuildDocument } from '@apple-cart/core';
import { useBook } from '../../state/rules.ts';
import { useParts } from '../../state/shelf.ts';
import type { StudyOutput } from '../../work/studies.ts';
import { useStudy, type Studied } from '../../work/use-study.ts';
import { useDeferredStage } from '../parts/use-stage.ts';

/** One step more of volts, amp-hours, amps and motor, for the build in hand. */
export function useSteps(): {
  readonly document: BuildDocument;
  readonly studied: Studied<StudyOutput<'steps'>>;
} {
  const { document } = useDeferredStage();
  const parts = useParts();
  const book = useBook();
  const input = useMemo(() => ({ build: document, parts, book }), [document, parts, book]);
  return { document, studied: useStudy('steps', input) };
}
