import { motorCount } from '../../../../document/motors.ts';
import { isAmiss, isHub } from '../../../job.ts';
import { sizeOf } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** Torque arms for the flats of the axle. */
export const torqueArms: Rule = {
  id: 'torque-arms',
  group: 'fitting',
  origin: 'fit check: torque on the dropouts',
  lines: (job) => {
    if (!isHub(job)) return [];
    const { torqueArms } = job.build.drive;
    const flats = job.known.drive.flatsMm;
    const each = Math.max(
      torqueArms,
      isAmiss(job, 'torque-arms') || job.check('torque-arms')?.state === 'unknown' ? 1 : 0,
    );
    return each === 0
      ? []
      : [
          {
            what: [
              'Torque arm',
              ...(flats.source === 'unknown'
                ? [', for the axle’s flats (measure them)']
                : [', flats ', sizeOf(flats, 1)]),
              ', with clamp',
            ],
            why: ['the axle would turn in its slot and tear the leads off'],
            quantity: each * motorCount(job.build),
          },
        ];
  },
};
