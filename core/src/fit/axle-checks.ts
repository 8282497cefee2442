import { firstOf } from '../quantity/first-of.ts';
import { qty } from '../quantity/phrase.ts';
import { asked, measured, told, type Asked, type Check } from '../check/check.ts';
import type { Subject } from './subject.ts';

/** Slack that nuts and washers take up, mm. Common practice, no source. */
const SLACK_MM = 0.5;
/** Steel may be cold-set by this much in all, mm. Common practice, no source. */
const COLD_SET_MM = 5;
/** Lip that should stand beyond the axle in its slot, mm. Common practice, no source. */
const LIP_MM = 3;

const driven = (s: Subject) => (s.hub === 'front' ? s.build.donor.forkMaterial : s.build.donor.frameMaterial);

/** The material of the dropouts that hold the motor's axle. */
export const askedMaterial = (s: Subject): Asked =>
  asked(s.hub === 'front' ? 'fork material' : 'frame material', driven(s));

function width(s: Subject): Check {
  const { donor, drive } = s.known;
  const here = s.hub === 'front' ? donor.frontOldMm : donor.rearOldMm;
  const wider = drive.overLocknutMm.value - here.value;
  const steel = driven(s) === 'steel';
  const why = firstOf(
    [
      [
        wider > SLACK_MM && steel,
        [
          'The motor is ',
          qty(wider, 'mm', 1),
          ' wider than the dropouts. Steel can be cold-set about ',
          qty(COLD_SET_MM, 'mm', 0),
          ' in all.',
        ],
      ],
      [
        wider > SLACK_MM,
        ['The motor is ', qty(wider, 'mm', 1), ' wider than the dropouts, and only steel can be cold-set.'],
      ],
      [
        wider < -SLACK_MM,
        ['The motor is ', qty(-wider, 'mm', 1), ' narrower: washers or spacers fill the gap.'],
      ],
    ],
    ['The motor goes between the dropouts as they are.'],
  );
  return measured({
    id: 'hub-width',
    group: 'frame',
    title: 'Hub wider than the dropouts',
    value: wider,
    unit: 'mm',
    sense: 'most',
    fine: SLACK_MM,
    look: steel ? COLD_SET_MM : SLACK_MM,
    limit: ['at most ', qty(SLACK_MM, 'mm', 1), steel ? ', cold-set to 5 mm' : ''],
    why,
    remedy: firstOf(
      [
        [
          wider > COLD_SET_MM || (wider > SLACK_MM && !steel),
          ['Take a motor of ', qty(here.value, 'mm', 0), ', or another donor. Do not force it.'],
        ],
        [
          wider > SLACK_MM,
          ['Cold-set the frame, half on each side, and check that the dropouts stay parallel.'],
        ],
        [wider < -SLACK_MM, ['Fill with axle spacers, the same on both sides where the dish allows it.']],
      ],
      ['Nothing to do.'],
    ),
    origin: 'common practice',
    source: 'usual widths: front 100 mm; rear 130, 135, 142 or 148 mm',
    inputs: [here, drive.overLocknutMm],
    asked: [askedMaterial(s)],
  });
}

function through(s: Subject): Check {
  const { donor, drive } = s.build;
  const made = drive.throughAxle === 'yes';
  const is = donor.axle === 'through';
  return told({
    id: 'axle-kind',
    group: 'frame',
    title: 'How the axle is held',
    state: firstOf(
      [
        [is && !made, 'stop'],
        [!is && made, 'look'],
      ],
      'fine',
    ),
    words: firstOf(
      [
        [is, 'through-axle'],
        [donor.axle === 'solid', 'solid axle, open slot'],
      ],
      'open slot',
    ),
    limit: ['a through-axle dropout needs a motor made for it'],
    why:
      is && !made
        ? ['The dropout is closed round a through-axle: an ordinary motor axle does not go in.']
        : ['Axle and dropout are of one kind.'],
    remedy: ['Take a motor made for through-axles, or a mid-drive.'],
    origin: 'common practice',
    inputs: [],
    asked: [
      asked('how the axle is held', donor.axle),
      ...(is ? [asked('whether the motor is made for it', drive.throughAxle)] : []),
    ],
  });
}

function slotWidth(s: Subject): Check {
  const { donor, drive } = s.known;
  const opening = drive.flatsMm.value - donor.slotWidthMm.value;
  const steel = driven(s) === 'steel';
  return measured({
    id: 'slot-width',
    group: 'frame',
    title: 'Slot to be opened for the axle flats',
    value: Math.max(0, opening),
    unit: 'mm',
    sense: 'most',
    fine: 0.05,
    look: steel ? 0.5 : 0.05,
    limit: ['at most 0, filed to 0.5 mm on steel'],
    why:
      opening > 0.05
        ? [
            'Flats of ',
            qty(drive.flatsMm.value, 'mm', 1),
            ' do not enter a slot of ',
            qty(donor.slotWidthMm.value, 'mm', 1),
            '; opening it weakens the lips.',
          ]
        : ['The flats enter the slot; play is ', qty(Math.max(0, -opening), 'mm', 1), '.'],
    remedy: firstOf(
      [
        [opening > (steel ? 0.5 : 0.05), ['Take a motor with a thinner axle.']],
        [opening > 0.05, ['File both sides alike, no more than needed, and fit an arm.']],
      ],
      ['Nothing to do.'],
    ),
    origin: 'common practice',
    inputs: [donor.slotWidthMm, drive.flatsMm],
    asked: [askedMaterial(s)],
  });
}

/** Play beyond which the axle rocks before an arm takes hold, mm. Common practice, no source. */
const PLAY_MM = 0.5;

function slotPlay(s: Subject): Check {
  const { donor, drive } = s.known;
  const play = Math.max(0, donor.slotWidthMm.value - drive.flatsMm.value);
  return measured({
    id: 'slot-play',
    group: 'frame',
    title: 'Play of the flats in the slot',
    value: play,
    unit: 'mm',
    sense: 'most',
    fine: s.build.drive.torqueArms > 0 ? 2 : PLAY_MM,
    look: 4,
    limit: ['at most ', qty(s.build.drive.torqueArms > 0 ? 2 : PLAY_MM, 'mm', 1)],
    why: ['A loose axle works to and fro, and wears the slot until it spins.'],
    remedy: ['Fit torque arms that clamp the flats; they take the play.'],
    origin: 'common practice',
    inputs: [donor.slotWidthMm, drive.flatsMm],
  });
}

function slotDepth(s: Subject): Check {
  const { donor, drive } = s.known;
  const needed = drive.axleMm.value / 2 + LIP_MM;
  return measured({
    id: 'slot-depth',
    group: 'frame',
    title: 'Depth of the slot',
    value: donor.slotDepthMm.value,
    unit: 'mm',
    sense: 'least',
    fine: needed,
    look: 0,
    limit: ['at least ', qty(needed, 'mm', 1), ', axle radius and lip'],
    why: ['The axle must sit behind a lip, or it can jump out under torque.'],
    remedy: ['Fit a torque arm that closes the slot, and retighten after the first ride.'],
    origin: 'common practice',
    limitFrom: [drive.axleMm],
    inputs: [donor.slotDepthMm, drive.axleMm],
  });
}

function plate(s: Subject): Check {
  const { donor } = s.known;
  const fine = driven(s) === 'steel' ? 4 : 6;
  return measured({
    id: 'dropout-plate',
    group: 'frame',
    title: 'Dropout plate',
    value: donor.dropoutMm.value,
    unit: 'mm',
    sense: 'least',
    fine,
    look: 3,
    limit: ['at least ', qty(fine, 'mm', 0), driven(s) === 'steel' ? ' of steel' : ''],
    why: ['The lips bear the torque over their thickness.'],
    remedy: ['Fit an arm on each side; below 3 mm take another donor.'],
    origin: 'common practice',
    inputs: [donor.dropoutMm],
    asked: [askedMaterial(s)],
  });
}

/** Room between caliper and motor cover, mm. Common practice, no source. */
const CALIPER_MM = 3;

function disc(s: Subject): readonly Check[] {
  const kind = s.hub === 'front' ? s.build.donor.brakeFront : s.build.donor.brakeRear;
  if (kind !== 'cable-disc' && kind !== 'hydraulic-disc') return [];
  const mount = s.build.drive.discMount;
  return [
    told({
      id: 'disc-mount',
      group: 'wheel',
      title: 'Disc mount on the motor',
      state: mount === 'yes' ? 'fine' : 'stop',
      words: mount === 'yes' ? 'six bolts on 44 mm' : 'no mount',
      limit: ['six bolts on a 44 mm circle'],
      why:
        mount === 'yes'
          ? ['The disc goes on the motor as on a hub.']
          : ['The wheel would lose its disc brake.'],
      remedy: ['Take a motor with a disc mount, or fit a rim brake.'],
      origin: 'common practice',
      source: 'the usual six-bolt pattern, 44 mm',
      inputs: [],
      asked: [asked('disc mount on the motor', mount)],
    }),
    measured({
      id: 'caliper-gap',
      group: 'wheel',
      title: 'Disc caliper to motor cover',
      value: s.known.donor.caliperGapMm.value,
      unit: 'mm',
      sense: 'least',
      fine: CALIPER_MM,
      look: 1,
      limit: ['at least ', qty(CALIPER_MM, 'mm', 0)],
      why: ['A cover that touches the caliper wears through, and heat shuts the gap further.'],
      remedy: ['Shim the disc outwards, space the axle, or take a smaller caliper.'],
      origin: 'common practice',
      inputs: [s.known.donor.caliperGapMm],
    }),
  ];
}

/** The motor's axle in the dropouts. */
export function axleChecks(s: Subject): readonly Check[] {
  if (s.hub === undefined) return [];
  const open = s.build.donor.axle !== 'through';
  return [
    width(s),
    through(s),
    ...(open ? [slotWidth(s), slotPlay(s), slotDepth(s), plate(s)] : []),
    ...disc(s),
  ];
}
