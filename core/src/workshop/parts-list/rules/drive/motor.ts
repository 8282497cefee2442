import { motorCount } from '../../../../document/motors.ts';
import { specOf } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** The motor, two where each wheel is driven. */
export const motor: Rule = {
  id: 'motor',
  group: 'drive',
  origin: 'the build',
  lines: ({ build, build: { drive }, known }) =>
    drive.kind === 'external' || drive.name.trim() !== '' || known.drive.ratedPowerW.source !== 'unknown'
      ? [
          {
            what: [
              drive.name.trim() === '' ? 'Motor' : drive.name,
              ...(known.drive.ratedPowerW.source === 'unknown'
                ? []
                : [', ', ...specOf(known.drive.ratedPowerW, 'W', 0)]),
            ],
            why: ['drives it'],
            quantity: motorCount(build),
            main: true,
            kind: '',
          },
        ]
      : [],
};
