import { formatQuantity } from '../../../quantity/format.ts';
import type { Job } from '../../job.ts';
import { guardsOf } from '../../harness/devices.ts';
import { benchPacks } from '../scene.ts';
import { holdPoint, ticks, type HoldPoint } from '../hold-point.ts';

const CAUTION =
  'Looked at with the pack parted. A fuse for alternating current only draws an arc that does not end.';

/** The fuses or breakers of the battery leads, one at each pack or one for all, as somebody finds them. */
const found = ({ build, known }: Job): readonly string[] =>
  guardsOf(build, known).map(({ device: { tag }, pack }) => {
    const near = `within a hand’s width of ${pack === undefined ? 'the pack' : `pack ${String(pack + 1)}`}`;
    return known.cabling.fuseA.source === 'unknown'
      ? `${tag.split(' ')[0] ?? tag}, ${near}: its amps are read, and named in Power`
      : `${tag} is printed on it, ${near}`;
  });

const HOW = 'Read what is printed on it, in the hand; then into its holder, and a pull at the holder.';
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
        HOW,
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
      HOW,
      ticks(
        ...items,
        `Made for direct current of ${counted ? formatQuantity(full, 'V', 0) : 'the full pack’s volts'} or more`,
      ),
      {
        ...LOOKED_AT,
        part: items.map((item) => item.split(',')[0] ?? '').join(', '),
        why: ['what Power holds against lead and hill'],
        otherwise: 'Another one: Power is told what is there, and says whether lead and hill allow it.',
      },
    ),
  ];
}
