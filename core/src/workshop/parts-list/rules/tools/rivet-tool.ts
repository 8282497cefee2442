import { isAmiss } from '../../../job.ts';
import { ON_TUBES } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** The tool that sets rivet nuts. */
export const rivetTool: Rule = {
  id: 'rivet-tool',
  group: 'tools',
  origin: 'common practice',
  lines: (job) => {
    const { bosses } = job.build.donor;
    const onTube = job.build.packs.some((p) => ON_TUBES.includes(p.boxes[0]?.place ?? 'free'));
    return onTube && (bosses === null || bosses.length === 0 || isAmiss(job, 'pack-boss'))
      ? [{ what: ['Rivet-nut tool M5'], why: ['sets the nuts for the rail'] }]
      : [];
  },
};
