import { leadSize } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** Ring terminals with their studs. */
export const rings: Rule = {
  id: 'rings',
  group: 'wiring',
  origin: 'the build: ring terminals in the battery lead',
  lines: ({ build: { cabling }, known: { cabling: known } }) =>
    cabling.passes.includes('rings')
      ? [
          {
            what: ['Ring terminals, ', leadSize(known.leadMm2), ', tinned copper, for the studs'],
            why: ['narrowed or filed rings burn: take the stud’s size'],
            quantity: 4,
          },
        ]
      : [],
};
