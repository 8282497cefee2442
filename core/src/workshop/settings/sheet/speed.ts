import type { Known } from '../../../document/known-build.ts';
import { throttleEnds } from '../../../document/throttle.ts';
import { qty, type Phrase } from '../../../quantity/phrase.ts';
import { kmhToMs } from '../../../quantity/units.ts';
import type { Job } from '../../job.ts';
import { isKnown, setting, typed, valueOf, type Setting } from './setting.ts';

/** What of these nobody has read. */
const unread = (needed: readonly Known[]): string =>
  needed
    .filter((k) => !isKnown(k))
    .map((k) => k.label.toLowerCase())
    .join(' and ');

/** The same as turns of the wheel, for controllers that ask for those; nothing while either is not said. */
function wheelTurns({ build, known: { donor } }: Job): Phrase {
  const end = typed(build.controller.assistCutoffKmh);
  if (end === undefined || !isKnown(donor.rolloutMm)) return [];
  const aMinute = (kmhToMs(end) * 60) / (donor.rolloutMm.value / 1000);
  return ['; at this roll-out ', qty(aMinute, 'rpm', 0), ' of the wheel'];
}

/** Where help ends, and what the speed is counted from. */
export function speed(job: Job): readonly Setting[] {
  const { build, known } = job;
  const { donor, drive } = known;
  const turns = drive.polePairs.value * drive.reduction.value;
  return [
    ...(build.controller.limitsSpeed
      ? [
          setting({
            key: 'help-ends',
            name: 'Help ends at',
            unit: 'km/h',
            of: build.controller.assistCutoffKmh,
            plan: typed(build.controller.assistCutoffKmh),
            because: ['Law holds the class against it', ...wheelTurns(job)],
            ifWrong: 'It decides the class. A limit acts at the speed that the controller believes in.',
          }),
          setting({
            key: 'help-fades',
            name: 'Help fades over the last',
            unit: 'km/h',
            of: build.controller.assistTaperKmh,
            plan: typed(build.controller.assistTaperKmh),
            because: ['a class may ask that help fades, and not that it stops at once'],
            ifWrong: 'Without a fade it pumps at the limit, and may be another class.',
          }),
        ]
      : []),
    ...(throttleEnds(build)
      ? [
          setting({
            key: 'throttle-ends',
            name: 'Throttle ends at',
            unit: 'km/h',
            of: build.controls.throttleCutoffKmh,
            plan: typed(build.controls.throttleCutoffKmh),
            because: ['Law holds the hand control against it'],
            ifWrong: 'Faster by the hand alone it may be another class.',
          }),
        ]
      : []),
    ...(build.controls.throttle === 'walk'
      ? [
          setting({
            key: 'walk-ends',
            name: 'Walk help to',
            unit: 'km/h',
            of: build.controls.walkCutoffKmh,
            plan: typed(build.controls.walkCutoffKmh),
            because: ['the class allows walk help up to there'],
            ifWrong: 'Faster than walking it is a throttle, and another class.',
          }),
        ]
      : []),
    setting({
      key: 'roll-out',
      name: 'Roll-out',
      unit: 'mm',
      digits: 0,
      tolerance: 5,
      plan: valueOf(donor.rolloutMm),
      because: [
        donor.rolloutMm.source === 'measured'
          ? 'measured'
          : 'worked out from wheel and tyre: measure one turn with the rider on it',
      ],
      ifWrong: 'Every speed and every kilometre is off by the same share, and so is a speed limit.',
    }),
    ...(build.drive.kind === 'mid-drive' || build.drive.commutation === 'brushes'
      ? []
      : [
          setting({
            key: 'poles',
            name: 'Pulses a turn of the wheel',
            unit: '1',
            digits: 0,
            tolerance: 0.5,
            plan: isKnown(drive.polePairs) && isKnown(drive.reduction) ? Math.round(turns) : undefined,
            because:
              isKnown(drive.polePairs) && isKnown(drive.reduction)
                ? [`${String(drive.polePairs.value)} pole pairs times `, qty(drive.reduction.value, '1', 2)]
                : [`not known yet: ${unread([drive.polePairs, drive.reduction])}`],
            ifWrong: 'Magnets in place of pairs show half the speed: a limit then acts at double.',
          }),
        ]),
  ];
}
