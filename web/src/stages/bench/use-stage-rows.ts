import { useMemo } from 'react';
import type { StageVerdict, Verdict } from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { useRecords } from '../../state/records.ts';
import { benchOf } from './bench-of.ts';
import { benchStands } from './bench-stands.ts';

/** The stages of the work order: those of the plan, and of the records how the bench stands. */
export function useStageRows(verdict: Verdict): readonly StageVerdict[] {
  const build = useBuild((state) => state.id) ?? '';
  const records = useRecords(build);
  return useMemo(() => {
    const { stages } = verdict;
    // Without a run the plan says it, and its hold points need not be worked out.
    if (!records.records.some((r) => r.kind === 'bench-run')) return stages;
    const { state, words, begun } = benchStands(benchOf(records, verdict.bench));
    return stages.map((s) => (s.id === 'bench' ? { id: s.id, state, words, begun } : s));
  }, [verdict, records]);
}
