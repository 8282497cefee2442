import { newBuild, type BuildDocument, type DonorStyle } from '@apple-cart/core';
import { drawnFrom, rearAxleAt } from '../drawing/silhouette.tsx';
import { drawBicycle } from '../drawing/bicycle.ts';
import { Sketch, drawnNodes } from '../drawing/sketch.tsx';
import { withStyle } from '../stages/donor/donor-styles.ts';
import { verdictOf } from '../state/verdicts.ts';

const SIZE = { width: 104, height: 58, scale: 0.044 } as const;

/** No motor and no pack: just the bicycle. */
const BARE = { boxes: [], motorAt: 'rear', secondAt: undefined, kind: 'middle' } as const;

const builds = new Map<DonorStyle, BuildDocument>();
/** A plain bicycle of a style: made once, so that its drawing is as well. */
function plain(style: DonorStyle): BuildDocument {
  const known = builds.get(style);
  if (known !== undefined) return known;
  const bare = withStyle(newBuild(style), style);
  builds.set(style, bare);
  return bare;
}

/** A style from the side, all of them to one scale. */
export function StylePicture({ style }: { style: DonorStyle }) {
  const build = plain(style);
  const drawn = { ...drawnFrom(build, verdictOf(build)), ...BARE };
  const { width, height, scale } = SIZE;
  const sketch = new Sketch(scale, [rearAxleAt(drawn, width, scale), height - 3], 0.8);
  drawBicycle(sketch, drawn);
  return (
    <svg
      viewBox={`0 0 ${String(width)} ${String(height)}`}
      className="mb-1 block w-full mx-auto max-w-[130px]"
      aria-hidden
    >
      {drawnNodes(sketch.shapes, 'var(--field)')}
    </svg>
  );
}
