import { asksWhatFollows } from '../../../document/help-follows.ts';
import { qty, type Phrase } from '../../../quantity/phrase.ts';
import type { Job } from '../../job.ts';
import { setting, valueOf, type Setting } from './setting.ts';

/** Levels of help. */
function assist({ build, known }: Job): readonly Setting[] {
  const { controls } = build;
  return controls.assistSensor === 'none'
    ? []
    : [
        setting({
          key: 'levels',
          name: 'Levels of help',
          unit: '1',
          digits: 0,
          tolerance: 0.5,
          plan: controls.levels === 0 ? undefined : controls.levels,
          because: ['as the display counts them'],
          ifWrong: 'The display offers levels that the controller does not have.',
        }),
        ...(controls.assistSensor === 'torque'
          ? [
              setting({
                key: 'most-help',
                name: 'Help of the highest level',
                unit: '1',
                digits: 2,
                of: known.controls.assistRatio,
                plan: valueOf(known.controls.assistRatio),
                because: [
                  asksWhatFollows(build) && controls.helpFollows === 'torque'
                    ? 'torque at the wheel per torque at the cranks'
                    : 'motor watts per rider watt',
                ],
                ifWrong: 'The range is that of another level.',
              }),
            ]
          : []),
      ];
}

/** Clear of the lever’s own ends, so that a cold morning does not run it, V. Common practice, no source. */
const CLEAR_V = 0.1;

/** A lever that works gives at least so much between its ends, V. Common practice, no source: 1 to 4 V is usual. */
const LEAST_SPAN_V = 1;

/** The lever’s span as the bench read it; none where the readings cannot be those of a lever. */
function throttle({ build }: Job): readonly Setting[] {
  if (build.controls.throttle === 'none' || build.controls.throttle === 'walk') return [];
  const { restV, fullV, simulated } = build.settings.throttle;
  const amiss = restV !== null && fullV !== null && fullV - restV < LEAST_SPAN_V;
  const meter = simulated ? ' (simulated meter)' : '';
  const because = (end: string, at: number | null): Phrase => {
    if (amiss) return ['open and let go lie too near, or are turned about: read both again'];
    return at === null
      ? [`the signal ${end} is not read yet: the bench does`]
      : [
          `${end} the signal is `,
          qty(at, 'V', 2),
          `${meter}; `,
          qty(CLEAR_V, 'V', 1),
          ' clear of it, common practice',
        ];
  };
  return [
    setting({
      key: 'throttle-start',
      name: 'Throttle begins at',
      unit: 'V',
      digits: 2,
      plan: restV === null || amiss ? undefined : restV + CLEAR_V,
      because: because('at rest', restV),
      ifWrong:
        'Below the lever’s rest the wheel runs as it is switched on; far above it half the lever does nothing.',
    }),
    setting({
      key: 'throttle-end',
      name: 'Throttle all at',
      unit: 'V',
      digits: 2,
      plan: fullV === null || amiss ? undefined : fullV - CLEAR_V,
      because: because('fully open', fullV),
      ifWrong:
        'Above what the lever gives, all is never reached; too near the supply a broken ground reads as all.',
    }),
  ];
}

/** What a gentle start spares. */
const spared = ({ build: { drive } }: Job): string => {
  switch (drive.kind) {
    case 'mid-drive':
      return 'chain, cogs and a hub gear';
    case 'external':
      return `its own ${drive.medium === 'belt' ? 'belt and pulleys' : 'chain and sprockets'}`;
    case 'geared-hub':
      return 'the hub’s own gears and its clutch';
    case 'direct-drive-hub':
      return 'axle and dropouts';
  }
};

/** What no part asks a value of: a person may choose one. */
function byTaste(job: Job): readonly Setting[] {
  const { softStartS, autoOffMin } = job.build.settings.chosen;
  return [
    setting({
      key: 'soft-start',
      name: 'Soft start over',
      unit: 's',
      tolerance: 0.1,
      taste: true,
      plan: softStartS ?? undefined,
      because: [`a gentler start spares ${spared(job)}`],
      ifWrong: 'Without any, full pull comes at once; too long, and it is slow to leave a crossing.',
    }),
    setting({
      key: 'auto-off',
      name: 'Switches itself off after',
      unit: 'min',
      digits: 0,
      tolerance: 0.5,
      taste: true,
      plan: autoOffMin ?? undefined,
      because: ['what stays on empties the pack through winter'],
      ifWrong: 'With none a forgotten key takes the cells below what they stand.',
    }),
  ];
}

/** Levels, lever, and how it begins and ends. */
export const controls = (job: Job): readonly Setting[] => [...assist(job), ...throttle(job), ...byTaste(job)];
