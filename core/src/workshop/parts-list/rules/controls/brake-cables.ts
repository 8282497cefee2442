import type { Rule } from '../../line.ts';

/** New inner cables where levers are changed. */
export const brakeCables: Rule = {
  id: 'brake-cables',
  group: 'controls',
  origin: 'common practice: a used inner frays as it is drawn through a new lever',
  lines: ({ build: { donor } }) => {
    // Levers that switch take the place of plain ones only: hydraulic and combined ones get a sensor.
    const changed = donor.levers === 'plain' || donor.levers === 'unknown';
    const count = [donor.brakeFront, donor.brakeRear].filter((b) => b === 'rim' || b === 'cable-disc').length;
    return changed && count > 0
      ? [
          {
            what: ['Inner brake cable with end cap and ferrules'],
            why: ['the levers are changed for ones with a switch'],
            quantity: count,
            ask: 'Look at the nipple: barrel for flat bars, pear for drop bars.',
          },
        ]
      : [];
  },
};
