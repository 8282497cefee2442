import type { StageScreen } from './screen.ts';
import { HILL_VIEWS, hillViewOf } from './hill-views.ts';

export const hillScreen = {
  name: 'Hill',
  question: 'Will it climb, how fast, in which gear?',
  key: 'h',
  views: HILL_VIEWS,
  viewOf: hillViewOf,
  prints: [],
} as const satisfies StageScreen;
