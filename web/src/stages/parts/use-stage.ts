import { useDeferredValue } from 'react';
import type { BuildDocument, Figure, FigureId, Verdict } from '@apple-cart/core';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { useVerdict } from '../../state/use-verdict.ts';
import { verdictOf } from '../../state/verdicts.ts';

export interface StageData {
  readonly document: BuildDocument;
  readonly verdict: Verdict;
  readonly pinned: Verdict | undefined;
  readonly pinnedDocument: BuildDocument | undefined;
}

/** The build and its verdict as of this frame. */
export function useStage(): StageData {
  const document = useDocument();
  const verdict = useVerdict(document);
  const pinned = useBuild((state) => state.pinned?.document);
  return {
    document,
    verdict,
    pinned: pinned === undefined ? undefined : verdictOf(pinned),
    pinnedDocument: pinned,
  };
}

/** The same for pictures: they may lag a frame behind the tray, so that typing never waits for a chart. */
export function useDeferredStage(): StageData {
  const document = useDeferredValue(useDocument());
  const verdict = useVerdict(document);
  const pinned = useBuild((state) => state.pinned?.document);
  return {
    document,
    verdict,
    pinned: pinned === undefined ? undefined : verdictOf(pinned),
    pinnedDocument: pinned,
  };
}

/** A figure of a verdict. @throws TypeError for a verdict without it. */
export function figureOf(verdict: Verdict, id: FigureId): Figure {
  const figure = verdict.figures.find((f) => f.id === id);
  if (figure === undefined) throw new TypeError(`no figure ${id}`);
  return figure;
}
