import type { Chain } from '../../../../power-chain/chain.ts';
import { qty, type Phrase } from '../../../../quantity/phrase.ts';
import { FULL_OVER_LABEL, ampsOf, fuseAmps } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** What the amps rest on that nobody has read, and how many they may be. */
function unread({ unknown, mostA }: NonNullable<Chain['battery']['open']>): Phrase {
  if (unknown.some(({ path }) => path === 'controller.batteryCurrentA'))
    return ['the controller’s amps are not known yet'];
  const labels = unknown.map(({ label }) => label.toLowerCase()).join(' and ');
  return [
    `${labels} not known yet`,
    ...(mostA === undefined ? [] : [': up to ', qty(mostA, 'A', 0), ' by that']),
  ];
}

/** For long, and at full throttle where that is more. */
function asked({ battery: { continuousA, peakA, open } }: Chain): Phrase {
  if (open !== undefined) return unread(open);
  const long = qty(continuousA, 'A', 0);
  return Math.round(peakA) > Math.round(continuousA)
    ? [long, ' asked for long, ', qty(peakA, 'A', 0), ' at full throttle']
    : [long, ' asked'];
}

/** What it guards, where that is known. */
function carried({ links }: Chain): Phrase {
  const lead = links.find(({ id }) => id === 'leads')?.continuousA;
  return lead === undefined ? [] : ['; the lead carries ', qty(lead, 'A', 0)];
}

/** Fuse with holder or breaker in the battery lead. */
export const fuse: Rule = {
  id: 'fuse',
  group: 'power',
  origin:
    'common practice: a fuse or direct-current breaker at the pack, above what is drawn and below what the lead carries',
  lines: ({ build: { cabling, packs, joining }, known, chain }) => {
    const volts =
      Math.max(...packs.map((_, i) => (known.packs[i] ?? known.packs[0]).nominalV.value)) * FULL_OVER_LABEL;
    const amps = fuseAmps(known, chain);
    const each = packs.length > 1 && joining.branchFuses !== 'no';
    return [
      {
        what: [
          cabling.protection === 'breaker' ? 'Breaker ' : 'Fuse with holder ',
          ...ampsOf(amps, known.cabling.fuseA, chain),
          ', direct current, at least ',
          qty(volts, 'V', 0),
        ],
        quantity: each ? packs.length : 1,
        why: [...asked(chain), ...carried(chain), ...(each ? ['; one at each pack'] : [])],
        ask: 'Ask for its direct-current volts: a part for cars breaks 32 V, and one for alternating current only breaks no arc.',
        // A larger one of the shelf guards nothing here.
        rated: { least: amps, most: amps },
        kind: cabling.protection === 'breaker' ? 'breaker' : 'fuse',
      },
    ];
  },
};
