import { isAmiss } from '../../../job.ts';
import type { Rule } from '../../line.ts';

/** Shims beneath a rotor that the motor's cover would touch. */
export const discSpacers: Rule = {
  id: 'disc-spacers',
  group: 'fitting',
  origin: 'fit check: rotor or caliper against the motor’s cover',
  lines: (job) =>
    isAmiss(job, 'caliper-gap')
      ? [
          {
            what: ['Shims for a six-bolt rotor, 1 mm, with longer bolts'],
            why: ['the caliper would touch the motor’s cover'],
            quantity: 2,
          },
        ]
      : [],
};
