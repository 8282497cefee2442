import { ownPacks, suffixed } from '../../helpers.ts';
import type { Draft, Rule } from '../../line.ts';

/** What a pack that is built here is closed with. */
export const packWrap: Rule = {
  id: 'pack-wrap',
  group: 'power',
  origin: 'common practice',
  lines: ({ build: { packs } }) =>
    ownPacks(packs).map(({ i }): Draft => ({
      key: suffixed('pack-wrap', i),
      what: ['Wide heat-shrink for the pack, fibre board and foam round it'],
      why: ['keeps water, chafe and hands off the cells'],
      unit: 'set',
    })),
};
