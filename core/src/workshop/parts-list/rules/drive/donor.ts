import type { Rule } from '../../line.ts';

/** The donor itself: owned or to be bought, it is part of what the machine costs. */
export const donor: Rule = {
  id: 'donor',
  group: 'drive',
  origin: 'the bicycle that the work begins with',
  lines: ({ build }) => [
    {
      what: [build.donor.name.trim() === '' ? 'Donor bicycle' : build.donor.name],
      why: ['what the motor goes into'],
      main: true,
      kind: '',
    },
  ],
};
