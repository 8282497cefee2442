import type { FrameStyle, PackPlace } from './names.ts';

/** What is usual for a style before its frame is laid out: from memory, a usual frame of a usual adult. */
interface UsualFrame {
  /** Rear axle to bracket, mm, by wheelbase, height of the bracket and radius of the rear wheel, mm. */
  readonly chainstay: (wheelbase: number, bracketHeight: number, rearRadius: number) => number;
  /** Bracket above the ground, mm, by the radius of the rear wheel, mm. */
  readonly bracketHeight: (rearRadius: number) => number;
  /** The first place for a pack. */
  readonly pack: PackPlace;
}

/** Of one length, its bracket so far below the axles, mm. */
const upright = (stay: number, drop: number, pack: PackPlace): UsualFrame => ({
  chainstay: () => stay,
  bracketHeight: (radius) => Math.max(265, radius - drop),
  pack,
});

export const USUAL_FRAME: Readonly<Record<FrameStyle, UsualFrame>> = {
  diamond: upright(440, 70, 'down-tube'),
  'step-through': upright(450, 70, 'rear-rack'),
  'small-wheel': upright(430, 70, 'down-tube'),
  folding: upright(405, 60, 'main-tube'),
  fat: upright(455, 60, 'down-tube'),
  'full-suspension': upright(440, 30, 'down-tube'),
  tandem: upright(440, 68, 'lateral-tube'),
  recumbent: {
    bracketHeight: () => 560,
    chainstay: (wheelbase, height, radius) => Math.hypot(wheelbase + 330, height - radius),
    pack: 'behind-seat',
  },
  longtail: {
    bracketHeight: () => 300,
    chainstay: (wheelbase, height, radius) => Math.hypot(wheelbase * 0.555, height - radius),
    pack: 'down-tube',
  },
  trike: {
    bracketHeight: () => 285,
    chainstay: (_, height, radius) => Math.hypot(500, height - radius),
    pack: 'cargo-box',
  },
  carriage: {
    bracketHeight: () => 300,
    chainstay: (wheelbase, height, radius) => Math.hypot(wheelbase - 480, height - radius),
    pack: 'deck',
  },
};
