import { motorDecided } from '../../../../document/motor-decided.ts';
import { heldBy } from '../../../job.ts';
import type { Rule } from '../../line.ts';

/** Grease for threads and seats. */
export const grease: Rule = {
  id: 'grease',
  group: 'consumables',
  origin: 'common practice',
  lines: (job) =>
    motorDecided(job)
      ? [
          {
            what: ['Bearing grease'],
            why: [
              heldBy(job) === 'external'
                ? 'freewheel, idler and axle: they have to come off again'
                : 'shell threads and axle: they have to come out again',
            ],
          },
        ]
      : [],
};
