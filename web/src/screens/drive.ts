import type { StageScreen } from './screen.ts';

export const driveScreen = {
  name: 'Drive',
  question: 'Which motor, in which gears?',
  key: 'v',
  views: [],
  prints: [],
} as const satisfies StageScreen;
