import { Plus, X } from 'lucide-react';
import {
  MOST_BOXES,
  boxName,
  packPath,
  withPack,
  type BuildDocument,
  type PackIndex,
  type PackPlace,
  type PlacedBox,
  type Verdict,
} from '@apple-cart/core';
import { ChoiceField } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { PlainNumber } from '../../fields/plain-number.tsx';
import { useBuild } from '../../state/build-store.ts';
import { Button } from '../../ui/button.tsx';
import { PLACE_NAMES } from '../parts/place-names.ts';
import { typedAt, withBox } from './pack-boxes.ts';

interface Props {
  readonly build: BuildDocument;
  readonly verdict: Verdict;
}

/** Where each box of every pack is: its place, and its centre and turn as numbers. */
export const PackFields = ({ build, verdict }: Props) => (
  <>
    {build.packs.map((_, i) => (
      <OnePack key={i} build={build} verdict={verdict} index={i as PackIndex} />
    ))}
  </>
);

/** One box: its place, and where its centre lies. */
function BoxRow({ build, verdict, box }: Props & { box: PlacedBox }) {
  const edit = useBuild((state) => state.edit);
  const boxes = build.packs[box.pack]?.boxes ?? [];
  const placed = boxes[box.nth];
  if (placed === undefined) return null;
  // A place that this frame does not have is still told as what it is.
  const places: readonly PackPlace[] = [
    ...new Set([...verdict.fit.frame.places.map((p) => p.place), 'free' as const, placed.place]),
  ];
  const put = (change: Partial<{ x: number; y: number; angleDeg: number }>): void => {
    edit(
      (d) => withBox(d, box, typedAt(placed.place, { ...box, ...change })),
      'pack place',
      `packs.${String(box.pack)}.box${String(box.nth)}`,
    );
  };
  return (
    <div data-pack-fields={box.nth} data-of-pack={box.pack}>
      <ChoiceField<PackPlace>
        label={boxes.length === 1 ? 'Place' : `Box ${String(box.nth + 1)}`}
        value={placed.place}
        options={places.map((value) => ({ value, label: PLACE_NAMES[value] }))}
        onChange={(place) => {
          edit(
            (d) => withBox(d, box, place === 'free' ? typedAt('free', box) : { place, at: null }),
            'pack place',
          );
        }}
      />
      <div className="flex min-h-[30px] flex-wrap items-center gap-x-2 gap-y-1 border-b border-hair py-1">
        <PlainNumber
          label="ahead"
          value={box.x}
          unit="mm"
          min={-2000}
          max={5000}
          step={5}
          onChange={(x) => {
            put({ x });
          }}
        />
        <PlainNumber
          label="up"
          value={box.y}
          unit="mm"
          min={-200}
          max={3000}
          step={5}
          onChange={(y) => {
            put({ y });
          }}
        />
        <PlainNumber
          label="turn"
          value={box.angleDeg}
          unit="degrees"
          min={-180}
          max={180}
          step={1}
          onChange={(angleDeg) => {
            put({ angleDeg });
          }}
        />
        {boxes.length > 1 && (
          <button
            type="button"
            aria-label={`Take ${boxName(build, box)} out`}
            className="ml-auto grid size-6 place-items-center text-ink2 hover:bg-press max-bench:size-11"
            onClick={() => {
              edit(
                (d) =>
                  withPack(d, box.pack, (one) => ({
                    ...one,
                    boxes: one.boxes.filter((_, j) => j !== box.nth),
                  })),
                'pack box',
              );
            }}
          >
            <X size={15} strokeWidth={1.6} aria-hidden />
          </button>
        )}
      </div>
    </div>
  );
}

function OnePack({ build, verdict, index }: Props & { index: PackIndex }) {
  const edit = useBuild((state) => state.edit);
  const at = packPath(index);
  const pack = build.packs[index] ?? build.packs[0];
  const title = build.packs.length > 1 ? `Where pack ${String(index + 1)} goes` : 'Where the pack goes';
  return (
    <FieldGroup title={title} note={index === 0 ? 'drag it in the drawing, or type' : pack.name}>
      {verdict.fit.boxes
        .filter((box) => box.pack === index)
        .map((box) => (
          <BoxRow key={box.nth} build={build} verdict={verdict} box={box} />
        ))}
      <NumberField path={`${at}.boxLengthMm`} />
      <NumberField path={`${at}.boxHeightMm`} />
      <NumberField path={`${at}.boxWidthMm`} />
      {pack.boxes.length < MOST_BOXES && (
        <div className="no-print pt-2">
          <Button
            kind="quiet"
            onClick={() => {
              edit(
                (d) =>
                  withPack(d, index, (one) => ({
                    ...one,
                    boxes: [...one.boxes, { place: one.boxes[0]?.place ?? 'free', at: null }],
                  })),
                'pack box',
              );
            }}
          >
            <Plus size={14} strokeWidth={1.6} aria-hidden /> Split the pack over another box
          </Button>
        </div>
      )}
    </FieldGroup>
  );
}
