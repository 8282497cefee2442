import { motorDecided } from '../../../../document/motor-decided.ts';
import { heldBy } from '../../../job.ts';
import type { Rule } from '../../line.ts';

/** Thread locker. */
export const threadLock: Rule = {
  id: 'thread-lock',
  group: 'consumables',
  origin: 'common practice',
  lines: (job) =>
    motorDecided(job)
      ? [
          {
            what: ['Thread locker, medium'],
            why: [
              heldBy(job) === 'external'
                ? 'screws of mount and sprockets shake loose'
                : 'crank, rotor and arm bolts shake loose',
            ],
          },
        ]
      : [],
};
