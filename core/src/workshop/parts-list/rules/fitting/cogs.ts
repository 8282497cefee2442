import { isAmiss, isHub } from '../../../job.ts';
import type { Rule } from '../../line.ts';

/** Cogs that go on the motor's hub. */
export const cogs: Rule = {
  id: 'cogs',
  group: 'fitting',
  origin: 'fit check: cogs of the donor on the motor',
  lines: (job) =>
    isHub(job) && job.build.drive.wheel === 'rear' && isAmiss(job, 'cog-body')
      ? [
          {
            what: [
              `${job.build.drive.cogBody === 'freewheel' ? 'Screwed freewheel' : 'Cassette'} ${[...job.build.gearing.cogTeeth].sort((a, b) => a - b).join('-')}`,
            ],
            why: ['the donor’s cogs do not go on the motor'],
            from: {
              type: 'cogs',
              suits: (p) =>
                p.type === 'cogs' &&
                p.hubRatios.length === 0 &&
                p.cogTeeth.length === job.build.gearing.cogTeeth.length,
            },
          },
        ]
      : [],
};
