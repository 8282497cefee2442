import {
  boxName,
  corners,
  firstOf,
  type BuildDocument,
  type PlacedBox,
  type Verdict,
} from '@apple-cart/core';
import { capital } from '../../ui/capital.ts';
import { useBuild } from '../../state/build-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { Movable } from './movable.tsx';
import { PLACE_NAMES } from '../parts/place-names.ts';
import { droppedAt, withBox } from './pack-boxes.ts';
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
  box: PlacedBox;
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
  const middle = px(page, box);
  const long = box.lengthMm * page.scale;
  const { place } = box;
  const mass =
    (verdict.known.packs[box.pack]?.massKg.value ?? 0) / (build.packs[box.pack]?.boxes.length ?? 1);
  const shown = useQuantity();
  const { text, unit } = shown(mass, 'kg');
  // What is read on it begins what is said of it.
  const name = build.packs.length > 1 ? `${String(box.pack + 1)}: ${text} ${unit}` : `pack ${text} ${unit}`;
  return (
    <Movable
      page={page}
      label={`${name}: ${capital(boxName(build, box))}, ${PLACE_NAMES[place]}, ${box.x.toFixed(0)} mm ahead of the rear axle, ${box.y.toFixed(0)} mm up. Move with the arrow keys.`}
      at={box}
      onTo={(to, by) => {
        edit(
          (d) => withBox(d, box, droppedAt(verdict.fit.frame, box, to.x, to.y, by)),
          'pack place',
          `packs.${String(box.pack)}.box${String(box.nth)}`,
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
          {name}
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
