import { motorCount } from '../../../../document/motors.ts';
import { motorDecided } from '../../../../document/motor-decided.ts';
import type { Rule } from '../../line.ts';

/** An extension or spare half of the motor's plug. */
export const motorPlug: Rule = {
  id: 'motor-plug',
  group: 'wiring',
  origin: 'common practice',
  lines: (job) =>
    motorDecided(job) && job.build.controller.place !== 'motor'
      ? [
          {
            what: ['Extension for the motor’s plug, of its family and pin count'],
            why: ['a tail that ends short costs a week'],
            quantity: motorCount(job.build),
            ask:
              job.known.cabling.phaseMm.source === 'unknown'
                ? 'Ask its length: the way from the motor to the controller is not known yet.'
                : 'Ask how long the motor’s own tail is, and take what is missing.',
          },
        ]
      : [],
};
