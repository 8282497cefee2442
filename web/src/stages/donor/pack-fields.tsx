import { Plus, X } from 'lucide-react';
import type { BuildDocument, PackPlace, Verdict } from '@apple-cart/core';
import { ChoiceField } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { PlainNumber } from '../../fields/plain-number.tsx';
import { useBuild } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { Button } from '../../ui/button.tsx';
import { PLACE_NAMES, typedAt, withBox } from './pack-boxes.ts';

/** Where each box of the pack is: its place, and its centre and turn as numbers. */
export function PackFields({ build, verdict }: { build: BuildDocument; verdict: Verdict }) {
  const edit = useBuild((state) => state.edit);
  const places: readonly PackPlace[] = [
    ...new Set([...verdict.fit.frame.places.map((p) => p.place), 'free' as const]),
  ];
  const { boxes } = build.pack;
  return (
    <FieldGroup title="Where the pack goes" note="drag it in the drawing, or type">
      {boxes.map((placed, i) => {
        const box = verdict.fit.boxes[i];
        if (box === undefined) return null;
        const put = (change: Partial<{ x: number; y: number; angleDeg: number }>): void => {
          edit(
            (d) => withBox(d, i, typedAt(placed.place, { ...box, ...change })),
            'pack place',
            `pack.box${String(i)}`,
          );
        };
        return (
          <div key={i} data-pack-fields={i}>
            <ChoiceField<PackPlace>
              label={boxes.length === 1 ? 'Place' : `Box ${String(i + 1)}`}
              value={placed.place}
              options={places.map((value) => ({ value, label: PLACE_NAMES[value] }))}
              onChange={(place) => {
                edit(
                  (d) => withBox(d, i, place === 'free' ? typedAt('free', box) : { place, at: null }),
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
                  aria-label={`Take box ${String(i + 1)} out`}
                  className="ml-auto grid size-6 place-items-center text-ink2 hover:bg-press max-bench:size-11"
                  onClick={() => {
                    edit(
                      (d) => withSection(d, 'pack', { boxes: d.pack.boxes.filter((_, j) => j !== i) }),
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
      })}
      <NumberField path="pack.boxLengthMm" />
      <NumberField path="pack.boxHeightMm" />
      <NumberField path="pack.boxWidthMm" />
      {boxes.length < 4 && (
        <div className="no-print pt-2">
          <Button
            kind="quiet"
            onClick={() => {
              edit(
                (d) =>
                  withSection(d, 'pack', {
                    boxes: [...d.pack.boxes, { place: d.pack.boxes[0]?.place ?? 'free', at: null }],
                  }),
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
