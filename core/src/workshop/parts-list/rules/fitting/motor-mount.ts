import type { Rule } from '../../line.ts';

/** What holds an external motor to the frame. */
export const motorMount: Rule = {
  id: 'motor-mount',
  group: 'fitting',
  origin: 'common practice',
  lines: ({ build: { drive } }) =>
    drive.kind === 'external'
      ? [
          {
            what: [
              'Mount for the motor: plate with slots, clamps for the frame’s tubes, bolts with locking nuts',
            ],
            why: ['it takes the whole pull of the drive; slots let the chain or belt be tightened'],
            ask: 'Ask for clamps of the tubes’ diameter: measure the tubes first.',
          },
        ]
      : [],
};
