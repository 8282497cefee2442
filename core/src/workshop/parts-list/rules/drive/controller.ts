import { motorCount } from '../../../../document/motors.ts';
import { priceOfLine } from '../../../../document/purchase.ts';
import { specOf, within } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** The controller, unless the motor has it inside and it has no price of its own. */
export const controller: Rule = {
  id: 'controller',
  group: 'drive',
  origin: 'the build',
  lines: ({ build, build: { controller }, known }) =>
    controller.place === 'motor' && priceOfLine(build, 'controller') === null
      ? []
      : [
          {
            what: [
              controller.name.trim() === '' ? 'Controller' : controller.name,
              ', ',
              ...specOf(known.controller.batteryCurrentA, 'A', 0),
              ' from the battery',
            ],
            quantity: motorCount(build),
            why: [
              controller.place === 'motor'
                ? 'inside the motor, with a price of its own'
                : 'meters the current into the motor',
              ...(motorCount(build) === 1 ? [] : ['; one for each of the two']),
            ],
            main: true,
            kind: '',
            from: {
              type: 'controller',
              suits: (p) =>
                controller.name.trim() === ''
                  ? p.type === 'controller' &&
                    within(p.batteryCurrentA, known.controller.batteryCurrentA.value, 0.25)
                  : p.name === controller.name.trim(),
            },
            ask: 'Ask that display, throttle and sensor plugs are of one family with it.',
          },
        ],
};
