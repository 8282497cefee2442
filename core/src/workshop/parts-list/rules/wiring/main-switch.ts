import { RINGS_PEAK } from '../../../../power-chain/chain.ts';
import { ampsOf, ratedAmps } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** The pull-plug or main switch. */
export const mainSwitch: Rule = {
  id: 'main-switch',
  group: 'wiring',
  origin: 'the build: a pull-plug or main switch in the lead',
  lines: ({ build: { cabling }, known, chain }) => {
    if (!cabling.passes.includes('pull-plug')) return [];
    const amps = Math.ceil(ratedAmps(known.cabling.pullPlugA, chain, RINGS_PEAK));
    return [
      {
        what: ['Pull-plug or main switch, direct current, ', ...ampsOf(amps, known.cabling.pullPlugA, chain)],
        why: ['stops a runaway by hand'],
        rated: { least: amps, most: undefined },
      },
    ];
  },
};
