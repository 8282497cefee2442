import { heldBy, type Job } from '../../job.ts';
import { dutyFor } from '../../parts-list/helpers.ts';
import { brakeEnds } from '../scene.ts';
import { RETIGHTENED, retightened } from '../retightened.ts';
import { holdPoint, ticks, type HoldPoint } from '../hold-point.ts';

/** The first ride, and what is looked at again after it. */
export function ride(job: Job): readonly HoldPoint[] {
  const ends = brakeEnds(job);
  const { controller, controls } = job.build;
  const gentle = controls.assistSensor === 'none' ? 'Throttle barely open' : 'Lowest level';
  const labelled = dutyFor(job.duties, 'label') !== undefined;
  return [
    holdPoint(
      'ride',
      'short',
      'A short ride in an empty place',
      `${gentle}, helmet, a few hundred metres; stop if anything smells, rattles or is warm.`,
      ticks(
        'Starts and stops as meant',
        ...(controller.limitsSpeed ? ['Help ends where it should'] : []),
        'Nothing hot',
      ),
      { guards: true, caution: 'No road yet: a private, empty, level place.' },
    ),
    holdPoint(
      'ride',
      'brakes',
      ends.length > 1 ? 'Both brakes at riding speed' : 'The brake at riding speed',
      ends.length > 1
        ? 'One at a time, then both, with the load it will carry.'
        : 'With the load it will carry. One brake alone is one failure from none.',
      ticks(
        ...(ends.length === 0 ? ['A brake is fitted, and stops it loaded'] : ends),
        ...(ends.length > 1 ? ['Both, loaded'] : []),
      ),
      { guards: true },
    ),
    holdPoint(
      'ride',
      'again',
      RETIGHTENED[heldBy(job)].again,
      'The torque wrench again on everything that was tightened; nothing has moved.',
      ticks(...retightened(job), 'Pack’s fixings'),
      { guards: true, instrument: 'torque wrench' },
    ),
    holdPoint(
      'ride',
      'rattles',
      'Rattles, reach and comfort',
      'What rattles, what is out of reach, what rubs: while it can still be changed.',
      {
        kind: 'words',
        ask: 'Noted, or nothing',
      },
      { locks: false },
    ),
    ...(labelled
      ? [
          holdPoint(
            'ride',
            'label',
            'The class label is on it',
            'As Law states it; where it can be read.',
            ticks('On, legible'),
            {
              photograph: true,
              locks: false,
              why: ['a duty of its class at this place'],
            },
          ),
        ]
      : []),
  ];
}
