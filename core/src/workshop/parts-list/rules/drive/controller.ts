import { qty } from '../../../../quantity/phrase.ts';
import type { Rule } from '../../line.ts';

/** The controller, unless the motor has it inside. */
export const controller: Rule = {
  id: 'controller',
  group: 'drive',
  origin: 'the build',
  lines: ({ build: { controller }, known }) =>
    controller.place === 'motor'
      ? []
      : [
          {
            what: [
              controller.name.trim() === '' ? 'Controller' : controller.name,
              ', ',
              qty(known.controller.batteryCurrentA.value, 'A', 0),
              ' from the battery',
            ],
            why: ['meters the current into the motor'],
            main: true,
            kind: '',
            ask: 'Ask that display, throttle and sensor plugs are of one family with it.',
          },
        ],
};
