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
      .map(({ i }): Draft => {
        const own = known.packs[i] ?? known.packs[0];
        return {
          key: suffixed('board', i),
          what: [
            `Protection board ${String(own.cellsInSeries.value)}S, `,
            ...specOf(own.bmsCurrentA, 'A', 0),
            ', with balance leads and temperature sensor',
          ],
          why: ['opens when a group is too empty, too full or too hot'],
        };
      }),
};
