import { isHub } from '../../../job.ts';
import { isMeant } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** The tool for freewheel or cassette. */
export const cogTool: Rule = {
  id: 'cog-tool',
  group: 'tools',
  origin: 'common practice',
  lines: (job) =>
    isHub(job) && job.build.drive.wheel === 'rear' && isMeant(job)
      ? [
          {
            what: [
              {
                cassette: 'Cassette tool and chain whip',
                freewheel: 'Freewheel tool for this freewheel’s notches or splines',
                unknown: 'Freewheel or cassette tool (look which)',
              }[job.build.donor.cogBody],
            ],
            why: ['the cogs move to the motor'],
          },
        ]
      : [],
};
