import { lazy, type ComponentType, type LazyExoticComponent } from 'react';
import { STAGE_IDS, type StageId } from '@apple-cart/core';

type Sheet = Promise<{ default: ComponentType }>;

/** Each stage's sheet is fetched when it is first shown, so that the first page is light. */
const LOAD: Readonly<Record<StageId, () => Sheet>> = {
  brief: () => import('./brief/brief-stage.tsx').then((m) => ({ default: m.BriefStage })),
  donor: () => import('./donor/donor-stage.tsx').then((m) => ({ default: m.DonorStage })),
  drive: () => import('./drive/drive-stage.tsx').then((m) => ({ default: m.DriveStage })),
  power: () => import('./power/power-stage.tsx').then((m) => ({ default: m.PowerStage })),
  law: () => import('./law/law-stage.tsx').then((m) => ({ default: m.LawStage })),
  hill: () => import('./hill/hill-stage.tsx').then((m) => ({ default: m.HillStage })),
  range: () => import('./range/range-stage.tsx').then((m) => ({ default: m.RangeStage })),
};

/** The sheet of every stage. */
export const STAGE_SHEETS: Readonly<Record<StageId, LazyExoticComponent<ComponentType>>> = {
  brief: lazy(LOAD.brief),
  donor: lazy(LOAD.donor),
  drive: lazy(LOAD.drive),
  power: lazy(LOAD.power),
  law: lazy(LOAD.law),
  hill: lazy(LOAD.hill),
  range: lazy(LOAD.range),
};

/** Fetches the other sheets once the first one stands, so that going from stage to stage never waits. */
export function fetchAllSheets(): void {
  for (const id of STAGE_IDS) void LOAD[id]().catch(() => undefined);
}
