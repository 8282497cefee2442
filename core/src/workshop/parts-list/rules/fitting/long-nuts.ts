import { motorCount } from '../../../../document/motors.ts';
import { isAmiss } from '../../../job.ts';
import type { Rule } from '../../line.ts';

/** Long axle nuts where the axle is short. */
export const longNuts: Rule = {
  id: 'long-nuts',
  group: 'fitting',
  origin: 'fit check: length of the motor’s axle',
  lines: (job) =>
    isAmiss(job, 'axle-length')
      ? [
          {
            what: ['Long-necked axle nuts'],
            why: ['the axle ends before both plates and nuts are on'],
            unit: 'pair',
            quantity: motorCount(job.build),
          },
        ]
      : [],
};
