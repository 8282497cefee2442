import { motorDecided } from '../../../../document/motor-decided.ts';
import type { Rule } from '../../line.ts';

/** Thread locker. */
export const threadLock: Rule = {
  id: 'thread-lock',
  group: 'consumables',
  origin: 'common practice',
  lines: (job) =>
    motorDecided(job)
      ? [{ what: ['Thread locker, medium'], why: ['crank, rotor and arm bolts shake loose'] }]
      : [],
};
