import type { StageScreen } from './screen.ts';
import { LAW_VIEWS } from './law-views.ts';

export const lawScreen = {
  name: 'Law',
  question: 'Which class is it, here?',
  key: 'l',
  views: LAW_VIEWS,
  prints: [
    {
      path: 'class-sheet',
      name: 'Print the class sheet',
      also: 'label',
    },
  ],
} as const satisfies StageScreen;
