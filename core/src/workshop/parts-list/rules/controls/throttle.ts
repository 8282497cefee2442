import type { Rule } from '../../line.ts';

/** The hand control. */
export const throttle: Rule = {
  id: 'throttle',
  group: 'controls',
  origin: 'the build',
  lines: ({ build: { controls } }) =>
    controls.throttle === 'none' || controls.throttle === 'walk'
      ? []
      : [
          {
            what: [
              `${{ thumb: 'Thumb throttle', 'half-grip': 'Half-grip throttle', twist: 'Twist throttle', unknown: 'Throttle' }[controls.throttleKind]}, three wires, 5 V`,
            ],
            why: ['drives it by hand'],
            ask: 'Ask which plug it ends in, and its pins: sets of one colour differ.',
          },
        ],
};
