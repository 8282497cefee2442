import type { Rule } from '../../line.ts';

/** What goes into the controller's own plug to set it. */
export const programmingLead: Rule = {
  id: 'programming-lead',
  group: 'wiring',
  origin: 'the build: settings go in by a lead',
  lines: ({ build: { controller } }) =>
    controller.reached === 'lead'
      ? [
          {
            what: ['Programming lead for the controller’s own plug'],
            why: ['nothing is set or read back without it'],
            ask: 'Which plug, which levels (3.3 or 5 V), and what program it wants: the maker’s lead is the safe one.',
          },
        ]
      : [],
};
