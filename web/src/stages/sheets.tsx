import { lazy, type ComponentType, type LazyExoticComponent } from 'react';
import { STAGE_IDS, type StageId } from '@apple-cart/core';
import type { PrintPath } from '../screens/registry.ts';

type Load = () => Promise<{ readonly default: ComponentType }>;
type Sheet = LazyExoticComponent<ComponentType>;

/** What a stage shows and prints, fetched when it is first shown, so that the first page is light. */
type StageSheets = {
  readonly [I in StageId]: { readonly sheet: Load; readonly prints: Readonly<Record<PrintPath<I>, Load>> };
};

/** A stage or a printed page without its sheet does not compile. */
const LOAD: StageSheets = {
  brief: {
    sheet: () => import('./brief/brief-stage.tsx').then((m) => ({ default: m.BriefStage })),
    prints: {},
  },
  donor: {
    sheet: () => import('./donor/donor-stage.tsx').then((m) => ({ default: m.DonorStage })),
    prints: {
      'measure-sheet': () => import('./donor/measure-sheet.tsx').then((m) => ({ default: m.MeasureSheet })),
    },
  },
  drive: {
    sheet: () => import('./drive/drive-stage.tsx').then((m) => ({ default: m.DriveStage })),
    prints: {},
  },
  power: {
    sheet: () => import('./power/power-stage.tsx').then((m) => ({ default: m.PowerStage })),
    prints: {
      'charge-card': () => import('./power/charge-card.tsx').then((m) => ({ default: m.ChargeCard })),
    },
  },
  law: {
    sheet: () => import('./law/law-stage.tsx').then((m) => ({ default: m.LawStage })),
    prints: {
      'class-sheet': () => import('./law/class-sheet.tsx').then((m) => ({ default: m.ClassSheet })),
      'customer-page': () => import('./law/customer-page.tsx').then((m) => ({ default: m.CustomersPage })),
    },
  },
  hill: {
    sheet: () => import('./hill/hill-stage.tsx').then((m) => ({ default: m.HillStage })),
    prints: {},
  },
  range: {
    sheet: () => import('./range/range-stage.tsx').then((m) => ({ default: m.RangeStage })),
    prints: {},
  },
  wire: {
    sheet: () => import('./wire/wire-stage.tsx').then((m) => ({ default: m.WireStage })),
    prints: {
      'cable-schedule': () => import('./wire/schedule-sheet.tsx').then((m) => ({ default: m.ScheduleSheet })),
    },
  },
  buy: {
    sheet: () => import('./buy/buy-stage.tsx').then((m) => ({ default: m.BuyStage })),
    prints: {
      plan: () => import('./buy/plan-sheet.tsx').then((m) => ({ default: m.PlanSheet })),
      'shopping-list': () => import('./buy/shopping-sheet.tsx').then((m) => ({ default: m.ShoppingSheet })),
    },
  },
  bench: {
    sheet: () => import('./bench/bench-stage.tsx').then((m) => ({ default: m.BenchStage })),
    prints: {
      'hand-over': () => import('./bench/handover-sheet.tsx').then((m) => ({ default: m.HandoverSheet })),
    },
  },
  setup: {
    sheet: () => import('./setup/setup-stage.tsx').then((m) => ({ default: m.SetupStage })),
    prints: {
      'settings-card': () => import('./setup/settings-card.tsx').then((m) => ({ default: m.SettingsCard })),
    },
  },
  road: {
    sheet: () => import('./road/road-stage.tsx').then((m) => ({ default: m.RoadStage })),
    prints: {
      'road-book': () => import('./road/road-book.tsx').then((m) => ({ default: m.RoadBook })),
      'ride-sheet': () => import('./road/ride-sheet.tsx').then((m) => ({ default: m.RideSheet })),
    },
  },
  change: {
    sheet: () => import('./change/change-stage.tsx').then((m) => ({ default: m.ChangeStage })),
    prints: {
      comparison: () => import('./change/comparison-sheet.tsx').then((m) => ({ default: m.ComparisonSheet })),
    },
  },
};

/** The sheet of every stage, made once: a component made anew would lose what is typed into it. */
export const STAGE_SHEETS = Object.fromEntries(STAGE_IDS.map((id) => [id, lazy(LOAD[id].sheet)])) as Readonly<
  Record<StageId, Sheet>
>;

/** The sheet that a new build begins at, beneath the build's address: before the stages, and none of them. */
export const START = 'start';
const loadStart: Load = () => import('../start/start-sheet.tsx').then((m) => ({ default: m.StartSheet }));
export const StartSheet: Sheet = lazy(loadStart);

/** The printed pages with their addresses beneath a build's. */
export const PRINTED_SHEETS: readonly { readonly path: string; readonly Page: Sheet }[] = STAGE_IDS.flatMap(
  (id) => Object.entries<Load>(LOAD[id].prints).map(([path, load]) => ({ path, Page: lazy(load) })),
);

/** Fetches the other sheets once the first one stands, so that going from stage to stage never waits. */
export function fetchAllSheets(): void {
  for (const id of STAGE_IDS) void LOAD[id].sheet().catch(() => undefined);
}
