import { countOf, sizeOf } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** Chain or belt of an external drive. */
export const driveChain: Rule = {
  id: 'drive-chain',
  group: 'drive',
  origin: 'the build: an external motor pulls on a chain or belt of its own',
  lines: ({ build: { drive }, known }) =>
    drive.kind === 'external'
      ? [
          {
            what: [
              `${drive.medium === 'belt' ? 'Belt' : 'Chain'} for sprockets of `,
              `${countOf(known.drive.motorSprocketTeeth)} and ${countOf(known.drive.wheelSprocketTeeth)} teeth, `,
              sizeOf(known.drive.pitchMm, 2),
              ' pitch',
            ],
            why: ['the motor drives the wheel by it'],
            kind: drive.medium === 'belt' ? 'drive-belt' : 'drive-chain',
          },
        ]
      : [],
};
