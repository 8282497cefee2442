import type { Rule } from '../../line.ts';

/** Fluid where hydraulic levers are changed. */
export const hydraulicBleed: Rule = {
  id: 'hydraulic-bleed',
  group: 'consumables',
  origin: 'common practice',
  lines: ({ build: { donor, controls } }) =>
    (donor.brakeFront === 'hydraulic-disc' || donor.brakeRear === 'hydraulic-disc') &&
    controls.brakeCutoffs !== 'yes' &&
    donor.levers === 'plain'
      ? [
          {
            what: ['Bleed kit with the brake maker’s fluid'],
            why: ['levers with a switch are changed with the system open'],
          },
        ]
      : [],
};
