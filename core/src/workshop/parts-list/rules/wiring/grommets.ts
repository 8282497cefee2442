import type { Rule } from '../../line.ts';

/** Grommets and strain reliefs where the controller sits in a box. */
export const grommets: Rule = {
  id: 'grommets',
  group: 'wiring',
  origin: 'common practice: a cable through sheet metal wants a grommet and strain relief',
  lines: ({ build: { controller } }) =>
    controller.place === 'box'
      ? [
          {
            what: ['Cable glands or grommets for the controller’s box'],
            why: ['edges cut insulation; plugs are no strain relief'],
            unit: 'set',
          },
        ]
      : [],
};
