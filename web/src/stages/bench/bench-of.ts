import { runView, type EntryAt, type HoldPoint, type Kept, type RunView } from '@apple-cart/core';
import { ofKind, type BuildRecords } from '../../state/records.ts';

/** What the records of a build say of its bench. */
export interface BenchFound {
  /** The run in hand: the last that was begun. */
  readonly run: Kept<'bench-run'> | undefined;
  readonly view: RunView | undefined;
  readonly signs: readonly Kept<'bench-sign'>[];
}

const NO_VIEW = { run: undefined, view: undefined, signs: [] } as const;

/** Of the records of a build the run in hand, held against the points of the plan as it is now. */
export function benchOf(records: Pick<BuildRecords, 'records'>, points: readonly HoldPoint[]): BenchFound {
  const run = ofKind(records.records, 'bench-run').at(-1);
  if (run === undefined) return NO_VIEW;
  const entries = ofKind(records.records, 'bench-entry')
    .filter((r) => r.parent === run.key)
    .map(({ key, at, data }): EntryAt => ({ key, at, entry: data }));
  return {
    run,
    view: runView(run.data, entries, points),
    signs: ofKind(records.records, 'bench-sign').filter((r) => r.parent === run.key),
  };
}
