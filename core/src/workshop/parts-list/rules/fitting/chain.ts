import { isAmiss, type Job } from '../../../job.ts';
import type { Rule } from '../../line.ts';

/** What stands on a chain's box: the number of cogs that it runs on; of one, its width as well. Common practice. */
const cogsOf = ({ build }: Job): string => {
  const count = build.gearing.cogTeeth.length;
  return count > 1 ? `${String(count)} cogs` : 'one cog, 1/8 in wide or 3/32 as the cog is';
};

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
              `Chain for ${cogsOf(job)}`,
              job.links === undefined
                ? ', as long as largest ring on largest cog asks'
                : `, ${String(job.links)} links`,
              ', with two joining links',
            ],
            ...(job.links === undefined ? {} : { cut: { of: cogsOf(job), length: job.links } }),
            why: [
              (job.check('chain-length')?.value ?? 0) > 0 && isAmiss(job, 'chain-length')
                ? 'the chain is short for this ring and cog'
                : 'a mid-drive wears an old chain through in weeks',
            ],
          },
        ]
      : [],
};
