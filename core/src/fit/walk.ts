import { PACK_PATHS, type QuantityPath } from '../document/document.ts';

/** Small line drawings that show what is measured. */
export type MeasurePicture =
  | 'dropouts'
  | 'slot-width'
  | 'slot-depth'
  | 'plate'
  | 'caliper-gap'
  | 'bead'
  | 'tyre'
  | 'rollout'
  | 'shell-width'
  | 'shell-bore'
  | 'stay-reach'
  | 'chainline'
  | 'chain'
  | 'bracket-height'
  | 'chainstay'
  | 'wheelbase'
  | 'spindle'
  | 'crank'
  | 'bar-clamp'
  | 'bar-room'
  | 'cable'
  | 'shock'
  | 'scales'
  | 'label'
  | 'motor-width'
  | 'motor-axle'
  | 'motor-flats'
  | 'gearbox'
  | 'ring-line'
  | 'body-drop'
  | 'box-length'
  | 'box-height'
  | 'box-width';

export interface Measure {
  readonly path: QuantityPath;
  readonly tool: 'caliper' | 'rule' | 'tape' | 'scales' | 'label' | 'feeler';
  readonly picture: MeasurePicture;
  /** How it is taken, and why it is asked. */
  readonly how: string;
  readonly why: string;
}

export interface Station {
  readonly name: string;
  readonly measures: readonly Measure[];
}

const m = (
  path: QuantityPath,
  tool: Measure['tool'],
  picture: MeasurePicture,
  how: string,
  why: string,
): Measure => ({ path, tool, picture, how, why });

/** The walk round the bicycle with caliper, rule and scales: from the front wheel to the bar. */
export const WALK: readonly Station[] = [
  {
    name: 'Whole machine',
    measures: [
      m(
        'donor.massKg',
        'scales',
        'scales',
        'weigh it bare, but for a motor and controller that stay',
        'mass decides hill and range',
      ),
      m('donor.permittedKg', 'label', 'label', 'maker’s label or papers', 'all in must stay below it'),
      m(
        'donor.wheelbaseMm',
        'tape',
        'wheelbase',
        'axle to axle, wheels straight',
        'balance, front lift and grip',
      ),
      m(
        'donor.bracketHeightMm',
        'rule',
        'bracket-height',
        'ground to middle of the bracket',
        'ground clearance and the side view',
      ),
      m(
        'donor.chainstayMm',
        'tape',
        'chainstay',
        'rear axle to middle of the bracket',
        'chain length and the side view',
      ),
    ],
  },
  {
    name: 'Fork and the other wheel',
    measures: [
      m(
        'donor.frontOldMm',
        'caliper',
        'dropouts',
        'between the fork’s dropouts, inside',
        'a front hub must go between them',
      ),
      m(
        'donor.otherBeadMm',
        'label',
        'bead',
        'second number on the tyre, 37-622',
        'the side view, and the ride height',
      ),
      m('donor.otherTyreMm', 'label', 'tyre', 'first number on the tyre', 'the side view'),
    ],
  },
  {
    name: 'Driven wheel',
    measures: [
      m(
        'donor.beadMm',
        'label',
        'bead',
        'second number on the tyre, 37-622',
        'speed, force and the rim of the motor',
      ),
      m('donor.tyreMm', 'label', 'tyre', 'first number on the tyre', 'roll-out'),
      m(
        'donor.rolloutMm',
        'tape',
        'rollout',
        'one turn along the floor, rider on',
        'every speed hangs on it',
      ),
      m(
        'donor.ownBeadMm',
        'label',
        'bead',
        'the wheel that was in the frame',
        'another rim moves brake and ride height',
      ),
      m(
        'donor.rearOldMm',
        'caliper',
        'dropouts',
        'between the rear dropouts, inside',
        'the motor must go between them',
      ),
      m(
        'donor.slotWidthMm',
        'caliper',
        'slot-width',
        'across the slot at its narrowest',
        'the axle’s flats go in here',
      ),
      m(
        'donor.slotDepthMm',
        'caliper',
        'slot-depth',
        'from the mouth to the bottom',
        'a shallow slot lets the axle jump out',
      ),
      m('donor.dropoutMm', 'caliper', 'plate', 'thickness of the plate', 'the lips bear the torque'),
      m('donor.rotorMm', 'rule', 'caliper-gap', 'across the old disc', 'another size wants an adapter'),
      m('donor.erdMm', 'tape', 'bead', 'rim from nipple seat to nipple seat', 'length of the spokes'),
      m(
        'donor.caliperGapMm',
        'feeler',
        'caliper-gap',
        'caliper to the motor’s cover, or mock it up',
        'a cover that touches wears through',
      ),
    ],
  },
  {
    name: 'Motor in the wheel',
    measures: [
      m(
        'drive.overLocknutMm',
        'caliper',
        'motor-width',
        'over the axle’s shoulders or nuts',
        'against the dropouts',
      ),
      m(
        'drive.axleLengthMm',
        'caliper',
        'motor-axle',
        'from end to end',
        'spacers take thread from the nuts',
      ),
      m('drive.rotorMm', 'rule', 'caliper-gap', 'across the disc', 'the caliper has to stand where it runs'),
      m('drive.spokes', 'rule', 'motor-width', 'count the holes of both flanges', 'length of the spokes'),
      m('drive.crossings', 'label', 'motor-width', 'as the wheel is to be laced', 'length of the spokes'),
      m(
        'drive.flangeMm',
        'caliper',
        'motor-width',
        'across the hole circle of a flange',
        'length of the spokes',
      ),
      m('drive.flangeGapMm', 'caliper', 'motor-width', 'from flange to flange', 'length of the spokes'),
      m('drive.axleMm', 'caliper', 'motor-axle', 'over the threads', 'how deep it sits'),
      m('drive.flatsMm', 'caliper', 'motor-flats', 'across the flats', 'slot width, spreading force'),
    ],
  },
  {
    name: 'Bracket and chain',
    measures: [
      m(
        'donor.shellWidthMm',
        'caliper',
        'shell-width',
        'face to face of the bare shell',
        'the motor’s shaft must be as long',
      ),
      m(
        'donor.shellBoreMm',
        'caliper',
        'shell-bore',
        'inside the shell, over the thread',
        'the motor’s tube goes through',
      ),
      m(
        'donor.stayReachMm',
        'rule',
        'stay-reach',
        'straightedge on the shell’s drive face to the stay’s outside',
        'the gearbox must not touch it',
      ),
      m(
        'donor.chainlineMm',
        'rule',
        'chainline',
        'middle plane to the middle cog',
        'chain wear and dropped chains',
      ),
      m(
        'donor.chainLinks',
        'rule',
        'chain',
        'count the links, pins and plates alike',
        'another ring wants another length',
      ),
      m('donor.crankMm', 'label', 'crank', 'stamped on the crank', 'feet and pack'),
      m('donor.spindleMm', 'caliper', 'spindle', 'where the sensor ring sits', 'the ring must go over it'),
    ],
  },
  {
    name: 'Motor at the bracket',
    measures: [
      m('drive.shellMinMm', 'label', 'shell-width', 'maker’s data', 'narrower shells want spacers'),
      m('drive.shellMaxMm', 'label', 'shell-width', 'maker’s data', 'wider shells want another shaft'),
      m('drive.tubeMm', 'caliper', 'shell-bore', 'over the tube', 'it must go through the shell'),
      m(
        'drive.gearboxMm',
        'caliper',
        'gearbox',
        'shell stop to the gearbox’s inner face',
        'room to the chainstay',
      ),
      m('drive.ringLineMm', 'caliper', 'ring-line', 'shell stop to the ring’s teeth', 'chainline'),
      m(
        'drive.bodyDropMm',
        'rule',
        'body-drop',
        'spindle to the lowest point of the body',
        'ground clearance',
      ),
      m('drive.sensorBoreMm', 'caliper', 'spindle', 'inside the magnet ring', 'it must go over the spindle'),
    ],
  },
  {
    name: 'Pack and carrier',
    measures: [
      ...PACK_PATHS.flatMap((path) => [
        m(`${path}.boxLengthMm`, 'tape', 'box-length', 'with its cradle', 'room in the frame'),
        m(
          `${path}.boxHeightMm`,
          'rule',
          'box-height',
          'with its cradle, away from the tube',
          'room in the frame',
        ),
        m(`${path}.boxWidthMm`, 'rule', 'box-width', 'across the bicycle', 'knees, cranks and heels'),
        m(`${path}.massKg`, 'scales', 'scales', 'weigh it', 'balance and carrier'),
      ]),
      m('donor.rackLoadKg', 'label', 'label', 'stamped on the carrier', 'pack and load ride on it'),
      m(
        'donor.swingRoomMm',
        'rule',
        'shock',
        'spring let out, swung through by hand',
        'what swings crushes a pack',
      ),
      m(
        'donor.shockStrokeMm',
        'rule',
        'shock',
        'how far the shock’s rod moves',
        'the rocker swings into the pack',
      ),
    ],
  },
  {
    name: 'Bar and leads',
    measures: [
      m('donor.barClampMm', 'caliper', 'bar-clamp', 'bar beside the grip', 'clamps of throttle and levers'),
      m(
        'donor.barRoomMm',
        'rule',
        'bar-room',
        'straight bar that nothing is on',
        'bell, switch and throttle',
      ),
      m(
        'donor.cableSlackMm',
        'rule',
        'cable',
        'spare cable at the head, bar turned full',
        'leads must not pull at full lock',
      ),
    ],
  },
];
