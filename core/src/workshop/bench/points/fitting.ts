import { toldApart } from '../../../quantity/told-apart.ts';
import { stays } from '../../../document/kept.ts';
import type { BrakeKind } from '../../../document/choices.ts';
import { hasHandLever } from '../../../document/throttle.ts';
import { STAY_GAP_MM } from '../../../fit/spacers.ts';
import type { Known } from '../../../document/known-build.ts';
import { firstOf } from '../../../quantity/first-of.ts';
import { isHub, type Job } from '../../job.ts';
import { comesOut } from '../../parts-list/helpers.ts';
import { qty, type Phrase } from '../../../quantity/phrase.ts';
import { between, holdPoint, ticks, torque, type HoldPoint } from '../hold-point.ts';
import { benchMotors, type BenchMotor } from '../scene.ts';

/** Torque of an axle nut by the axle, N m. From memory; the maker's figure wins. */
const NUT_NM: readonly (readonly [uptoMm: number, low: number, high: number])[] = [
  [10.5, 25, 35],
  [12.5, 35, 45],
  [Infinity, 40, 55],
];
const nutTorque = ({ source, value }: Known): readonly [number, number] | undefined => {
  if (source === 'unknown') return undefined;
  const row = NUT_NM.find(([upto]) => value <= upto);
  return row === undefined ? undefined : [row[1], row[2]];
};

/** Crank bolts of square taper and of splines, N m. Common practice, no source. */
const CRANK_NM = [35, 40] as const;
/** The six bolts of a rotor, N m. From memory. */
const ROTOR_NM = [4, 6] as const;
/** Bolts of a bottle boss, N m. From memory. */
const BOSS_NM = [2, 4] as const;

const isDisc = (kind: BrakeKind): boolean => kind === 'cable-disc' || kind === 'hydraulic-disc';

/** One axle in its dropouts. */
function axle(job: Job, motor: BenchMotor): readonly HoldPoint[] {
  const { build, known } = job;
  const { drive } = build;
  const nuts = nutTorque(known.drive.axleMm);
  const why: Phrase =
    nuts === undefined
      ? ['the axle has not been measured: the maker’s figure is written down']
      : ['axle of ', qty(known.drive.axleMm.value, 'mm', 0), '; the maker’s figure wins'];
  const arms = drive.torqueArms === 1 ? 'Torque arm on the flats' : 'Torque arms on the flats';
  const brake = motor.end === 'front' ? build.donor.brakeFront : build.donor.brakeRear;
  return [
    ...(stays(build, 'motor')
      ? []
      : [
          holdPoint(
            'fitting',
            ...motor.of('seat', 'Axle seated in both dropouts'),
            'The flats bear over their whole length on both sides; nothing stands on a fillet or on paint.',
            ticks('Left side', 'Right side', 'Cable leaves downwards, away from the disc'),
            {
              guards: true,
              part: drive.name,
              photograph: true,
              caution: 'An axle that turns tears its leads out and lets the wheel go.',
            },
          ),
        ]),
    ...(drive.torqueArms > 0
      ? [
          holdPoint(
            'fitting',
            ...motor.of('arms', arms),
            'No play on the flats; clamped to the stay or fork so that the arm is pushed, not pulled, by the torque; locker on its bolts.',
            ticks(
              ...['Left', 'Right']
                .slice(0, drive.torqueArms)
                .map((side) => `${drive.torqueArms === 1 ? 'One' : side} arm: no play, clamped`),
            ),
            {
              guards: true,
              part: drive.name,
              why: [`${String(drive.torqueArms)} in the plan`],
              caution: 'With regeneration the torque turns round: an arm has to hold both ways.',
            },
          ),
        ]
      : []),
    holdPoint(
      'fitting',
      ...motor.of('nuts', 'Axle nuts tightened'),
      'Torque wrench, both sides in turn; locker as the maker says.',
      {
        kind: 'readings',
        unit: 'N m',
        names: ['Left', 'Right'],
        low: nuts?.[0] ?? null,
        high: nuts?.[1] ?? null,
        spread: null,
      },
      { guards: true, instrument: 'torque wrench', why, origin: 'from memory', part: drive.name },
    ),
    holdPoint(
      'fitting',
      ...motor.of('wheel', 'Wheel turns freely, true and clear'),
      'Spin by hand: no rub at brake, mudguard or stay, cable clear of disc; spokes of one side ring alike.',
      ticks('No rub', 'True', 'Spokes alike on each side'),
      { part: drive.name },
    ),
    // Whether the motor takes a rotor may not have been looked at yet: its bolts are not left out for that.
    ...(drive.discMount !== 'no' && isDisc(brake)
      ? [
          holdPoint(
            'fitting',
            ...motor.of('rotor', 'Rotor bolts tightened'),
            'Crosswise, with locker.',
            torque(...ROTOR_NM),
            {
              guards: true,
              instrument: 'torque wrench',
              origin: 'from memory',
              why: ['six bolts of M5'],
            },
          ),
        ]
      : []),
  ];
}

const hub = (job: Job): readonly HoldPoint[] => benchMotors(job).flatMap((motor) => axle(job, motor));

/** The chain that the motor pulls: behind a mechanism, or on one cog whose slack is set by hand. */
function chain({ build: { drive, donor, gearing } }: Job): HoldPoint {
  const one = gearing.cogTeeth.length === 1;
  const back = donor.brakeRear === 'coaster' ? 'Pedalled back, it brakes' : 'Backwards without a jam';
  return holdPoint(
    'fitting',
    'chain',
    one ? 'Chain runs true, with slack' : 'Chain runs in every gear',
    one
      ? 'Cranks turned by hand, forwards and back: at its tightest place it still moves 10 to 15 mm up and down, midway.'
      : 'Cranks turned by hand through all gears, forwards and back; no click, nothing pulled tight in the largest cog.',
    ticks(
      ...(one ? ['Nowhere tight', 'In line with ring and cog'] : ['All gears', 'Largest cog not tight']),
      ...(one && gearing.hubRatios.length > 0 ? ['Every gear of the hub goes in'] : []),
      back,
    ),
    { part: drive.name },
  );
}

function cranks({ build: { donor } }: Job, ...names: string[]): HoldPoint {
  const usual = donor.cranks === 'square' || donor.cranks === 'splined';
  return holdPoint(
    'fitting',
    'cranks',
    names.length > 1 ? 'Crank bolts tightened' : 'Crank bolt tightened',
    'Locker on the thread, grease on no taper.',
    {
      kind: 'readings',
      unit: 'N m',
      names,
      low: usual ? CRANK_NM[0] : null,
      high: usual ? CRANK_NM[1] : null,
      spread: null,
    },
    {
      guards: true,
      instrument: 'torque wrench',
      part: donor.cranks,
      why: ['35 to 40 N m on taper and splines; others as the maker says'],
    },
  );
}

/** A sensor at the spindle, and the cranks that came off for it. */
function sensor(job: Job): readonly HoldPoint[] {
  const { cranks: off, bracket } = comesOut(job.build);
  if (off === undefined || job.build.drive.kind === 'mid-drive') return [];
  return [
    holdPoint(
      'fitting',
      'sensor',
      bracket === undefined ? 'Sensor and ring at the crank' : 'Sensor home in the shell',
      bracket === undefined
        ? 'The ring turns with the crank and past the sensor in line, without touching; the lead lies clear of crank and chain.'
        : 'Cups tightened as their maker says, the drive side against its usual sense where the thread is reversed; the lead leaves where nothing pinches it.',
      ticks('Home and square', 'Turns without a rub', 'Lead clear of crank and chain'),
      { part: job.build.controls.assistSensor },
    ),
    cranks(job, ...(bracket === undefined ? ['Crank that was off'] : ['Left', 'Right'])),
  ];
}

function middle(job: Job): readonly HoldPoint[] {
  const { drive } = job.build;
  return [
    ...(stays(job.build, 'motor')
      ? []
      : [
          holdPoint(
            'fitting',
            'body',
            'Motor through the shell, no gap',
            'Pushed home by hand, spacers as in the plan; the body bears on frame or bracket before the ring is tightened.',
            ticks(
              'Home on the shell',
              'Bears on the frame or its strap',
              'Lock ring tightened to the maker’s torque',
            ),
            {
              guards: true,
              part: drive.name,
              photograph: true,
              caution: 'A body that can turn works its ring loose and takes the leads along.',
            },
          ),
          holdPoint(
            'fitting',
            'gap',
            'Gearbox clear of the chainstay',
            'Feeler gauge after tightening, at the narrowest place.',
            between('mm', STAY_GAP_MM, null),
            {
              instrument: 'feeler gauge',
              why: ['at least ', qty(STAY_GAP_MM, 'mm', 0), ' after tightening'],
              part: drive.name,
            },
          ),
          cranks(job, 'Left', 'Right'),
        ]),
    chain(job),
  ];
}

const external = ({ build: { drive } }: Job): readonly HoldPoint[] => [
  holdPoint(
    'fitting',
    'mount',
    'Motor mount and its drive in line',
    'Both sprockets in one plane by a straight edge; the mount does not move when the wheel is held and the motor is pulled by hand.',
    ticks('In line', 'Mount rigid', 'Cover over the drive'),
    {
      guards: true,
      part: drive.name,
      caution: 'Fingers in a chain or belt drive are lost: cover on before power.',
    },
  ),
  holdPoint(
    'fitting',
    'slack',
    'Slack of the motor’s chain or belt',
    'In the middle of the free run, pushed by hand.',
    between('mm', 5, 20),
    {
      why: ['10 to 15 mm on a free run of about 300 mm'],
      origin: 'from memory',
      part: drive.name,
    },
  ),
];

/** What holds the motor, by its kind, and what holds the rest. */
export function fitting(job: Job): readonly HoldPoint[] {
  const { drive, packs } = job.build;
  const own = firstOf(
    [
      [isHub(job), hub],
      [drive.kind === 'mid-drive', middle],
    ],
    external,
  )(job);
  return [
    ...own,
    ...sensor(job),
    holdPoint(
      'fitting',
      'packs',
      packs.length === 1 ? 'Pack held in its place' : 'Packs held in their places',
      'Pulled by hand each way with more than its weight; nothing presses on it; it comes out as it should.',
      {
        kind: 'ticks',
        items: [...toldApart(packs.map((p, i) => (p.name.trim() === '' ? `Pack ${String(i + 1)}` : p.name)))],
      },
      {
        guards: true,
        part: packs.map((p) => p.name).join(', '),
        why: [
          'bosses of M5: ',
          qty(BOSS_NM[0], 'N m', 0),
          ' to ',
          qty(BOSS_NM[1], 'N m', 0),
          ', from memory',
        ],
      },
    ),
    holdPoint(
      'fitting',
      'bar',
      'Bar turns from lock to lock',
      'Full lock both ways, folded or through the travel where it folds or is sprung: no cable pulls, nothing presses a button or a lever.',
      ticks(
        'Full lock left',
        'Full lock right',
        ...(hasHandLever(job.build) ? ['Throttle cannot be brushed by accident'] : []),
      ),
      { guards: true },
    ),
  ];
}
