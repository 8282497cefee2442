import type { SettingRow } from './settings.ts';

/** Of the sheet what has to be put in and read back: all but what is left to taste. */
export const askedRows = (rows: readonly SettingRow[]): readonly SettingRow[] =>
  rows.filter((row) => row.stands.kind !== 'left');

/** Settings whose planned value is not to be put in: the plan itself has to be put right first. */
export const amissRows = (rows: readonly SettingRow[]): readonly SettingRow[] =>
  rows.filter(({ setting }) => setting.amiss?.state === 'stop');
