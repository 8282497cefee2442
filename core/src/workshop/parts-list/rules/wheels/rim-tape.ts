import { motorCount } from '../../../../document/motors.ts';
import { isHub } from '../../../job.ts';
import type { Rule } from '../../line.ts';

/** Rim tape of a wheel that comes laced: spokes' ends under a bare tube are a puncture. */
export const rimTape: Rule = {
  id: 'rim-tape',
  group: 'wheels',
  origin: 'common practice: a motor’s wheel seldom comes with tape, and the donor’s does not come off whole',
  lines: (job) =>
    isHub(job) && job.build.drive.lacing !== 'own'
      ? [
          {
            what: ['Rim tape for the motor’s rim, and a tube with a valve for its hole'],
            why: ['tyre and tube move to the motor’s wheel; spoke ends under a bare tube are a puncture'],
            unit: 'set',
            quantity: motorCount(job.build),
            ask: 'Ask whether the wheel comes with tape, and for the valve its rim is drilled for.',
          },
        ]
      : [],
};
