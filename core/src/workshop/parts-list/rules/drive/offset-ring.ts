import { qty } from '../../../../quantity/phrase.ts';
import { isAmiss } from '../../../job.ts';
import type { Rule } from '../../line.ts';

/** An offset chainring, where the motor's ring stands beside the cogs' line. */
export const offsetRing: Rule = {
  id: 'offset-ring',
  group: 'drive',
  origin: 'fit check: chainline off the middle cog',
  lines: (job) =>
    isAmiss(job, 'chainline')
      ? [
          {
            what: [
              `Chainring ${String(job.known.gearing.ringTeeth.value)} T, dished or offset for this motor`,
            ],
            why: [
              'the chain would run ',
              qty(Math.abs(job.check('chainline')?.value ?? 0), 'mm', 1),
              ' off the middle cog',
            ],
          },
        ]
      : [],
};
