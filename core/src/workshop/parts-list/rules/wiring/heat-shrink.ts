import { motorDecided } from '../../../../document/motor-decided.ts';
import type { Rule } from '../../line.ts';

/** Heat-shrink for every joint. */
export const heatShrink: Rule = {
  id: 'heat-shrink',
  group: 'wiring',
  origin: 'common practice',
  lines: (job) =>
    motorDecided(job)
      ? [
          {
            what: ['Heat-shrink with glue, 3, 6 and 10 mm'],
            why: ['every joint is covered, and sealed where it gets wet'],
            unit: 'set',
          },
        ]
      : [],
};
