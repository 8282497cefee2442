import { IS_SPRUNG, swingsBehind } from '../document/sprung.ts';
import { isThrottle, throttleKindOf } from '../document/throttle.ts';
import { firstOf } from '../quantity/first-of.ts';
import { qty } from '../quantity/phrase.ts';
import { asked, measured, told, type Check } from '../check/check.ts';
import type { Subject } from './subject.ts';

/** Bar at the grips, mm, and how far a clamp gives. Common practice: 22.2 mm, seven eighths of an inch. */
const GRIP_MM = 22.2;
const GRIP_SLACK_MM = 0.3;

function bar(s: Subject): Check {
  const { barClampMm } = s.known.donor;
  return measured({
    id: 'bar-clamp',
    group: 'controls',
    title: 'Bar against the clamps of the controls',
    // A caliper's hundredths: 22.5 is 0.3 off, not a hair more.
    value: Math.round(Math.abs(barClampMm.value - GRIP_MM) * 1000) / 1000,
    unit: 'mm',
    sense: 'most',
    fine: GRIP_SLACK_MM,
    look: 2,
    limit: ['at most ', qty(GRIP_SLACK_MM, 'mm', 1), ' off ', qty(GRIP_MM, 'mm', 1)],
    why: [
      'Throttles and levers clamp on ',
      qty(GRIP_MM, 'mm', 1),
      '; displays on 25.4 to 35 mm near the stem. This bar has ',
      qty(barClampMm.value, 'mm', 1),
      '.',
    ],
    remedy: ['On a drop bar fit a stub or an accessory bar for display and thumb throttle.'],
    origin: 'common practice',
    inputs: [barClampMm],
  });
}

/** Straight bar that each control takes up, mm. Common practice, no source. */
const WIDTHS = { display: 0, bell: 25, thumb: 30, halfGrip: 70, twist: 125, switch: 25 } as const;

function space(s: Subject): Check {
  const { controls } = s.build;
  const throttle = firstOf(
    [
      [isThrottle({ controls }) && controls.throttleKind === 'twist', WIDTHS.twist],
      [isThrottle({ controls }) && controls.throttleKind === 'half-grip', WIDTHS.halfGrip],
      [isThrottle({ controls }), WIDTHS.thumb],
    ],
    0,
  );
  const needed = WIDTHS.bell + WIDTHS.switch + throttle;
  return measured({
    id: 'bar-room',
    group: 'controls',
    title: 'Straight bar free for controls',
    value: s.known.donor.barRoomMm.value,
    unit: 'mm',
    sense: 'least',
    fine: needed,
    look: needed * 0.7,
    limit: ['at least ', qty(needed, 'mm', 0)],
    why: [
      'Beside grips, levers and shifter: bell, switch',
      throttle > 0 ? ', throttle' : '',
      '. The display sits at the stem.',
    ],
    remedy: ['Move the shifter inwards, take a shorter grip on the throttle side, or an accessory bar.'],
    origin: 'common practice',
    inputs: [s.known.donor.barRoomMm],
    asked: isThrottle({ controls }) ? [asked('kind of throttle', throttleKindOf({ controls }))] : [],
  });
}

function cutoffs(s: Subject): Check {
  const { levers } = s.build.donor;
  const { brakeCutoffs } = s.build.controls;
  const fitted = brakeCutoffs === 'yes';
  const planned = brakeCutoffs === 'planned';
  const addOn = levers === 'shift-brake' || levers === 'hydraulic';
  return told({
    id: 'cutoffs',
    group: 'controls',
    title: 'Brake cut-off that suits the levers',
    state: fitted ? 'fine' : 'look',
    words: firstOf(
      [
        [fitted && addOn, 'add-on sensors'],
        [fitted, 'fitted'],
        [planned, 'planned, not seen yet'],
        [brakeCutoffs === 'unknown', 'not said'],
      ],
      'none',
    ),
    limit: ['each lever stops the motor'],
    why: addOn
      ? ['Hydraulic and combined shift-and-brake levers do not take the usual cut-off lever.']
      : ['A lever that cuts the motor stops a motor that hangs on.'],
    remedy: addOn
      ? ['Fit add-on sensors: a magnet on the blade or a switch in the cable.']
      : ['Fit levers with a switch, or add-on sensors.'],
    origin: 'common practice',
    inputs: [],
    asked: [asked('brake levers', levers), asked('brake cut-offs', brakeCutoffs)],
  });
}

function throttle(s: Subject): readonly Check[] {
  if (s.build.controls.throttle !== 'full') return [];
  const throttleKind = throttleKindOf(s.build);
  return [
    told({
      id: 'throttle',
      group: 'controls',
      title: 'Throttle that is not turned by accident',
      state: throttleKind === 'thumb' ? 'fine' : 'look',
      words: throttleKind,
      limit: ['thumb or short throttle'],
      why:
        throttleKind === 'thumb'
          ? ['A thumb throttle is not turned when the bicycle is pushed.']
          : [
              throttleKind === 'half-grip'
                ? 'A half grip turns under the palm in a bump, and when the bicycle is pushed.'
                : 'A twist throttle turns easily when the bicycle is pushed or lifted, and it bolts.',
            ],
      remedy: ['Take a thumb throttle, or a key switch in reach.'],
      origin: 'common practice',
      inputs: [],
      asked: [asked('kind of throttle', throttleKind)],
    }),
  ];
}

function sensorRing(s: Subject): readonly Check[] {
  if (s.build.drive.kind === 'mid-drive' || s.build.controls.assistSensor === 'none') return [];
  const { donor, drive } = s.known;
  const play = drive.sensorBoreMm.value - donor.spindleMm.value;
  return [
    measured({
      id: 'sensor-ring',
      group: 'controls',
      title: 'Assist-sensor ring off the spindle',
      value: play < 0 ? 100 : play,
      unit: 'mm',
      sense: 'most',
      fine: 2,
      look: 6,
      limit: ['bore ', qty(0, 'mm', 0), ' to ', qty(2, 'mm', 0), ' over the spindle'],
      why:
        play < 0
          ? ['The ring’s bore of ', qty(drive.sensorBoreMm.value, 'mm', 1), ' does not go over this spindle.']
          : ['A ring with ', qty(play, 'mm', 1), ' of play must still turn with the crank.'],
      remedy: firstOf(
        [
          [play < 0, ['Take a split ring or a sensor for this spindle.']],
          [play > 2, ['Shim it, or take the split ring of the right size.']],
        ],
        ['Nothing to do.'],
      ),
      origin: 'common practice',
      inputs: [donor.spindleMm, drive.sensorBoreMm],
    }),
  ];
}

/** Cable that steering takes up from lock to lock, mm. Common practice, no source. */
const STEERING_MM = 100;
const FOLD_MM = 150;
/** What a rear end that swings on a frame of another style takes up, mm. Common practice, no source. */
const SWING_MM = 60;
/** A wheel moves about so much more than its shock. */
const LEVERAGE = 2.6;

function reach(s: Subject): Check {
  const { donor } = s.known;
  const { style } = s.build.donor;
  const drawn = style === 'full-suspension';
  // Where it is not known whether it swings, it asks for as much as if it did.
  const swings = s.hub === 'rear' ? swingsBehind(s.build) : 'no';
  const still = STEERING_MM + (style === 'folding' ? FOLD_MM : 0);
  const swing = drawn ? donor.shockStrokeMm.value * LEVERAGE * 0.5 : SWING_MM;
  const needed = still + (swings === 'no' ? 0 : swing);
  const turns = swings === 'unknown' && donor.cableSlackMm.value < needed;
  return measured({
    id: 'cable-slack',
    group: 'controls',
    title: 'Spare cable for steering and fold',
    value: donor.cableSlackMm.value,
    unit: 'mm',
    sense: 'least',
    fine: needed,
    look: needed * 0.7,
    limit: ['at least ', qty(needed, 'mm', 0)],
    why: [
      'From lock to lock the bar takes up about ',
      qty(STEERING_MM, 'mm', 0),
      style === 'folding' ? '; the fold takes more' : '',
      swings === 'no' ? '' : '; so does the swing of the rear wheel',
      '.',
    ],
    remedy: ['Order longer leads or extensions; leave a loop, not a tight bend.'],
    origin: 'common practice',
    inputs: [donor.cableSlackMm, ...(drawn && swings === 'yes' ? [donor.shockStrokeMm] : [])],
    asked: turns ? [asked(IS_SPRUNG, swings)] : [],
  });
}

function place(s: Subject): readonly Check[] {
  const { style } = s.build.donor;
  if (style !== 'recumbent' && style !== 'folding') return [];
  return [
    told({
      id: 'control-place',
      group: 'controls',
      title: 'Places for the controls',
      state: 'look',
      words: style === 'recumbent' ? 'bar under or over the seat' : 'bar that folds',
      limit: ['in reach and clear of fold and legs'],
      why:
        style === 'recumbent'
          ? ['A recumbent’s bar ends are out of sight; the display wants the boom or a stalk.']
          : ['What sticks out of the bar is crushed when the stem folds down.'],
      remedy: ['Mock the places up with tape before anything is ordered.'],
      origin: 'common practice',
      inputs: [],
    }),
  ];
}

/** Controls and leads. */
export const controlsChecks = (s: Subject): readonly Check[] => [
  bar(s),
  space(s),
  cutoffs(s),
  ...throttle(s),
  ...sensorRing(s),
  reach(s),
  ...place(s),
];
