import { ownPacks, suffixed } from '../../helpers.ts';
import type { Draft, Rule } from '../../line.ts';

/** Insulating rings and paper of a pack that is built here. */
export const insulation: Rule = {
  id: 'insulation',
  group: 'power',
  origin: 'common practice: a ring on every plus, paper between groups that meet',
  lines: ({ build: { packs }, known }) =>
    ownPacks(packs).map(({ i }): Draft => {
      const own = known.packs[i] ?? known.packs[0];
      return {
        key: suffixed('insulation', i),
        what: ['Insulating rings for the plus poles, and a sheet of insulating paper'],
        why: ['a wrapper that chafes through at the plus shorts the can'],
        quantity: own.cellsInSeries.value * own.cell.parallel.value,
      };
    }),
};
