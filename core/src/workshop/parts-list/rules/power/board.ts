import { CHEMISTRIES } from '../../../../document/chemistries.ts';
import { qty } from '../../../../quantity/phrase.ts';
import { ownPacks, suffixed, specOf } from '../../helpers.ts';
import type { Draft, Rule } from '../../line.ts';

/** The protection board of a pack that is built here. */
export const board: Rule = {
  id: 'board',
  group: 'power',
  origin: 'the build: a pack of lithium cells is never without protection',
  lines: ({ build: { packs }, known }) =>
    ownPacks(packs)
      .filter(({ pack }) => pack.board !== 'no' && pack.chemistry !== 'lead-acid')
      .map(({ i, pack }): Draft => {
        const own = known.packs[i] ?? known.packs[0];
        return {
          key: suffixed('board', i),
          pack: i,
          what: [
            `Protection board ${String(own.cellsInSeries.value)}S for ${CHEMISTRIES[pack.chemistry].name}, full at `,
            qty(CHEMISTRIES[pack.chemistry].fullV, 'V', 2),
            ' a cell, ',
            ...specOf(own.bmsCurrentA, 'A', 0),
            ', with balance leads and temperature sensor',
          ],
          why: [
            'opens when a group is too empty, too full or too hot; one of another chemistry opens too late',
          ],
        };
      }),
};
