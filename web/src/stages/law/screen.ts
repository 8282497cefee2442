import type { StageScreen } from '../screen.ts';
import { LAW_VIEWS } from './views.ts';

export const lawScreen: StageScreen = {
  name: 'Law',
  question: 'Which class is it, here?',
  key: 'l',
  views: LAW_VIEWS,
  load: () => import('./law-stage.tsx').then((m) => ({ default: m.LawStage })),
  prints: [
    {
      path: 'class-sheet',
      name: 'Print the class sheet',
      also: 'label',
      load: () => import('./class-sheet.tsx').then((m) => ({ default: m.ClassSheet })),
    },
  ],
};
