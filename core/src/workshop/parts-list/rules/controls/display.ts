import { motorDecided } from '../../../../document/motor-decided.ts';
import type { Rule } from '../../line.ts';

/** The display with its mount. */
export const display: Rule = {
  id: 'display',
  group: 'controls',
  origin: 'common practice',
  lines: (job) =>
    motorDecided(job)
      ? [
          {
            what: ['Display with mount for the bar, of the controller’s protocol'],
            why: ['speed, level and volts; it starts most controllers'],
            ask: 'Ask that it speaks the controller’s protocol: plugs that mate do not promise it.',
          },
        ]
      : [],
};
