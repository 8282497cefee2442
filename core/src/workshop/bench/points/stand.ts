import type { Job } from '../../job.ts';
import type { Known } from '../../../document/known-build.ts';
import { handLimit, helpLimit, isThrottle } from '../../../document/throttle.ts';
import { qty, type Phrase } from '../../../quantity/phrase.ts';
import { ALONE, benchMotors, benchPacks, ofIndex, type BenchMotor, type BenchPack } from '../scene.ts';
import { between, holdPoint, ticks, type HoldPoint } from '../hold-point.ts';

/** Unloaded speed against the predicted one. Common practice, no source: within a tenth. */
const WITHIN = 0.1;
/** Faster than the controller is to end it only by what a counter at the wheel is off by: beyond is another class. Common practice, no source. */
const COUNTED = 0.03;
/** Amps unloaded against the motor's label. Common practice, no source. */
const [IDLE_LEAST, IDLE_MOST] = [0.5, 1.6];

const CAUTION =
  'The wheel is off the ground and spins: hair, sleeves and fingers away, nobody in its plane, a hand on the plug.';

interface Expected {
  readonly low: number | null;
  readonly high: number | null;
  readonly why: Phrase;
}

/**
 * Speed off the ground: what the winding does on a full pack, or where the controller ends its help. A winding that nobody knows may
 * be slower than the limit, so that only the limit is held against; a limit that nobody knows may end it anywhere.
 */
function expectedSpeed(unloadedKmh: number | undefined, limit: Known | undefined, fullV: number): Expected {
  const most = limit === undefined || limit.source === 'unknown' ? undefined : limit.value;
  if (unloadedKmh === undefined)
    return most === undefined
      ? {
          low: null,
          high: null,
          why: ['winding or cells in series are not known: written down for the next time'],
        }
      : {
          low: null,
          high: (1 + COUNTED) * most,
          why: ['winding or cells are not known; the controller ends its help at ', qty(most, 'km/h', 1)],
        };
  if (most !== undefined && most < unloadedKmh)
    return {
      low: (1 - WITHIN) * most,
      high: (1 + COUNTED) * most,
      why: [
        'the controller ends its help at ',
        qty(most, 'km/h', 1),
        ', faster only by what a counter is off by; unlimited it would be ',
        qty(unloadedKmh, 'km/h', 0),
      ],
    };
  if (limit !== undefined && most === undefined)
    return {
      low: null,
      high: (1 + WITHIN) * unloadedKmh,
      why: [
        'where the controller ends its help is not known; unlimited it would be ',
        qty(unloadedKmh, 'km/h', 0),
      ],
    };
  return {
    low: (1 - WITHIN) * unloadedKmh,
    high: Math.min((1 + WITHIN) * unloadedKmh, most === undefined ? Infinity : (1 + COUNTED) * most),
    why: [
      qty(fullV, 'V', 1),
      ' at the charge it is filled to, tallest gear: ',
      qty(unloadedKmh, 'km/h', 0),
      ', a tenth either way',
    ],
  };
}

/** The same on whichever pack is the fastest. */
function onFastest(packs: readonly BenchPack[], limit: Known | undefined): Expected {
  const speeds = packs.map((p) => p.unloadedKmh);
  return expectedSpeed(
    speeds.includes(undefined) ? undefined : Math.max(...speeds.map((v) => v ?? 0)),
    limit,
    Math.max(...packs.map((p) => p.fullV)),
  );
}

/** What turns the motor on the stand: without a sensor at the pedals there are no levels of help. */
const BY_HAND = {
  hand: { throttle: 'Throttle', all: 'Full throttle' },
  either: { throttle: 'Throttle or walk help', all: 'Full throttle or highest help' },
} as const;

/** Wheel off the ground. */
export function stand(job: Job): readonly HoldPoint[] {
  const { build, known } = job;
  const { drive } = build;
  const packs = benchPacks(job);
  const limit = helpLimit(build, known);
  const together = onFastest(packs, limit);
  const motors = benchMotors(job);
  const brushed = drive.commutation === 'brushes';
  const { throttle, all } = BY_HAND[build.controls.assistSensor === 'none' ? 'hand' : 'either'];
  const oneMotor = motors.length > 1 ? ALONE : '';
  const alone = packs.length > 1 && build.joining.how !== 'parallel';
  return [
    ...motors.map((motor) =>
      holdPoint(
        'stand',
        ...motor.of('direction', 'It turns the right way'),
        `${oneMotor}${throttle}, a breath of it.`,
        ticks('Forwards, smooth'),
        {
          guards: true,
          part: drive.name,
          caution: CAUTION,
          otherwise: brushed
            ? 'Backwards: part the pack, then change its two leads over. Rough or sparking: brushes or commutator.'
            : 'Backwards or rough: Wire has the guide for phases and halls.',
        },
      ),
    ),
    ...packs
      .filter((_, i) => i === 0 || alone)
      .map((p) => {
        const { low, high, why } = expectedSpeed(p.unloadedKmh, limit, p.fullV);
        return holdPoint(
          'stand',
          ofIndex('speed', p.index),
          alone ? `Unloaded speed on ${p.name.toLowerCase()} alone` : 'Unloaded speed',
          `${all} for three seconds, tallest gear, pack charged; speed by a counter at the wheel.`,
          between('km/h', low, high),
          {
            instrument: 'wheel counter',
            part: `${drive.name}, ${p.part}`,
            caution: CAUTION,
            why,
            origin: 'derived',
            otherwise: `${limit === undefined ? '' : 'A little faster than the limit: it counts another wheel than is fitted, or ends later than is set; it decides the class, put it right before the road. '}A third off, or double: the display’s wheel, ${brushed ? 'magnets' : 'pole pairs'} or units. Set up names the cause. Slower on both: the winding is another than its label says.`,
          },
        );
      }),
    ...(alone && build.joining.how === 'combiner'
      ? [
          holdPoint(
            'stand',
            'speed-both',
            'Unloaded speed on all packs together',
            'Both switched on: the fuller one gives first, the speed is that of the higher volts.',
            between('km/h', together.low, together.high),
            {
              instrument: 'wheel counter',
              caution: CAUTION,
              part: packs.map((p) => p.part).join(', '),
              origin: 'derived',
              why: together.why,
            },
          ),
        ]
      : []),
    ...throttleAlone(job, packs),
    ...motors.flatMap((motor) => unloaded(job, motor, oneMotor)),
  ];
}

/** Where a throttle beside pedal help ends: a limit of the help may or may not hold it, and by the hand it may be another class. */
function throttleAlone({ build, known }: Job, packs: readonly BenchPack[]): readonly HoldPoint[] {
  const limit = handLimit(build, known);
  if (!isThrottle(build) || build.controls.assistSensor === 'none' || limit === undefined) return [];
  const { low, high, why } = onFastest(packs, limit);
  const turned = build.controls.throttle === 'pedalling' ? 'Cranks turned, throttle' : 'Throttle alone,';
  return [
    holdPoint(
      'stand',
      'throttle-speed',
      'Where the throttle ends',
      `${turned} wide open for three seconds, lowest level of help; speed by a counter at the wheel.`,
      between('km/h', low, high),
      {
        instrument: 'wheel counter',
        part: build.controller.name,
        caution: CAUTION,
        why,
        origin: 'derived',
        otherwise:
          'Faster: the limit holds the help of the pedals alone, and by the hand it is another class. Give the throttle a limit of its own, or say at Drive that nothing holds it.',
      },
    ),
  ];
}

/** What a motor draws and how it sounds with nothing to drive. */
function unloaded({ build: { drive }, known }: Job, motor: BenchMotor, alone: string): readonly HoldPoint[] {
  const idle = known.drive.noLoadA;
  return [
    holdPoint(
      'stand',
      ...motor.of('idle', 'Amps at unloaded speed'),
      `${alone}By the display or a clamp on the battery lead, at full speed.`,
      between(
        'A',
        idle.source === 'unknown' ? null : IDLE_LEAST * idle.value,
        idle.source === 'unknown' ? null : IDLE_MOST * idle.value,
      ),
      {
        instrument: 'display',
        part: drive.name,
        caution: CAUTION,
        why:
          idle.source === 'unknown'
            ? ['its label is not known: written down for the next time']
            : [qty(idle.value, 'A', 1), ' by its label'],
        otherwise:
          drive.commutation === 'brushes'
            ? 'Far more, and warm: brushes, a bearing or a chain that is too tight.'
            : 'Three times as much and rough: the hall order is wrong by a step.',
      },
    ),
    holdPoint(
      'stand',
      ...motor.of('sound', 'Sound, and how it coasts'),
      'Let go at full speed: it runs down evenly, no grinding, no shudder; turned by hand it drags as little as such a motor does.',
      ticks('No grinding or rattle', 'Runs down evenly', 'Brakes stop it at once'),
      {
        part: drive.name,
        caution: CAUTION,
        why: [
          drive.freewheel
            ? 'with a freewheel inside: the wheel runs on'
            : 'without a freewheel: some drag is its nature',
        ],
      },
    ),
  ];
}
