import { motorDecided } from '../../../../document/motor-decided.ts';
import type { Rule } from '../../line.ts';

/** A meter. */
export const meter: Rule = {
  id: 'meter',
  group: 'tools',
  origin: 'common practice',
  lines: (job) =>
    motorDecided(job)
      ? [
          {
            what: ['Meter with a fused ampere range, leads with guarded tips'],
            why: ['polarity and volts are read at every plug before it is joined'],
          },
        ]
      : [],
};
