import { motorDecided } from '../../../../document/motor-decided.ts';
import type { Rule } from '../../line.ts';

/** Cleaner for rotors and drive train. */
export const cleaner: Rule = {
  id: 'cleaner',
  group: 'consumables',
  origin: 'common practice',
  lines: (job) =>
    motorDecided(job)
      ? [
          {
            what: ['Degreaser, and alcohol for rotors'],
            why: ['cleaning takes longer than fitting; oil on a rotor ruins its pads'],
            unit: 'set',
          },
        ]
      : [],
};
