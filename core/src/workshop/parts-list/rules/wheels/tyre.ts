import { within } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** Tyre and tube of the new wheel size. */
export const tyre: Rule = {
  id: 'tyre',
  group: 'wheels',
  origin: 'the build: another bead seat than the donor’s own',
  lines: ({ known: { donor } }) =>
    donor.ownBeadMm.source !== 'unknown' && Math.abs(donor.ownBeadMm.value - donor.beadMm.value) > 1
      ? [
          {
            what: [
              `Tyre ${String(Math.round(donor.tyreMm.value))}-${String(Math.round(donor.beadMm.value))} and tube`,
            ],
            why: ['the motor’s rim is of another size'],
            unit: 'set',
            from: {
              type: 'tyre',
              suits: (p) =>
                p.type === 'tyre' &&
                within(p.beadMm, donor.beadMm.value, 0.004) &&
                within(p.tyreMm, donor.tyreMm.value, 0.15),
            },
          },
        ]
      : [],
};
