import type { OtherRow, SettingRow } from '@apple-cart/core';

/** How a setting stands, in a word. */
export const STANDS_WORDS: Readonly<
  Record<Exclude<SettingRow['stands']['kind'], 'wrong'> | OtherRow['stands']['kind'], string>
> = {
  same: 'same',
  'not-entered': 'not entered',
  'not-read': 'not read',
  'no-plan': 'no plan yet',
  left: 'as it comes',
  'not-taken': 'not taken',
  noted: 'noted',
  empty: 'nothing said',
};

/** How a setting differs, in a word or by how much. */
export function standsWords({ stands, setting }: SettingRow): string {
  if (stands.kind !== 'wrong') return STANDS_WORDS[stands.kind];
  const by = stands.by.toFixed(setting.digits).replace('-', '−');
  return stands.by > 0 ? `+${by}` : by;
}
