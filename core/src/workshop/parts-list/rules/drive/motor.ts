import type { BuildDocument } from '../../../../document/document.ts';
import { motorCount } from '../../../../document/motors.ts';
import type { Part } from '../../../../parts/part.ts';
import { specOf } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** The one by name, else those of its kind. */
const suits = (part: Part, { drive }: BuildDocument): boolean =>
  drive.name.trim() === ''
    ? part.type === 'motor' && part.kind === drive.kind
    : part.name === drive.name.trim();

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
            ask:
              build.purchase.brings.motor === null
                ? 'Ask what comes in its box: wheel, controller, display, levers, sensors, torque arms.'
                : '',
            from: { type: 'motor', suits: (p) => p.type === 'motor' && suits(p, build) },
          },
        ]
      : [],
};
