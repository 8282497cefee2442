import { amissRows, askedRows } from './asked.ts';
import type { OtherRow } from './others.ts';
import type { SettingRow } from './settings.ts';

/** How a whole sheet stands. */
export interface SettingCounts {
  /** What has to be put in and read back. */
  readonly asked: number;
  readonly same: number;
  readonly wrong: number;
  readonly notTaken: number;
  /** What is not to be put in before the plan is put right. */
  readonly amiss: number;
}

/** Counts what the plan works out and what was noted beside it: one that says nothing of what is meant stays open. */
export function settingCounts(rows: readonly SettingRow[], others: readonly OtherRow[]): SettingCounts {
  const asked = askedRows(rows);
  const kinds = [...asked.map((r) => r.stands.kind), ...others.map((r) => r.stands.kind)];
  const count = (kind: (typeof kinds)[number]): number => kinds.filter((one) => one === kind).length;
  return {
    asked: kinds.length,
    same: count('same'),
    wrong: count('wrong'),
    notTaken: count('not-taken'),
    amiss: amissRows(asked).length,
  };
}
