import { hasHandLever, isThrottle, throttleKindOf } from '../../../../document/throttle.ts';
import type { Rule } from '../../line.ts';

type Kind = ReturnType<typeof throttleKindOf>;
/** A throttle, and what walk help is worked by. */
const THROTTLE: Readonly<Record<Kind, string>> = {
  thumb: 'Thumb throttle',
  'half-grip': 'Half-grip throttle',
  twist: 'Twist throttle',
  unknown: 'Throttle',
};
const WALK: Readonly<Record<Kind, string>> = {
  thumb: 'Thumb lever for walk help',
  'half-grip': 'Half grip for walk help',
  twist: 'Twist grip for walk help',
  unknown: 'Lever for walk help',
};

/** The hand control. */
export const throttle: Rule = {
  id: 'throttle',
  group: 'controls',
  origin: 'the build',
  lines: ({ build }) => {
    if (!hasHandLever(build)) return [];
    const kind = throttleKindOf(build);
    const drives = isThrottle(build);
    return [
      {
        what: [`${(drives ? THROTTLE : WALK)[kind]}, three wires, 5 V`],
        why: [drives ? 'drives it by hand' : 'helps while the machine is pushed'],
        ask:
          drives || kind !== 'unknown'
            ? 'Ask which plug it ends in, and its pins: sets of one colour differ.'
            : 'Look first whether the display has a key for it: then no lever is needed.',
      },
    ];
  },
};
