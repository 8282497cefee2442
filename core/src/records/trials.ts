import type { TrialRecord } from '../workshop/trials/trial.ts';
import type { Kept } from './record-kinds.ts';

/** A trial as it stands now. */
export interface TrialKept {
  readonly key: string;
  /** When the server took it; empty while it has not. */
  readonly at: string;
  readonly trial: TrialRecord;
}

const is = (record: Kept): record is Kept<'trial'> => record.kind === 'trial';

/** Trials of a build, the last first; one that was put right stands as the record that did so. */
export function trialsOf(records: readonly Kept[]): readonly TrialKept[] {
  const all = records.filter(is);
  const replaced = new Set(all.map((r) => r.data.corrects));
  return all
    .filter((r) => !replaced.has(r.key))
    .map(({ key, at, data }) => ({ key, at, trial: data }))
    .toReversed();
}

/** The last trial that rejected a step by itself, if any. */
export const rejectionOf = (trials: readonly TrialKept[], step: string): TrialRecord | undefined =>
  trials.find(({ trial }) => trial.says !== 'kept' && trial.reason !== '' && trial.steps.includes(step))
    ?.trial;

/** How the stage stands by its trials; undefined without any. */
export function changeStands(trials: readonly TrialKept[]): { readonly words: string } | undefined {
  if (trials.length === 0) return undefined;
  const count = (says: TrialRecord['says']): number => trials.filter((t) => t.trial.says === says).length;
  const words = (['kept', 'undone', 'rejected'] as const)
    .map((says) => [count(says), says] as const)
    .filter(([n]) => n > 0)
    .map(([n, says]) => `${String(n)} ${says === 'undone' ? 'taken back' : says}`);
  return { words: words.join(', ') };
}
