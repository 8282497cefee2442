import { fuseAmps } from '../../helpers.ts';
import type { Rule } from '../../line.ts';
import { qty } from '../../../../quantity/phrase.ts';

/** A fuse to replace the one that has done its work. */
export const spareFuse: Rule = {
  id: 'spare-fuse',
  group: 'power',
  origin:
    'common practice: one blown on the road ends the ride, and a larger one from a drawer ends the lead',
  lines: ({ build: { cabling }, known, chain }) =>
    cabling.protection === 'fuse'
      ? [
          {
            what: ['Spare fuse ', qty(fuseAmps(known, chain), 'A', 0), ', of the same kind'],
            why: ['one that blows is replaced by its like, never by a larger one'],
          },
        ]
      : [],
};
