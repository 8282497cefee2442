import { motorDecided } from '../../../../document/motor-decided.ts';
import type { Rule } from '../../line.ts';

/** Soldering iron and heat gun; the heat gun alone where every contact is crimped. */
export const iron: Rule = {
  id: 'iron',
  group: 'tools',
  origin: 'common practice',
  lines: (job) => {
    if (!motorDecided(job)) return [];
    return job.build.cabling.joints === 'crimped'
      ? [{ key: 'iron/heat-gun', what: ['Heat gun'], why: ['heat-shrink'] }]
      : [
          {
            what: ['Soldering iron, 60 W or more, and a heat gun'],
            why: ['plugs and heat-shrink'],
            unit: 'set',
          },
        ];
  },
};
