import type { StageScreen } from './screen.ts';
import { POWER_VIEWS, viewOf } from './power-views.ts';

export const powerScreen = {
  name: 'Power',
  question: 'How many volts, amp-hours and amps?',
  key: 'p',
  views: POWER_VIEWS,
  viewOf,
  prints: [
    {
      path: 'charge-card',
      name: 'Print the charge card',
      also: 'pocket resting volts',
    },
  ],
} as const satisfies StageScreen;
