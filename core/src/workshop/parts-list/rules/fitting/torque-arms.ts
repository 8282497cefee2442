import { drivesBoth, motorCount } from '../../../../document/motors.ts';
import { isAmiss, isHub, type Job } from '../../../job.ts';
import { sizeOf } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** Arms of one axle: as many as the plan has, or as the check of fit asks for where that is more. */
function armsOf(job: Job, id: string): number {
  const { torqueArms } = job.build.drive;
  const check = job.check(id);
  if (check?.state === 'unknown') return Math.max(torqueArms, 1);
  const asked = isAmiss(job, id) ? (check?.value ?? 0) - (check?.margin ?? 0) : 0;
  return Math.max(torqueArms, Math.round(asked));
}

/** Torque arms for the flats of the axle. */
export const torqueArms: Rule = {
  id: 'torque-arms',
  group: 'fitting',
  origin: 'fit check: torque on the dropouts',
  lines: (job) => {
    if (!isHub(job)) return [];
    const flats = job.known.drive.flatsMm;
    const [each, other] = [armsOf(job, 'torque-arms'), armsOf(job, 'other-torque-arms')];
    const quantity = drivesBoth(job.build) ? each + other : each * motorCount(job.build);
    return quantity === 0
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
            quantity,
          },
        ];
  },
};
