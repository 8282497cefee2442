import { motorDecided } from '../../../../document/motor-decided.ts';
import type { Rule } from '../../line.ts';

/** Ties and spiral wrap. */
export const ties: Rule = {
  id: 'ties',
  group: 'wiring',
  origin: 'common practice',
  lines: (job) =>
    motorDecided(job)
      ? [
          {
            what: ['Cable ties, black, and spiral wrap'],
            why: ['cables clear of disc, tyre, chain and cranks at full lock'],
            unit: 'set',
          },
        ]
      : [],
};
