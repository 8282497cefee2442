import { formatQuantity } from '../../../quantity/format.ts';
import type { Job } from '../../job.ts';
import { packsFeed } from '../../../document/current-cables.ts';
import { guardsOf } from '../../harness/devices.ts';
import { benchPacks } from '../scene.ts';
import { holdPoint, ticks, type HoldPoint } from '../hold-point.ts';

const CAUTION =
  'Looked at with the pack parted. What is made for alternating current only draws an arc that does not end.';

/** The fuses or breakers of the battery leads, one at each pack or one for all, as somebody finds them. */
function found({ build, known }: Job): readonly string[] {
  const forAll = packsFeed(build) === 'combiner' ? 'where the packs meet' : 'the pack';
  return guardsOf(build, known).map(({ device: { tag }, pack }) => {
    const near = `within a hand’s width of ${pack === undefined ? forAll : `pack ${String(pack + 1)}`}`;
    const [letter = '', ...amps] = tag.split(' ');
    return known.cabling.fuseA.source === 'unknown'
      ? `${letter}: its amps are read, and named in Power; ${near}`
      : `${letter}: ${amps.join(' ')} is printed on it; ${near}`;
  });
}

/** Common practice, no source. */
const HOW = {
  fuse: 'Read what is printed on it, in the hand; then into its holder, and a pull at the holder.',
  breaker:
    'Read what is printed on it; once off and on by hand, and a pull at each lead. Where its sides are marked, the pack is at the one that is meant for it.',
  unknown: 'Read what is printed on it, and look where it sits.',
} as const;
const LOOKED_AT = { guards: true, photograph: true, caution: CAUTION } as const;

/** What opens by itself when a lead is shorted is there, and is what the plan has. */
export function guard(job: Job): readonly HoldPoint[] {
  const { protection } = job.build.cabling;
  // Power stops for one that is not there: there is nothing to look at.
  if (protection === 'none') return [];
  if (protection === 'unknown')
    return [
      holdPoint(
        'cold',
        'fuse',
        'A fuse or breaker guards the battery lead',
        HOW.unknown,
        { kind: 'words', ask: 'Kind, amps and volts as printed, and where it sits' },
        {
          ...LOOKED_AT,
          otherwise: 'None there: one for direct current is fitted before anything is joined.',
        },
      ),
    ];
  const packs = benchPacks(job);
  const counted = packs.every(({ rest }) => rest.high !== null);
  const full = Math.ceil(Math.max(...packs.map(({ fullV }) => fullV)));
  const items = found(job);
  return [
    holdPoint(
      'cold',
      'fuse',
      `The ${protection} ${items.length > 1 ? 'at each pack ' : ''}is the one of the plan`,
      HOW[protection],
      ticks(
        ...items,
        ...(packs.length > 1 && job.build.joining.branchFuses === 'unknown'
          ? ['One at each pack, or one for all: looked at, and named in Power']
          : []),
        `Made for direct current of ${counted ? formatQuantity(full, 'V', 0) : 'the full pack’s volts'} or more`,
      ),
      {
        ...LOOKED_AT,
        part: items.map((item) => item.split(';')[0] ?? '').join(', '),
        why: ['what Power holds against lead and hill'],
        otherwise: 'Another one: Power is told what is there, and says whether lead and hill allow it.',
      },
    ),
  ];
}
