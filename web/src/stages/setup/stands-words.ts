import type { SettingRow } from '@apple-cart/core';

/** How a setting differs, in a word or by how much. */
export function standsWords({ stands, setting }: SettingRow): string {
  switch (stands.kind) {
    case 'same':
      return 'same';
    case 'not-entered':
      return 'not entered';
    case 'not-read':
      return 'not read';
    case 'no-plan':
      return 'no plan yet';
    case 'left':
      return 'as it comes';
    case 'not-taken':
      return 'not taken';
    case 'wrong': {
      const by = stands.by.toFixed(setting.digits).replace('-', '−');
      return stands.by > 0 ? `+${by}` : by;
    }
  }
}
