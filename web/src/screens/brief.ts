import type { StageScreen } from './screen.ts';

export const briefScreen = {
  name: 'Brief',
  question: 'Who rides, with what, where and how far?',
  key: 'b',
  views: [],
  prints: [],
} as const satisfies StageScreen;
