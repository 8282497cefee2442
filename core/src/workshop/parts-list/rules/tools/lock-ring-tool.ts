import type { Rule } from '../../line.ts';

/** The spanner for the ring nut of a mid-drive. */
export const lockRingTool: Rule = {
  id: 'lock-ring-tool',
  group: 'tools',
  origin: 'common practice: a mid-drive is clamped to the shell by a ring nut of its own',
  lines: ({ build: { drive } }) =>
    drive.kind === 'mid-drive'
      ? [
          {
            what: ['Spanner for the ring nut of this motor'],
            why: ['a ring nut done up by hand lets the motor turn in the shell'],
            ask: 'Ask whether it comes with the motor: no two makers’ ring nuts are alike.',
          },
        ]
      : [],
};
