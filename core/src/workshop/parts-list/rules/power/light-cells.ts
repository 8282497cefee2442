import { specOf } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** The small battery of the lamps with its charger. */
export const lightCells: Rule = {
  id: 'light-cells',
  group: 'power',
  origin: 'the build: lights on cells of their own',
  lines: ({ build: { supply }, known }) =>
    supply.means === 'own-cells'
      ? [
          {
            what: [
              'Battery for the lamps, ',
              ...specOf(known.supply.ownV, 'V', 1),
              ' ',
              ...specOf(known.supply.ownAh, 'Ah', 1),
              ', with its charger',
            ],
            why: ['lamps burn when the pack is cut off'],
          },
        ]
      : [],
};
