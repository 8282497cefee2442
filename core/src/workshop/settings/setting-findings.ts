import { qty, type Phrase } from '../../quantity/phrase.ts';
import type { OtherRow } from './others.ts';
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

/** Noted settings that the controller shows otherwise than they are meant. */
export const otherFindings = (rows: readonly OtherRow[]): readonly SettingFinding[] =>
  rows.flatMap(({ key, name, usual, told, stands }): SettingFinding[] =>
    stands.kind === 'not-taken'
      ? [
          {
            code: `setting-other-${key}`,
            state: 'look',
            title: `${name === '' ? 'A setting without a name' : name} was not taken`,
            detail: [
              `The controller has “${told.readBack}”, “${told.meant}” is meant.${usual === undefined ? '' : ` ${usual.ifWrong}`}`,
            ],
          },
        ]
      : [],
  );
