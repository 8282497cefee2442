import type { StageScreen } from './screen.ts';
import { RANGE_FIELDS, RANGE_VIEWS } from './range-views.ts';

export const rangeScreen = {
  name: 'Range',
  question: 'How far, and how sure?',
  key: 'r',
  views: RANGE_VIEWS,
  viewOf: () => RANGE_FIELDS,
  prints: [],
} as const satisfies StageScreen;
