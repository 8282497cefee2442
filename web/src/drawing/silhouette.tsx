import {
  drivesBoth,
  firstOf,
  motorAt,
  type BuildDocument,
  type SignedDrawing,
  type Verdict,
} from '@apple-cart/core';
import type { ReactNode } from 'react';
import { drawBicycle, type Drawn } from './bicycle.ts';
import { Sketch, drawnNodes } from './sketch.tsx';

const KIND = {
  'geared-hub': 'geared',
  'direct-drive-hub': 'direct',
  'mid-drive': 'middle',
  external: 'external',
} as const;

/** What the drawing takes from a build, in mm. */
export function drawnFrom(build: BuildDocument, { known, fit }: Pick<Verdict, 'known' | 'fit'>): Drawn {
  const front = motorAt(build) === 'front';
  const [driven, other] = [known.donor.tyreMm.value, known.donor.otherTyreMm.value];
  return {
    frame: fit.frame,
    boxes: fit.boxes,
    tyre: front ? { rear: other, front: driven } : { rear: driven, front: other },
    ringTeeth: known.gearing.ringTeeth.value,
    crank: known.donor.crankMm.value,
    motorAt: motorAt(build),
    secondAt: firstOf(
      [
        [!drivesBoth(build), undefined],
        [front, 'rear' as const],
      ],
      'front' as const,
    ),
    kind: KIND[build.drive.kind],
    centre: known.drive.centreMm.value,
  };
}

interface Props {
  readonly build: BuildDocument;
  readonly verdict: Pick<Verdict, 'known' | 'fit'>;
  /** Width and height of the picture in px, and px per mm. */
  readonly width: number;
  readonly height: number;
  readonly scale: number;
  readonly className?: string;
  /** What is drawn over it: given points of the frame in mm, where they stand in the picture. */
  readonly over?: (
    at: (p: { readonly x: number; readonly y: number }) => readonly [x: number, y: number],
  ) => ReactNode;
}

/** Both ends of a machine ahead of the rear axle, mm: load boxes and booms reach past the front wheel. */
const endsOf = ({ frame }: Drawn): readonly [number, number] => {
  const ends = frame.tubes.flatMap((t) => [t.a.x, t.b.x]);
  return [Math.min(-frame.rearRadius, ...ends), Math.max(frame.front.x + frame.frontRadius, ...ends)];
};
const middle = (drawn: Drawn): number => {
  const [left, right] = endsOf(drawn);
  return (left + right) / 2;
};

/** The greatest scale, px per mm, at which a machine is as wide as a picture, with a little air. */
export const scaleInto = (build: BuildDocument, verdict: Props['verdict'], width: number): number => {
  const [left, right] = endsOf(drawnFrom(build, verdict));
  return (0.97 * width) / (right - left);
};

/** Where the rear axle stands in a picture of a width, px: the machine in the middle. */
export const rearAxleAt = (drawn: Drawn, width: number, scale: number): number =>
  width / 2 - middle(drawn) * scale;

/** A machine as it is drawn into a picture, standing on the ground. */
function sketched(drawn: Drawn, { width, height, scale }: Pick<Props, 'width' | 'height' | 'scale'>): Sketch {
  const ground = height - 4;
  const sketch = new Sketch(scale, [rearAxleAt(drawn, width, scale), ground], scale > 0.2 ? 1.15 : 0.95);
  drawBicycle(sketch, drawn);
  sketch.ground(width);
  return sketch;
}

/** Width and height of a drawing that is signed, px, and its greatest scale, px per mm. */
const SIGNED = { width: 300, height: 164, scale: 0.14 } as const;

/** A machine's drawing as data: to be signed, and never drawn anew. */
export function drawingOf(build: BuildDocument, verdict: Props['verdict']): SignedDrawing {
  const { width, height } = SIGNED;
  const scale = Math.min(SIGNED.scale, scaleInto(build, verdict, width));
  const { shapes } = sketched(drawnFrom(build, verdict), { width, height, scale });
  return { width, height, shapes };
}

/** The bicycle in ink with what the conversion adds in slate blue, standing on the ground, to scale. */
export function Silhouette({ build, verdict, width, height, scale, className = '', over }: Props) {
  const drawn = drawnFrom(build, verdict);
  const ground = height - 4;
  return (
    <svg
      viewBox={`0 0 ${String(width)} ${String(height)}`}
      className={`block w-full ${className}`}
      role="img"
      aria-label={`Side view, ${build.donor.style}`}
    >
      {drawnNodes(sketched(drawn, { width, height, scale }).shapes)}
      {over?.((p) => [rearAxleAt(drawn, width, scale) + p.x * scale, ground - p.y * scale])}
    </svg>
  );
}
