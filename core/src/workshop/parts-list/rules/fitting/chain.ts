import { isAmiss } from '../../../job.ts';
import type { Rule } from '../../line.ts';

/** A chain that is long enough, with its joining links. */
export const chain: Rule = {
  id: 'chain',
  group: 'fitting',
  origin: 'fit check: chain length',
  lines: (job) =>
    isAmiss(job, 'chain-length') || job.build.drive.kind === 'mid-drive'
      ? [
          {
            what: [
              `Chain for ${String(job.build.gearing.cogTeeth.length)} cogs`,
              ...(isAmiss(job, 'chain-length')
                ? [`, ${String(Math.ceil(job.check('chain-length')?.value ?? 0))} links more than now`]
                : []),
              ', with two joining links',
            ],
            why: [
              isAmiss(job, 'chain-length')
                ? 'the chain is short for this ring and cog'
                : 'a mid-drive wears an old chain through in weeks',
            ],
          },
        ]
      : [],
};
