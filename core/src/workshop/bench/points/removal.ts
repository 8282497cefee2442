import { stays } from '../../../document/kept.ts';
import type { Job } from '../../job.ts';
import { isHub } from '../../job.ts';
import { drivesBoth } from '../../../document/motors.ts';
import { PULLER, comesOut } from '../../parts-list/helpers.ts';
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

/** Cranks and bracket, where they come out for a motor in the shell or for a sensor at the spindle. */
function atBracket({ build }: Job): readonly HoldPoint[] {
  const { donor } = build;
  const { cranks, bracket } = comesOut(build);
  const both = bracket !== undefined;
  return [
    ...(cranks === undefined
      ? []
      : [
          holdPoint(
            'removal',
            'pedals',
            both ? 'Pedals and cranks off' : 'Crank off on the side of the sensor',
            `${both ? '' : 'A ring that is split goes on without. '}The left pedal has a reversed thread: it comes off clockwise. ${PULLER[donor.cranks]}: home in its thread before it is turned.`,
            both
              ? ticks('Left pedal, reversed thread', 'Right pedal', 'Both cranks')
              : ticks('Crank off, or the ring is split'),
            { part: donor.cranks, why: [`cranks: ${donor.cranks}; ${cranks}`] },
          ),
        ]),
    ...(bracket === undefined
      ? []
      : [
          holdPoint(
            'removal',
            'bracket',
            'Bottom bracket out',
            SHELL[donor.shell][0],
            ticks(...SHELL[donor.shell][1]),
            {
              part: donor.shell,
              why: [`shell: ${donor.shell}; ${bracket}`],
              otherwise:
                'Stuck: penetrating oil and a day, a tool that bears on the whole cup, never heat near paint and bearings.',
            },
          ),
        ]),
  ];
}

/** Wheels that give way to a motor's. */
function wheels(job: Job): readonly HoldPoint[] {
  if (!isHub(job) || stays(job.build, 'motor')) return [];
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

/** What has to come off, with the threads that are turned the other way. */
export const removal = (job: Job): readonly HoldPoint[] => [...atBracket(job), ...wheels(job)];
