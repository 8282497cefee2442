import { KEPT_PARTS, firstOf, type BuildDocument } from '@apple-cart/core';
import { PlainNumber } from '../../fields/plain-number.tsx';
import { SeveralField } from '../../fields/several-field.tsx';
import { AnswerField, ChoiceField, PlainRow } from '../../fields/choice-field.tsx';
import { FieldGroup, FoldedGroup } from '../../fields/field-group.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { NameField } from '../parts/name-field.tsx';
import { ShelfMenu } from '../parts/shelf-menu.tsx';
import { STYLE_NAMES, withStyle } from './donor-styles.ts';
import { WheelSize } from '../parts/wheel-size.tsx';

/** Which bicycle it is. */
export function DonorFields() {
  const { donor } = useDocument();
  const edit = useBuild((state) => state.edit);
  return (
    <FieldGroup title="The donor">
      <NameField section="donor" label="Which bicycle" />
      <PlainRow label="Copy a donor">
        <ShelfMenu type="donor" />
      </PlainRow>
      <ChoiceField
        label="Style"
        value={donor.style}
        options={STYLE_NAMES}
        onChange={(style) => {
          edit((d) => withStyle(d, style), 'style');
        }}
      />
      <WheelSize />
      <ChoiceField
        label="Wheels"
        value={String(donor.wheelCount)}
        options={['2', '3', '4'].map((value) => ({ value, label: value }))}
        onChange={(value) => {
          edit(
            (d) =>
              withSection(d, 'donor', {
                wheelCount: firstOf(
                  [
                    [value === '3', 3],
                    [value === '4', 4],
                  ],
                  2,
                ),
              }),
            'wheels',
          );
        }}
      />
    </FieldGroup>
  );
}

/** What few donors differ in: seats, what stays of an electric machine, pedals. */
export function MoreOfDonor() {
  const { donor } = useDocument();
  const edit = useBuild((state) => state.edit);
  const kept = donor.keeps.length;
  return (
    <FoldedGroup
      title="Seats, pedals, what stays"
      note={`${String(donor.seats)} ${donor.seats === 1 ? 'seat' : 'seats'}${kept === 0 ? '' : `, ${String(kept)} stay`}`}
    >
      <PlainRow label="Seats, sets of cranks">
        <span className="flex gap-4">
          <PlainNumber
            label="seats"
            value={donor.seats}
            unit="1"
            min={1}
            max={4}
            step={1}
            onChange={(seats) => {
              edit((d) => withSection(d, 'donor', { seats: Math.round(seats) }), 'seats');
            }}
          />
          <PlainNumber
            label="cranks"
            value={donor.crankSets}
            unit="1"
            min={1}
            max={4}
            step={1}
            onChange={(crankSets) => {
              edit((d) => withSection(d, 'donor', { crankSets: Math.round(crankSets) }), 'sets of cranks');
            }}
          />
        </span>
      </PlainRow>
      <SeveralField<BuildDocument['donor']['keeps'][number]>
        label="Stays of an electric machine"
        values={donor.keeps}
        options={KEPT_PARTS.map((value) => ({ value, label: value }))}
        onChange={(keeps) => {
          edit((d) => withSection(d, 'donor', { keeps: [...keeps] }), 'what stays');
        }}
      />
      {kept > 0 && (
        <p className="py-1 text-[12.5px] text-ink2">
          Weigh the donor with the motor and controller that stay, its pack off: the pack is weighed by
          itself.
        </p>
      )}
      <AnswerField
        label="Pedals that drive it"
        value={donor.operablePedals}
        onChange={(operablePedals) => {
          edit((d) => withSection(d, 'donor', { operablePedals }), 'pedals');
        }}
      />
    </FoldedGroup>
  );
}
