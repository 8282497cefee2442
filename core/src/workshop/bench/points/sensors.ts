import type { Job } from '../../job.ts';
import { hasHandLever } from '../../../document/throttle.ts';
import { qty } from '../../../quantity/phrase.ts';
import { benchMotors, leverEnds } from '../scene.ts';
import { between, holdPoint, ticks, type HoldPoint } from '../hold-point.ts';

/** Of a 5 V sensor, V. Common practice, no source: workshop values. */
const SUPPLY_V = [4.3, 5.3] as const;
const REST_V = [0.8, 1.1] as const;
const FULL_V = [3.5, 4.2] as const;
const TORQUE_REST_V = [0.7, 1.8] as const;

const volts = { instrument: 'meter, volts' } as const;
const signal: Pick<HoldPoint, 'instrument' | 'probes'> = {
  ...volts,
  probes: { black: 'ground', red: 'signal' },
};

/** Each sensor before the motor is let loose. */
export function sensors(job: Job): readonly HoldPoint[] {
  const { build } = job;
  const motors = benchMotors(job);
  const levers = leverEnds(job);
  const { controls, donor, drive, controller } = build;
  const inside = controller.place === 'motor' && drive.kind === 'mid-drive';
  return [
    holdPoint(
      'sensors',
      'supply',
      'Supply of the sensors',
      'From behind, at the throttle’s or a sensor’s plug: supply to ground.',
      between('V', ...SUPPLY_V),
      {
        ...volts,
        probes: { black: 'ground', red: '5 V' },
        part: controller.name,
        why: ['5 V within what such supplies hold'],
        otherwise: 'None: a short in one sensor takes it down. Part them one by one.',
      },
    ),
    ...(!hasHandLever({ controls })
      ? []
      : [
          holdPoint(
            'sensors',
            'throttle-rest',
            'Throttle at rest',
            'Signal to ground, throttle let go, bar turned to both locks.',
            between('V', ...REST_V),
            {
              ...signal,
              guards: true,
              part: controls.throttleKind,
              caution:
                'A resting value above the start threshold runs the machine away when it is switched on.',
              why: [qty(REST_V[0], 'V', 1), ' to ', qty(REST_V[1], 'V', 1)],
              otherwise:
                'Always near 1 V and never more: no magnet, another throttle, or the wrong one of two motor plugs. High at rest: two pins turned, or ground missing.',
            },
          ),
          holdPoint(
            'sensors',
            'throttle-full',
            'Throttle fully open',
            'Signal to ground, opened slowly: it rises without a jump and comes back by itself.',
            between('V', ...FULL_V),
            {
              ...signal,
              part: controls.throttleKind,
              why: [qty(FULL_V[0], 'V', 1), ' to ', qty(FULL_V[1], 'V', 1)],
              caution: 'Wheel off the ground, motor plug parted if it can be.',
            },
          ),
        ]),
    ...(controls.assistSensor === 'torque'
      ? [
          holdPoint(
            'sensors',
            'torque-rest',
            'Torque sensor, nobody on the pedals',
            'Signal to ground; then press: it rises.',
            between('V', ...TORQUE_REST_V),
            {
              ...signal,
              part: controls.assistSensor,
              why: ['resting span of such sensors'],
            },
          ),
        ]
      : []),
    ...(controls.assistSensor === 'none'
      ? []
      : [
          holdPoint(
            'sensors',
            'assist',
            'Assist sensor counts forwards only',
            'Cranks turned slowly by hand: the signal goes up and down with each magnet; backwards it asks for nothing.',
            ticks('Toggles forwards', 'No help backwards'),
            { ...signal, guards: true, part: controls.assistSensor },
          ),
        ]),
    ...(drive.commutation === 'electronic' && !inside && controller.place !== 'motor'
      ? motors.map((motor) =>
          holdPoint(
            'sensors',
            ...motor.of('halls', 'Three hall lines toggle'),
            'Each line to ground while the wheel is turned slowly by hand: between 0 and 5 V, never all three alike at 120 degrees.',
            ticks('A', 'B', 'C'),
            {
              ...volts,
              probes: { black: 'ground', red: 'each line in turn' },
              part: drive.name,
              otherwise: 'One stays put: its pin, its lead, or the sensor. Wire has the pins.',
            },
          ),
        )
      : []),
    holdPoint(
      'sensors',
      'brakes',
      'Brake sensors act before the pads do',
      'Each lever slowly: the display’s brake sign or the signal changes at the start of its travel.',
      ticks(
        ...levers.map((end) => `${end} lever`),
        ...(levers.length === 0 ? ['No lever: another way to stop the motor is tried'] : []),
      ),
      {
        ...signal,
        guards: true,
        part: donor.levers,
        caution: 'A motor that pushes against the brakes wins.',
      },
    ),
  ];
}
