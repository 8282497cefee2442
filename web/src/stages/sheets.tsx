import { lazy, type ComponentType, type LazyExoticComponent } from 'react';
import { STAGE_IDS, type StageId } from '@apple-cart/core';
import { PRINTED_PAGES, SCREENS } from './registry.ts';

type Sheet = LazyExoticComponent<ComponentType>;

/** The sheet of every stage, made once: a component made anew would lose what is typed into it. */
const SHEETS: ReadonlyMap<StageId, Sheet> = new Map(STAGE_IDS.map((id) => [id, lazy(SCREENS[id].load)]));

/** The sheet of a stage. @throws TypeError for a stage that is none */
export function sheetOf(id: StageId): Sheet {
  const sheet = SHEETS.get(id);
  if (sheet === undefined) throw new TypeError(`no sheet for ${id}`);
  return sheet;
}

/** The printed pages with their addresses. */
export const PRINTED_SHEETS: readonly { readonly path: string; readonly Page: Sheet }[] = PRINTED_PAGES.map(
  ({ path, load }) => ({ path, Page: lazy(load) }),
);

/** Fetches the other sheets once the first one stands, so that going from stage to stage never waits. */
export function fetchAllSheets(): void {
  for (const id of STAGE_IDS) void SCREENS[id].load().catch(() => undefined);
}
