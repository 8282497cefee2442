import { motorDecided } from '../../../../document/motor-decided.ts';
import type { Rule } from '../../line.ts';

/** Tape. */
export const tape: Rule = {
  id: 'tape',
  group: 'consumables',
  origin: 'common practice',
  lines: (job) =>
    motorDecided(job)
      ? [
          {
            what: ['Insulating tape and heat-proof tape'],
            why: ['bare ends are covered while one works'],
            unit: 'set',
          },
        ]
      : [],
};
