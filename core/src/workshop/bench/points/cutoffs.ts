import type { Job } from '../../job.ts';
import { ofPack } from '../../../document/pack-names.ts';
import { cutoffSpan, miscutPacks } from '../../../power-chain/cutoff-span.ts';
import { qty, type Phrase } from '../../../quantity/phrase.ts';
import { leverEnds } from '../scene.ts';
import { between, holdPoint, ticks, type HoldPoint } from '../hold-point.ts';

/** From the lever to no push, s. Common practice, no source. */
const STOPS_S = 0.5;
/** What a setting may be off by when it is read back. */
const [READ_V, READ_KMH] = [0.1, 0.1];
/** Half of the last digit that is shown, km/h. */
const ROUNDED_KMH = 0.05;

/** What the controller shows of its cut-off: as planned, or, where the plan's own is for another pack, one that suits the cells. */
function lowVolts({ build, known }: Job): HoldPoint {
  const low = known.controller.lowVoltageCutoffV;
  const isKnown = low.source !== 'unknown';
  const [wrong] = isKnown ? miscutPacks(build, known) : [];
  const planned = isKnown ? ([low.value - READ_V, low.value + READ_V] as const) : undefined;
  const span = wrong === undefined ? planned : cutoffSpan(build, known);
  const why = (): Phrase => {
    if (!isKnown) return ['no value in the plan yet: Power asks for it'];
    return wrong === undefined
      ? ['the plan’s ', qty(low.value, 'V', 1)]
      : [
          'the plan’s ',
          qty(low.value, 'V', 1),
          ` is set for another pack${ofPack(build, wrong.index)}, `,
          ...wrong.why,
          ' Put it right under Power first',
        ];
  };
  return holdPoint(
    'cutoffs',
    'low-volts',
    'Low-voltage cut-off, read back',
    'As the controller itself shows it after it was written; the settings sheet has the name.',
    between('V', span?.[0] ?? null, span?.[1] ?? null),
    {
      instrument: 'programmer',
      part: build.controller.name,
      why: why(),
      otherwise: 'Set for another number of cells it empties a pack to death, or stops it on the first hill.',
    },
  );
}

/** What has to stop the motor, each tried on the stand. */
export function cutoffs(job: Job): readonly HoldPoint[] {
  const { donor, controller, controls } = job.build;
  const levers = [...leverEnds(job)];
  // As it is put in: a controller shows no other, whatever wheel it holds.
  const end = controller.assistCutoffKmh;
  return [
    ...(levers.length === 0
      ? []
      : [
          holdPoint(
            'cutoffs',
            'brake',
            levers.length === 1 ? 'The brake lever stops the motor' : 'Each brake lever stops the motor',
            'Motor running, one lever at a time, by ear or by a video of the display.',
            { kind: 'readings', unit: 's', names: levers, low: 0, high: STOPS_S, spread: null },
            {
              guards: true,
              instrument: 'clock',
              part: donor.levers,
              caution: 'Wheel off the ground, nobody in its plane.',
              why: ['less than ', qty(STOPS_S, 's', 1)],
            },
          ),
        ]),
    holdPoint(
      'cutoffs',
      'runaway',
      'Three ways to stop a motor that runs away',
      'Motor running a little: brake lever, key or display, and the plug or switch that a hand finds in the dark.',
      ticks('Brake lever', 'Key or display', 'Plug or main switch'),
      { guards: true, caution: 'Whoever rides it has to have done this once.' },
    ),
    ...(controls.assistSensor === 'none'
      ? []
      : [
          holdPoint(
            'cutoffs',
            'pedals',
            'Help ends when the pedals stop',
            'Cranks turned until it helps, then held.',
            ticks('Ends within a moment', 'None backwards'),
            { guards: true, part: controls.assistSensor },
          ),
        ]),
    lowVolts(job),
    ...(controller.limitsSpeed
      ? [
          holdPoint(
            'cutoffs',
            'speed',
            'End of help, read back',
            'As the controller shows it; held against the road on the first ride.',
            between(
              'km/h',
              end.source === 'unknown' ? null : end.value - READ_KMH,
              // Faster than planned is another class, if only by little: no more than is rounded in showing it.
              end.source === 'unknown' ? null : end.value + ROUNDED_KMH,
            ),
            {
              instrument: 'programmer',
              part: controller.name,
              why:
                end.source === 'unknown'
                  ? ['no value in the plan yet']
                  : ['the plan’s ', qty(end.value, 'km/h', 1)],
              otherwise: 'It decides the class: put it right before the road.',
            },
          ),
        ]
      : []),
  ];
}
