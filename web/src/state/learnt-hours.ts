import { useMemo } from 'react';
import { learntHours, type BuildDocument, type Learnt } from '@apple-cart/core';
import { useBuilds } from './builds.ts';

/** What this shop takes against the usual, by the hours typed back on all its builds; on the open one as it is now. */
export function useLearntHours(id: string | undefined, open: BuildDocument): Learnt {
  const { builds } = useBuilds();
  return useMemo(
    () => learntHours([...(builds ?? []).filter((b) => b.id !== id).map((b) => b.document), open]),
    [builds, id, open],
  );
}
