import { motorDecided } from '../../../../document/motor-decided.ts';
import type { Rule } from '../../line.ts';

/** Soldering iron and heat gun. */
export const iron: Rule = {
  id: 'iron',
  group: 'tools',
  origin: 'common practice',
  lines: (job) =>
    motorDecided(job)
      ? [
          {
            what: ['Soldering iron, 60 W or more, and a heat gun'],
            why: ['plugs and heat-shrink'],
            unit: 'set',
          },
        ]
      : [],
};
