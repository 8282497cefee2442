import type { StageScreen } from './screen.ts';

export const donorScreen = {
  name: 'Donor',
  question: 'Which bicycle is it, and what is still to measure?',
  key: 'd',
  views: [],
  prints: [
    {
      path: 'measure-sheet',
      name: 'Print the measure sheet',
      also: 'blank caliper',
    },
  ],
} as const satisfies StageScreen;
