import { stays } from '../../../document/kept.ts';
import type { Job } from '../../job.ts';
import { isHub } from '../../job.ts';
import { drivesBoth } from '../../../document/motors.ts';
import { PULLER } from '../../parts-list/helpers.ts';
import { benchMotors } from '../scene.ts';
import { holdPoint, ticks, type HoldPoint } from '../hold-point.ts';

const SHELL: Readonly<
  Record<Job['build']['donor']['shell'], readonly [how: string, items: readonly string[]]>
> = {
  threaded: [
    'On the usual shell (1.37 in by 24) the cup of the drive side has a reversed thread: it comes out clockwise; the left one comes out as usual. An Italian shell (36 mm) has both as usual.',
    ['Drive side: reversed thread', 'Left side: usual thread', 'Threads cleaned, face sound'],
  ],
  unthreaded: [
    'Drive the bearings out evenly from the other side; nothing is screwed here.',
    ['Both bearings out', 'Bore cleaned, no score'],
  ],
  none: ['There is no shell: look at what the motor is held by instead.', ['Seat looked at']],
  unknown: [
    'Find out whether the shell is threaded before force is used: a threaded drive side comes out clockwise.',
    ['Kind of shell found', 'Both sides out', 'Cleaned'],
  ],
};

const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);

/** What has to come off, with the threads that are turned the other way. */
export function removal(job: Job): readonly HoldPoint[] {
  const { donor, drive } = job.build;
  if (stays(job.build, 'motor')) return [];
  if (drive.kind === 'mid-drive')
    return [
      holdPoint(
        'removal',
        'pedals',
        'Pedals and cranks off',
        `The left pedal has a reversed thread: it comes off clockwise. ${PULLER[donor.cranks]}: home in its thread before it is turned.`,
        ticks('Left pedal, reversed thread', 'Right pedal', 'Both cranks'),
        { part: donor.cranks, why: [`cranks: ${donor.cranks}`] },
      ),
      holdPoint(
        'removal',
        'bracket',
        'Bottom bracket out',
        SHELL[donor.shell][0],
        ticks(...SHELL[donor.shell][1]),
        {
          part: donor.shell,
          why: [`shell: ${donor.shell}`],
          otherwise:
            'Stuck: penetrating oil and a day, a tool that bears on the whole cup, never heat near paint and bearings.',
        },
      ),
    ];
  if (!isHub(job)) return [];
  return benchMotors(job).map(({ end, name, of }, i) => {
    // Of two on one axle the title says which; of one in each wheel the wheel does.
    const [key, title] = of('wheel', `${capital(end)} wheel out`);
    return holdPoint(
      'removal',
      key,
      drivesBoth(job.build) ? `${capital(end)} wheel out` : title,
      end === 'rear'
        ? 'Chain off first; note how chain tugs and washers sat; cover a disc.'
        : 'Note how washers and tabs sat; cover a disc.',
      ticks('Wheel out', 'Washers and tugs noted', 'Disc covered or taken off'),
      { why: [i === 0 && name === '' ? `the motor sits in the ${end} wheel` : `a motor sits in it`] },
    );
  });
}
