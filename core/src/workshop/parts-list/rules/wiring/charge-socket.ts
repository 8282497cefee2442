import type { Rule } from '../../line.ts';

/** A charge socket with cap. */
export const chargeSocket: Rule = {
  id: 'charge-socket',
  group: 'wiring',
  origin: 'the build: a charge plug of its own',
  lines: ({ build: { cabling } }) =>
    cabling.passes.includes('charge-plug')
      ? [
          {
            what: ['Charge socket with cap, and the charger’s plug to match'],
            why: ['charging goes past the discharge plug'],
            ask: 'Ask which plug the charger ends in: 5.5 by 2.1 mm carries 5 A, not more.',
          },
        ]
      : [],
};
