import { isAmiss, isHub } from '../../../job.ts';
import { motorDecided } from '../../../../document/motor-decided.ts';
import type { Rule } from '../../line.ts';

/** The tool for freewheel or cassette: for the donor's cogs where they move to the motor, else for those that are bought. */
export const cogTool: Rule = {
  id: 'cog-tool',
  group: 'tools',
  origin:
    'common practice: cogs that move come off first; a cassette is held by a lock ring, a freewheel screws on by hand',
  lines: (job) => {
    const { donor, drive } = job.build;
    if (!isHub(job) || drive.wheel !== 'rear' || !motorDecided(job)) return [];
    if (!isAmiss(job, 'cog-body'))
      return [
        {
          what: [
            {
              cassette: 'Cassette tool and chain whip',
              freewheel: 'Freewheel tool for this freewheel’s notches or splines',
              unknown: 'Freewheel or cassette tool (look which)',
            }[donor.cogBody],
          ],
          why: ['the cogs move to the motor'],
        },
      ];
    return drive.cogBody === 'cassette'
      ? [{ what: ['Cassette tool for the lock ring'], why: ['the new cogs are held by a lock ring'] }]
      : [];
  },
};
