import type { Rule } from '../../line.ts';

/** An idler for an external drive. */
export const idler: Rule = {
  id: 'idler',
  group: 'fitting',
  origin: 'fit check: tension of chain or belt',
  lines: (job) =>
    job.build.drive.kind === 'external' && job.build.drive.idler !== 'no'
      ? [
          {
            what: ['Idler with arm and spring, for the drive’s chain or belt'],
            why: ['slack chain jumps off, and belts slip'],
          },
        ]
      : [],
};
