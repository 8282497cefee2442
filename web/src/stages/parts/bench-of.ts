import { runView, type EntryAt, type HoldPoint, type Kept, type RunView } from '@apple-cart/core';
import { ofKind, type BuildRecords } from '../../state/records.ts';

/** What the records of a build say of its bench. */
export interface BenchFound {
  /** The run in hand: the one that is asked for, else the last that was begun. */
  readonly run: Kept<'bench-run'> | undefined;
  /** All that were begun, the last first. */
  readonly runs: readonly Kept<'bench-run'>[];
  readonly view: RunView | undefined;
  readonly signs: readonly Kept<'bench-sign'>[];
}

const NO_VIEW = { run: undefined, runs: [], view: undefined, signs: [] } as const;

/** Of the records of a build the run in hand, held against the points of the plan as it is now. */
export function benchOf(
  records: Pick<BuildRecords, 'records'>,
  points: readonly HoldPoint[],
  asked?: string | null,
): BenchFound {
  const runs = ofKind(records.records, 'bench-run').toReversed();
  const run = runs.find((r) => r.key === asked) ?? runs[0];
  if (run === undefined) return NO_VIEW;
  const entries = ofKind(records.records, 'bench-entry')
    .filter((r) => r.parent === run.key)
    .map(({ key, at, data }): EntryAt => ({ key, at, entry: data }));
  return {
    run,
    runs,
    view: runView(run.data, entries, points),
    signs: ofKind(records.records, 'bench-sign').filter((r) => r.parent === run.key),
  };
}
