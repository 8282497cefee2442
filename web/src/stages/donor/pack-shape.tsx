import { firstOf, corners, type Box, type BuildDocument, type Verdict } from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { Movable } from './movable.tsx';
import { PLACE_NAMES, droppedAt, withBox } from './pack-boxes.ts';
import { points, px, type Page } from './page-scale.ts';

/** Room below which a box counts as touching, mm. */
export const ROOM_MM = 10;

/** A box of the pack, to be dragged about. */
export function PackShape({
  page,
  box,
  index,
  verdict,
  build,
}: {
  page: Page;
  box: Box;
  index: number;
  verdict: Verdict;
  build: BuildDocument;
}) {
  const edit = useBuild((state) => state.edit);
  const near = verdict.fit.nearest[index];
  const boss = verdict.fit.checks.find((c) => c.id === 'pack-boss');
  const clash = (near !== undefined && near.mm < 0) || boss?.would === 'stop';
  const tight = near !== undefined && near.mm < ROOM_MM;
  const color = firstOf(
    [
      [clash, 'var(--stop-fill)'],
      [tight, 'var(--look-fill)'],
    ],
    'var(--slate-fill)',
  );
  const place = build.pack.boxes[index]?.place ?? 'free';
  const middle = px(page, box);
  const long = box.lengthMm * page.scale;
  const mass = verdict.known.pack.massKg.value / verdict.fit.boxes.length;
  const shown = useQuantity();
  const { text, unit } = shown(mass, 'kg');
  return (
    <Movable
      page={page}
      label={`Pack box ${String(index + 1)}, ${PLACE_NAMES[place]}, ${box.x.toFixed(0)} mm ahead of the rear axle, ${box.y.toFixed(0)} mm up. Move with the arrow keys.`}
      at={box}
      onTo={(to, by) => {
        edit(
          (d) => withBox(d, index, droppedAt(verdict.fit.frame, box, to.x, to.y, by)),
          'pack place',
          `pack.box${String(index)}`,
        );
      }}
    >
      <polygon
        data-pack={index}
        points={points(page, corners(box))}
        fill="var(--slate-tint)"
        stroke={color}
        strokeWidth={clash ? 3 : 2}
      />
      {clash && <polygon points={points(page, corners(box))} fill="url(#clash)" />}
      {long > 60 && (
        <text
          x={middle.x}
          y={middle.y}
          transform={`rotate(${String(-upright(box.angleDeg))} ${String(middle.x)} ${String(middle.y)})`}
          textAnchor="middle"
          dominantBaseline="central"
          fontSize="12"
          fontFamily="var(--font-num)"
          fill="var(--slate)"
          pointerEvents="none"
        >
          {`pack ${text} ${unit}`}
        </text>
      )}
    </Movable>
  );
}

/** An angle turned so that writing along it stands the right way up. */
const upright = (degrees: number): number => {
  const half = ((((degrees + 90) % 180) + 180) % 180) - 90;
  return half;
};
