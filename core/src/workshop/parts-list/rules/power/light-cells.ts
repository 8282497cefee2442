import { qty } from '../../../../quantity/phrase.ts';
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
              qty(known.supply.ownV.value, 'V', 1),
              ' ',
              qty(known.supply.ownAh.value, 'Ah', 1),
              ', with its charger',
            ],
            why: ['lamps burn when the pack is cut off'],
          },
        ]
      : [],
};
