import type { Rule } from '../../line.ts';

/** A plate or strap that holds a mid-drive. */
export const antiRotation: Rule = {
  id: 'anti-rotation',
  group: 'fitting',
  origin: 'fit check: what keeps a mid-drive from turning',
  lines: (job) =>
    job.build.drive.kind === 'mid-drive' && job.build.drive.bearsOnFrame !== 'yes'
      ? [
          {
            what: ['Anti-rotation plate or strap with its bolt, for this motor'],
            why: ['the motor would turn in the shell under load'],
          },
        ]
      : [],
};
