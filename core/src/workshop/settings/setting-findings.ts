import { qty, type Phrase } from '../../quantity/phrase.ts';
import type { SettingRow } from './settings.ts';

/** What is amiss with a setting that was put in or read back. */
export interface SettingFinding {
  readonly code: string;
  readonly state: 'look' | 'stop';
  readonly title: string;
  readonly detail: Phrase;
}

/** Settings that the controller does not have as the plan has them: put in otherwise, or not taken. */
export const settingFindings = (rows: readonly SettingRow[]): readonly SettingFinding[] =>
  rows.flatMap(({ setting: { key, name, unit, plan, digits, ifWrong }, told, stands }): SettingFinding[] => {
    if (stands.kind !== 'wrong' && stands.kind !== 'not-taken') return [];
    const has = told.readBack ?? told.entered ?? 0;
    return [
      {
        code: `setting-${key.replace('/', '-')}`,
        state: stands.kind === 'wrong' ? 'stop' : 'look',
        title: stands.kind === 'wrong' ? `${name} is not as planned` : `${name} was not taken`,
        detail: [
          'The controller has ',
          qty(has, unit, digits),
          ...(plan === undefined ? [] : [', the plan ', qty(plan, unit, digits)]),
          `. ${ifWrong}`,
        ],
      },
    ];
  });
