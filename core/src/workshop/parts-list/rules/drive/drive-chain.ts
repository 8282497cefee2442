import { sizeOf } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** Chain or belt and sprockets of an external drive. */
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
              `${String(known.drive.motorSprocketTeeth.value)} and ${String(known.drive.wheelSprocketTeeth.value)} teeth, `,
              sizeOf(known.drive.pitchMm, 2),
              ' pitch',
            ],
            why: ['the motor drives the wheel by it'],
          },
        ]
      : [],
};
