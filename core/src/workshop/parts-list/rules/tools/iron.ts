import { isMeant } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** Soldering iron and heat gun. */
export const iron: Rule = {
  id: 'iron',
  group: 'tools',
  origin: 'common practice',
  lines: (job) =>
    isMeant(job)
      ? [
          {
            what: ['Soldering iron, 60 W or more, and a heat gun'],
            why: ['plugs and heat-shrink'],
            unit: 'set',
          },
        ]
      : [],
};
