import { isAmiss } from '../../../job.ts';
import type { Rule } from '../../line.ts';

/** A chain tool. */
export const chainTool: Rule = {
  id: 'chain-tool',
  group: 'tools',
  origin: 'common practice',
  lines: (job) =>
    job.build.drive.kind === 'mid-drive' || isAmiss(job, 'chain-length')
      ? [{ what: ['Chain tool and wear gauge'], why: ['the chain is fitted to length'] }]
      : [],
};
