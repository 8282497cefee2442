import { firstOf } from '../quantity/first-of.ts';
import { qty } from '../quantity/phrase.ts';
import { asked, measured, told, type Bounded, type Check } from '../check/check.ts';
import { discChecks } from './disc-checks.ts';
import { askedIfSteelTurns, driven } from './driven-end.ts';
import { widthChecks } from './hub-width.ts';
import type { Subject } from './subject.ts';

/** Lip that should stand beyond the axle in its slot, mm. Common practice, no source. */
const LIP_MM = 3;

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
  const judged = (isSteel: boolean): Bounded => ({
    value: Math.max(0, opening),
    sense: 'most',
    fine: 0.05,
    look: isSteel ? 0.5 : 0.05,
  });
  return measured({
    id: 'slot-width',
    group: 'frame',
    title: 'Slot to be opened for the axle flats',
    unit: 'mm',
    ...judged(steel),
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
    asked: askedIfSteelTurns(s, [donor.slotWidthMm, drive.flatsMm], judged),
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
  const judged = (isSteel: boolean): Bounded => ({
    value: donor.dropoutMm.value,
    sense: 'least',
    fine: isSteel ? 4 : 6,
    look: 3,
  });
  const own = judged(driven(s) === 'steel');
  return measured({
    id: 'dropout-plate',
    group: 'frame',
    title: 'Dropout plate',
    unit: 'mm',
    ...own,
    limit: ['at least ', qty(own.fine, 'mm', 0), driven(s) === 'steel' ? ' of steel' : ''],
    why: ['The lips bear the torque over their thickness.'],
    remedy: ['Fit an arm on each side; below 3 mm take another donor.'],
    origin: 'common practice',
    inputs: [donor.dropoutMm],
    asked: askedIfSteelTurns(s, [donor.dropoutMm], judged),
  });
}

/** The motor's axle in the dropouts. */
export function axleChecks(s: Subject): readonly Check[] {
  if (s.hub === undefined) return [];
  const open = s.build.donor.axle !== 'through';
  return [
    ...widthChecks(s),
    through(s),
    ...(open ? [slotWidth(s), slotPlay(s), slotDepth(s), plate(s)] : []),
    ...discChecks(s),
  ];
}
