import { asked } from '../check/check.ts';
import type { PlacedBox } from '../document/frame-of.ts';
import type { Known } from '../document/known-build.ts';
import type { Subject } from './subject.ts';

/** Room round a pack box, mm. Common practice, no source. */
export const ROOM_MM = 10;
/** Length and height of the packs that some boxes are of. */
export const sizes = ({ known: { packs } }: Subject, boxes: readonly PlacedBox[]): readonly Known[] =>
  packs.flatMap((pack, i) =>
    boxes.some((box) => box.pack === i) ? [pack.boxLengthMm, pack.boxHeightMm] : [],
  );
/** The outline counts as one answer: taken off, taken as the preset on purpose, or not known. */
export const outline = (s: Subject) => asked('outline of the frame', s.build.donor.outline);
