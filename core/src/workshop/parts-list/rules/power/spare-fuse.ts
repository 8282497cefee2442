import { ampsOf, fuseAmps } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** A fuse to replace the one that has done its work. */
export const spareFuse: Rule = {
  id: 'spare-fuse',
  group: 'power',
  origin:
    'common practice: one blown on the road ends the ride, and a larger one from a drawer ends the lead',
  lines: ({ build: { cabling }, known, chain }) => {
    const amps = fuseAmps(known, chain);
    return cabling.protection === 'fuse'
      ? [
          {
            what: ['Spare fuse ', ...ampsOf(amps, known.cabling.fuseA, chain), ', of the same kind'],
            rated: { least: amps, most: amps },
            why: ['one that blows is replaced by its like, never by a larger one'],
          },
        ]
      : [];
  },
};
