import { controllersBeside } from '../../../../document/motors.ts';
import type { Rule } from '../../line.ts';

/** What the controller of a second motor hangs on. */
export const secondController: Rule = {
  id: 'second-controller',
  group: 'wiring',
  origin: 'the build: two motors, each with its controller',
  lines: ({ build }) =>
    controllersBeside(build) < 2
      ? []
      : [
          {
            what: ['Y-leads to the second controller: battery, throttle or pedal sensor, and brake cut-offs'],
            why: ['both hear one hand and the same brakes; their 5 V supplies stay apart'],
            unit: 'set',
            ask: 'Ask the controllers’ maker whether they may share a signal, and whether a display speaks to two.',
          },
        ],
};
