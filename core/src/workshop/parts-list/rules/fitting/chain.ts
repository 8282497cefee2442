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
              job.links === undefined
                ? ', as long as largest ring on largest cog asks'
                : `, ${String(job.links)} links`,
              ', with two joining links',
            ],
            ...(job.links === undefined
              ? {}
              : { cut: { of: `${String(job.build.gearing.cogTeeth.length)} cogs`, length: job.links } }),
            why: [
              (job.check('chain-length')?.value ?? 0) > 0 && isAmiss(job, 'chain-length')
                ? 'the chain is short for this ring and cog'
                : 'a mid-drive wears an old chain through in weeks',
            ],
          },
        ]
      : [],
};
