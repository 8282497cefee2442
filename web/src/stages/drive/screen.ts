import type { StageScreen } from '../screen.ts';

export const driveScreen: StageScreen = {
  name: 'Drive',
  question: 'Which motor, in which gears?',
  key: 'v',
  views: [],
  load: () => import('./drive-stage.tsx').then((m) => ({ default: m.DriveStage })),
  prints: [],
};
