import type { ComponentType } from 'react';
import { STAGE_IDS } from '@apple-cart/core';
import { SCREENS } from '../screens/registry.ts';
import { PRINTED_SHEETS, STAGE_SHEETS, START, StartSheet } from '../stages/sheets.tsx';

/** A page of a build, with its address; a stage’s page is called by stage and view. */
export interface BuildPage {
  readonly name: string;
  readonly address: string;
  readonly Page: ComponentType;
}

/** Every page of a build whose id is `one`: where it begins, each view of each stage, and what is printed. */
export const EVERY_PAGE: readonly BuildPage[] = [
  { name: 'where a build begins', address: `/builds/one/${START}`, Page: StartSheet },
  ...STAGE_IDS.flatMap((stage) =>
    (SCREENS[stage].views.length === 0 ? [''] : SCREENS[stage].views.map(({ id }) => id)).map((view) => ({
      name: `${stage} ${view}`.trim(),
      address: `/builds/one/${stage}${view === '' ? '' : `?view=${view}`}`,
      Page: STAGE_SHEETS[stage],
    })),
  ),
  ...PRINTED_SHEETS.map(({ path, Page }) => ({
    name: `print ${path}`,
    address: `/builds/one/${path}`,
    Page,
  })),
];
