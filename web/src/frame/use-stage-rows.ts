import { useMemo } from 'react';
import {
  OPEN_FAULT,
  changeStands,
  faultsOf,
  ridesOf,
  roadStands,
  trialsOf,
  type StageVerdict,
  type Verdict,
} from '@apple-cart/core';
import { useBuild } from '../state/build-store.ts';
import { useOnTrial } from '../state/on-trial.ts';
import { rangeRow, useRoadRange } from '../state/road-range.ts';
import { useRecords } from '../state/records.ts';
import { benchOf } from '../stages/parts/bench-of.ts';
import { benchStands } from '../stages/bench/bench-stands.ts';

/** The stages of the work order: those of the plan, and of the records how bench, road and change stand. */
export function useStageRows(verdict: Verdict): readonly StageVerdict[] {
  const build = useBuild((state) => state.id) ?? '';
  const records = useRecords(build);
  const road = useRoadRange((state) => state.range);
  const onTrial = useOnTrial((state) => state.trials[build]?.what);
  return useMemo(() => {
    const { stages } = verdict;
    const kept = records.records;
    const rows = new Map<string, Omit<StageVerdict, 'id'>>();
    // The road that was chosen counts here as it does in the tray.
    const range = rangeRow(stages, road);
    if (range !== undefined) rows.set('range', range);
    // Without a run the plan says it, and its hold points need not be worked out.
    if (kept.some((r) => r.kind === 'bench-run')) {
      const { state, words, begun } = benchStands(benchOf(records, verdict.bench));
      rows.set('bench', { state, words, begun });
    }
    if (kept.some((r) => r.kind === 'ride')) {
      const { state, words } = roadStands(ridesOf(kept).map(({ ride: { kind }, told }) => ({ kind, told })));
      rows.set('road', { state, words, begun: true });
    }
    // A fault that is not found comes before how the plan was ridden.
    const open = faultsOf(kept).filter(({ fault }) => fault.cause === OPEN_FAULT);
    if (open.length > 0)
      rows.set('road', {
        state: 'look',
        words: open.length === 1 ? 'a fault not found yet' : `${String(open.length)} faults not found yet`,
        begun: true,
      });
    const tried = changeStands(trialsOf(kept));
    if (tried !== undefined) rows.set('change', { state: 'fine', words: tried.words, begun: true });
    // Whatever else was tried: the build is not as its owner keeps it until this one is decided.
    if (onTrial !== undefined)
      rows.set('change', { state: 'look', words: `on trial: ${onTrial}`, begun: true });
    return rows.size === 0 ? stages : stages.map((s) => ({ ...s, ...rows.get(s.id) }));
  }, [verdict, records, onTrial, road]);
}
