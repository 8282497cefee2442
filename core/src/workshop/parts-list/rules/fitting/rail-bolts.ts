import { motorDecided } from '../../../../document/motor-decided.ts';
import { isOnTube, packsPutOn } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** Bolts of the rail that a pack slides on. */
export const railBolts: Rule = {
  id: 'rail-bolts',
  group: 'fitting',
  origin: 'common practice: two M5 bolts with low heads a rail, at least five turns in the thread',
  lines: (job) => {
    const rails = packsPutOn(job.build).filter(({ pack }) => isOnTube(pack)).length;
    return rails > 0 && motorDecided(job)
      ? [
          {
            what: ['Bolts M5 with low heads and washers, 12 and 16 mm, for the pack’s rail'],
            why: [
              'heads of bottle-cage bolts stand above the rail, and the pack does not slide on over them',
            ],
            quantity: 2 * rails,
            ask: 'Measure the rail: its thickness and five turns of thread are the least length; a longer bolt must not meet the other wall.',
          },
        ]
      : [];
  },
};
