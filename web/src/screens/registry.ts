import { STAGE_IDS, packIndexOf, stageOf, type QuantityPath, type StageId } from '@apple-cart/core';
import { POWER_VIEWS, viewOf as powerViewOf } from './power-views.ts';
import { LAW_VIEWS } from './law-views.ts';
import { HILL_VIEWS, hillViewOf } from './hill-views.ts';
import { BENCH_VIEWS } from './bench-views.ts';
import { BUY_VIEWS } from './buy-views.ts';
import { WIRE_VIEWS } from './wire-views.ts';
import { ROAD_VIEWS } from './road-views.ts';
import { CHANGE_VIEWS } from './change-views.ts';
import { SETUP_VIEWS } from './setup-views.ts';
import { RANGE_FIELDS, RANGE_VIEWS } from './range-views.ts';
import type { PrintedPage, StageScreen } from './screen.ts';

/** The screen of every stage: one that is missing does not compile. */
const screens = {
  brief: {
    name: 'Brief',
    question: 'Who rides, with what, where and how far?',
    key: 'b',
    views: [],
    prints: [],
  },
  donor: {
    name: 'Donor',
    question: 'Which bicycle is it, and what is still to measure?',
    key: 'd',
    views: [],
    prints: [
      {
        path: 'measure-sheet',
        name: 'Print the measure sheet',
      },
    ],
  },
  drive: {
    name: 'Drive',
    question: 'Which motor, in which gears?',
    key: 'v',
    views: [],
    prints: [],
  },
  power: {
    name: 'Power',
    question: 'How many volts, amp-hours and amps?',
    key: 'p',
    views: POWER_VIEWS,
    viewOf: powerViewOf,
    prints: [
      {
        path: 'charge-card',
        name: 'Print the charge card',
      },
    ],
  },
  law: {
    name: 'Law',
    question: 'Which class is it, here?',
    answer: 'class',
    key: 'l',
    views: LAW_VIEWS,
    prints: [
      {
        path: 'class-sheet',
        name: 'Print the class sheet',
      },
      {
        path: 'customer-page',
        name: 'Print the customer’s page',
      },
    ],
  },
  hill: {
    name: 'Hill',
    question: 'Will it climb, how fast, in which gear?',
    answer: 'hill',
    key: 'h',
    views: HILL_VIEWS,
    viewOf: hillViewOf,
    prints: [],
  },
  range: {
    name: 'Range',
    question: 'How far, and how sure?',
    answer: 'range',
    key: 'r',
    views: RANGE_VIEWS,
    viewOf: () => RANGE_FIELDS,
    prints: [],
  },
  wire: {
    name: 'Wire',
    question: 'Which lead goes where, how long, pin by pin?',
    key: 'w',
    views: WIRE_VIEWS,
    prints: [
      {
        path: 'cable-schedule',
        name: 'Print the cable schedule',
      },
    ],
  },
  buy: {
    name: 'Buy',
    question: 'What is still missing, and when does it come?',
    key: 'u',
    views: BUY_VIEWS,
    prints: [
      {
        path: 'plan',
        name: 'Print the plan of the work',
      },
      {
        path: 'shopping-list',
        name: 'Print the shopping list',
      },
    ],
  },
  bench: {
    name: 'Bench',
    question: 'What was tested, by whom, with which reading?',
    key: 'n',
    views: BENCH_VIEWS,
    prints: [
      {
        path: 'hand-over',
        name: 'Print the hand-over sheet',
      },
    ],
  },
  setup: {
    name: 'Set up',
    question: 'What does the controller have to know?',
    key: 's',
    views: SETUP_VIEWS,
    prints: [
      {
        path: 'settings-card',
        name: 'Print the settings card',
      },
    ],
  },
  road: {
    name: 'Road',
    question: 'What did it really do?',
    key: 'o',
    views: ROAD_VIEWS,
    prints: [
      {
        path: 'road-book',
        name: 'Print the road book',
      },
      {
        path: 'ride-sheet',
        name: 'Print a ride',
      },
    ],
  },
  change: {
    name: 'Change',
    question: 'What next, and is it worth it?',
    key: 'c',
    views: CHANGE_VIEWS,
    prints: [
      {
        path: 'comparison',
        name: 'Print the comparison',
      },
    ],
  },
} as const satisfies Record<StageId, StageScreen>;

export const SCREENS: Readonly<Record<StageId, StageScreen>> = screens;

/** Addresses of the pages that a stage prints. */
export type PrintPath<I extends StageId> = (typeof screens)[I]['prints'][number]['path'];

export const isStage = (text: string | undefined): text is StageId => STAGE_IDS.some((id) => id === text);

/** Every page of a build that is made to be printed, in working order. */
export const PRINTED_PAGES: readonly PrintedPage[] = STAGE_IDS.flatMap((id) => SCREENS[id].prints);

/** Where a quantity is entered, beneath the build's address: its stage, the view of it, and which pack. */
export function placeOf(path: QuantityPath): string {
  const stage = stageOf(path);
  const { views, viewOf } = SCREENS[stage];
  const view = viewOf?.(path);
  const pack = packIndexOf(path) ?? 0;
  const asked = [
    ...(view === undefined || view === views[0]?.id ? [] : [`view=${view}`]),
    ...(pack === 0 ? [] : [`pack=${String(pack + 1)}`]),
  ];
  return asked.length === 0 ? stage : `${stage}?${asked.join('&')}`;
}

/** The stage whose key was pressed. */
export const stageOfKey = (key: string): StageId | undefined =>
  STAGE_IDS.find((id) => SCREENS[id].key === key.toLowerCase());
