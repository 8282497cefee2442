import { railsWithoutBosses } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** The tool that sets rivet nuts. */
export const rivetTool: Rule = {
  id: 'rivet-tool',
  group: 'tools',
  origin: 'common practice',
  lines: (job) =>
    railsWithoutBosses(job) > 0 ? [{ what: ['Rivet-nut tool M5'], why: ['sets the nuts for the rail'] }] : [],
};
