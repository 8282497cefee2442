import type { BuildDocument } from '../../../../document/document.ts';
import { motorCount } from '../../../../document/motors.ts';
import { leadSize, specOf, within } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

const leadCount = ({ commutation }: BuildDocument['drive']): number => (commutation === 'brushes' ? 2 : 3);

/** Phase leads, or the two of a brushed motor, and their plugs where they are lengthened. */
export const phaseLead: Rule = {
  id: 'phase-lead',
  group: 'wiring',
  origin: 'power chain: phase leads',
  lines: ({ build, build: { drive, controller }, known: { cabling } }) =>
    cabling.phaseMm.source !== 'unknown' && controller.place !== 'motor'
      ? [
          {
            what: [
              drive.commutation === 'brushes' ? 'Motor lead, red and black, ' : 'Phase lead, three colours, ',
              leadSize(cabling.phaseMm2),
              ', with plugs',
            ],
            why: [
              ...specOf(cabling.phaseMm, 'mm', 0),
              ' from controller to motor: they carry more amps than the battery lead',
            ],
            quantity:
              (motorCount(build) * Math.ceil((11 * leadCount(drive) * cabling.phaseMm.value) / 1000)) / 10,
            unit: 'm',
            from: {
              type: 'wire',
              suits: (p) =>
                p.type === 'wire' &&
                p.conductor === 'copper' &&
                within(p.leadMm2, cabling.phaseMm2.value, 0.1),
            },
          },
        ]
      : [],
};
