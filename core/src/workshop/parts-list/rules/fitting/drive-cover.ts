import type { Rule } from '../../line.ts';

/** A cover over an external motor's can and chain. */
export const driveCover: Rule = {
  id: 'drive-cover',
  group: 'fitting',
  origin: 'fit check: an open rotor',
  lines: (job) =>
    job.build.drive.kind === 'external' && job.build.drive.covered !== 'yes'
      ? [{ what: ['Closed cover over can, sprockets and drive chain'], why: ['fingers and trouser legs'] }]
      : [],
};
