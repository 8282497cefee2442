import { ownPacks, sizeOf, suffixed } from '../../helpers.ts';
import type { Draft, Rule } from '../../line.ts';

/** Holders of round cells. */
export const cellHolders: Rule = {
  id: 'cell-holders',
  group: 'power',
  origin: 'common practice: cells stand in holders, never glued can to can',
  lines: ({ build: { packs }, known }) =>
    ownPacks(packs)
      .filter(({ pack }) => pack.cell.round)
      .map(({ i }): Draft => {
        const own = known.packs[i] ?? known.packs[0];
        return {
          key: suffixed('cell-holders', i),
          what: ['Cell holders for ', sizeOf(own.cell.widthMm, 1), ' cells, both ends'],
          why: ['air between the cans, and no weight on their wrappers'],
          quantity: 2 * own.cellsInSeries.value * own.cell.parallel.value,
        };
      }),
};
