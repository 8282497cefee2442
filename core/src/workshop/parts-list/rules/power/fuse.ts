import { qty } from '../../../../quantity/phrase.ts';
import { FULL_OVER_LABEL, fuseAmps } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** Fuse with holder or breaker in the battery lead. */
export const fuse: Rule = {
  id: 'fuse',
  group: 'power',
  origin:
    'common practice: a fuse or direct-current breaker at the pack, above what is drawn and below what the lead carries',
  lines: ({ build: { cabling, packs }, known, chain }) => {
    const volts =
      Math.max(...packs.map((_, i) => (known.packs[i] ?? known.packs[0]).nominalV.value)) * FULL_OVER_LABEL;
    const amps = fuseAmps(known, chain);
    return [
      {
        what: [
          cabling.protection === 'breaker' ? 'Breaker ' : 'Fuse with holder ',
          qty(amps, 'A', 0),
          ', direct current, at least ',
          qty(volts, 'V', 0),
        ],
        why: [
          qty(chain.battery.continuousA, 'A', 0),
          ' asked for long, ',
          qty(chain.battery.peakA, 'A', 0),
          ' at full throttle; a part for cars breaks 32 V, and one for alternating current only does not break an arc',
        ],
        kind: cabling.protection === 'breaker' ? 'breaker' : 'fuse',
      },
    ];
  },
};
