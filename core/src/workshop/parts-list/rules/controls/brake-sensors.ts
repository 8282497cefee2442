import type { Rule } from '../../line.ts';

/** What cuts the motor at each brake lever. */
export const brakeSensors: Rule = {
  id: 'brake-sensors',
  group: 'controls',
  origin: 'fit check: brake cut-off that suits the levers',
  lines: (job) => {
    const { donor } = job.build;
    // Levers that have a switch are joined up, not bought.
    if (donor.levers === 'cut-off') return [];
    const count = [donor.brakeFront, donor.brakeRear].filter((b) => b !== 'none' && b !== 'coaster').length;
    const addOn = donor.levers === 'hydraulic' || donor.levers === 'shift-brake';
    return count === 0
      ? []
      : [
          {
            what: [
              addOn
                ? 'Cut-off sensor, magnet on the blade, for hydraulic or combined levers'
                : 'Brake levers with cut-off switch',
            ],
            why: [
              addOn
                ? 'such levers do not take the usual switch'
                : 'a lever that cuts the motor stops one that hangs on',
            ],
            quantity: count,
            ask: 'Ask whether the controller wants its brake line pulled low or high.',
          },
        ];
  },
};
