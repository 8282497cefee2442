import type { StageScreen } from '../screen.ts';
import { POWER_VIEWS, viewOf } from './views.ts';

export const powerScreen: StageScreen = {
  name: 'Power',
  question: 'How many volts, amp-hours and amps?',
  key: 'p',
  views: POWER_VIEWS,
  viewOf,
  load: () => import('./power-stage.tsx').then((m) => ({ default: m.PowerStage })),
  prints: [
    {
      path: 'charge-card',
      name: 'Print the charge card',
      also: 'pocket resting volts',
      load: () => import('./charge-card.tsx').then((m) => ({ default: m.ChargeCard })),
    },
  ],
};
