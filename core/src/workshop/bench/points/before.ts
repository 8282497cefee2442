import type { Job } from '../../job.ts';
import { holdPoint, ticks, type HoldPoint } from '../hold-point.ts';

/** Before anything is undone: what it was like, and what nobody will remember. */
export const before = ({ build: { donor } }: Job): readonly HoldPoint[] => [
  holdPoint(
    'before',
    'photographs',
    'Photographs of both sides',
    'Left, right, bar, bracket and both axles, before the first bolt.',
    ticks('Left side', 'Right side', 'Bar and cables', 'Bracket and both axles'),
    { photograph: true, why: ['nobody remembers which washer sat where'] },
  ),
  holdPoint(
    'before',
    'labels',
    'Labels on cables and plugs',
    'A flag on both ends of whatever is parted; the order of washers on a wire.',
    ticks('Cables and plugs', 'Washers, spacers and cones in their order'),
    { why: ['the cable schedule prints the flags'] },
  ),
  ...(donor.keeps.length > 0
    ? [
        holdPoint(
          'before',
          'off',
          'What stays of its electrics is without current',
          'Battery or dynamo parted and laid aside; wait a minute, then meter the ends.',
          ticks('Source parted and covered', 'Ends at 0 V'),
          {
            guards: true,
            instrument: 'meter, volts',
            probes: { black: 'one end', red: 'the other end' },
            caution: 'Capacitors hold their charge for a while after the battery is out.',
            why: [`kept of the donor: ${donor.keeps.join(', ')}`],
          },
        ),
      ]
    : []),
];
