import { sizeOf } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** A reducing sleeve for a shell that is wider than the motor's tube. */
export const shellSleeve: Rule = {
  id: 'shell-sleeve',
  group: 'fitting',
  origin: 'fit check: motor’s tube in the shell',
  lines: ({ build: { drive }, known: { donor, drive: motor }, check }) =>
    drive.kind === 'mid-drive' &&
    check('shell-bore')?.state === 'look' &&
    donor.shellBoreMm.value > motor.tubeMm.value
      ? [
          {
            what: ['Reducing sleeve, bore ', sizeOf(donor.shellBoreMm, 1), ' to ', sizeOf(motor.tubeMm, 1)],
            why: ['the motor’s tube is loose in the shell, and tips'],
          },
        ]
      : [],
};
