import type { StageScreen } from '../screen.ts';
import { HILL_VIEWS, hillViewOf } from './views.ts';

export const hillScreen: StageScreen = {
  name: 'Hill',
  question: 'Will it climb, how fast, in which gear?',
  key: 'h',
  views: HILL_VIEWS,
  viewOf: hillViewOf,
  load: () => import('./hill-stage.tsx').then((m) => ({ default: m.HillStage })),
  prints: [],
};
