import { STAGE_IDS, stageOf, type QuantityPath, type StageId } from '@apple-cart/core';
import { briefScreen } from './brief.ts';
import { donorScreen } from './donor.ts';
import { driveScreen } from './drive.ts';
import { hillScreen } from './hill.ts';
import { lawScreen } from './law.ts';
import { powerScreen } from './power.ts';
import { rangeScreen } from './range.ts';
import type { PrintedPage, StageScreen } from './screen.ts';

/** The screen of every stage: one that is missing does not compile. */
const screens = {
  brief: briefScreen,
  donor: donorScreen,
  drive: driveScreen,
  power: powerScreen,
  law: lawScreen,
  hill: hillScreen,
  range: rangeScreen,
} as const satisfies Record<StageId, StageScreen>;

export const SCREENS: Readonly<Record<StageId, StageScreen>> = screens;

/** Addresses of the pages that a stage prints. */
export type PrintPath<I extends StageId> = (typeof screens)[I]['prints'][number]['path'];

export const isStage = (text: string | undefined): text is StageId => STAGE_IDS.some((id) => id === text);

/** Every page of a build that is made to be printed, in working order. */
export const PRINTED_PAGES: readonly PrintedPage[] = STAGE_IDS.flatMap((id) => SCREENS[id].prints);

/** Where a quantity is entered, beneath the build's address: its stage, and the view of it. */
export function placeOf(path: QuantityPath): string {
  const stage = stageOf(path);
  const { views, viewOf } = SCREENS[stage];
  const view = viewOf?.(path);
  return view === undefined || view === views[0]?.id ? stage : `${stage}?view=${view}`;
}

/** The stage whose key was pressed. */
export const stageOfKey = (key: string): StageId | undefined =>
  STAGE_IDS.find((id) => SCREENS[id].key === key.toLowerCase());
