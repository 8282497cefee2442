import type { StageScreen } from '../screen.ts';

export const donorScreen: StageScreen = {
  name: 'Donor',
  question: 'Which bicycle is it, and what is still to measure?',
  key: 'd',
  views: [],
  load: () => import('./donor-stage.tsx').then((m) => ({ default: m.DonorStage })),
  prints: [
    {
      path: 'measure-sheet',
      name: 'Print the measure sheet',
      also: 'blank caliper',
      load: () => import('./measure-sheet.tsx').then((m) => ({ default: m.MeasureSheet })),
    },
  ],
};
