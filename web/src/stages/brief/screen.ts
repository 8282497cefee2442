import type { StageScreen } from '../screen.ts';

export const briefScreen: StageScreen = {
  name: 'Brief',
  question: 'Who rides, with what, where and how far?',
  key: 'b',
  views: [],
  load: () => import('./brief-stage.tsx').then((m) => ({ default: m.BriefStage })),
  prints: [],
};
