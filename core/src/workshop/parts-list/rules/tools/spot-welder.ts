import { ownPacks } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** What nickel is joined to cells with. */
export const spotWelder: Rule = {
  id: 'spot-welder',
  group: 'tools',
  origin: 'common practice: heat of an iron kills a cell',
  lines: ({ build: { packs } }) =>
    ownPacks(packs).length > 0
      ? [
          {
            what: ['Spot welder for 0.15 mm nickel, and insulated tools'],
            why: ['an iron’s heat kills a cell; never build a pack without training'],
          },
        ]
      : [],
};
