import { qty } from '../../../../quantity/phrase.ts';
import { OVER_DRAWN } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** The pull-plug or main switch. */
export const mainSwitch: Rule = {
  id: 'main-switch',
  group: 'wiring',
  origin: 'the build: a pull-plug or main switch in the lead',
  lines: ({ build: { cabling }, chain }) =>
    cabling.passes.includes('pull-plug')
      ? [
          {
            what: [
              'Pull-plug or main switch, direct current, ',
              qty(Math.ceil(chain.battery.continuousA * OVER_DRAWN), 'A', 0),
            ],
            why: ['stops a runaway by hand'],
          },
        ]
      : [],
};
