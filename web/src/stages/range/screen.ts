import type { StageScreen } from '../screen.ts';
import { RANGE_FIELDS, RANGE_VIEWS } from './views.ts';

export const rangeScreen: StageScreen = {
  name: 'Range',
  question: 'How far, and how sure?',
  key: 'r',
  views: RANGE_VIEWS,
  viewOf: () => RANGE_FIELDS,
  load: () => import('./range-stage.tsx').then((m) => ({ default: m.RangeStage })),
  prints: [],
};
