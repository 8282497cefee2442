import { motorDecided } from '../../../../document/motor-decided.ts';
import type { Rule } from '../../line.ts';

/** A key or switch that turns it off. */
export const key: Rule = {
  id: 'key',
  group: 'controls',
  origin: 'common practice',
  lines: (job) =>
    motorDecided(job) && job.build.controls.throttle === 'full'
      ? [
          {
            what: ['Key switch or stop button for the controller’s ignition line'],
            why: ['a throttle that is knocked drives it off its stand'],
          },
        ]
      : [],
};
