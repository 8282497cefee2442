import { DRAG_ADDS, POSTURES, TYRES, type BuildDocument } from '@apple-cart/core';
import { ChoiceField } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { SeveralField } from '../../fields/several-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';

type Donor = BuildDocument['donor'];

/** A table of usual values as options, in its own order. */
const optionsOf = <T extends string>(table: Readonly<Record<T, { readonly of: string }>>) =>
  (Object.entries(table) as [T, { of: string }][]).map(([value, { of }]) => ({ value, label: of }));

const NOT_SAID = { value: 'unknown', label: 'not said' } as const;
const POSTURE_OPTIONS = [...optionsOf(POSTURES), NOT_SAID];
const TYRE_OPTIONS = [...optionsOf(TYRES), NOT_SAID];
const CARRIED = optionsOf(DRAG_ADDS);

/** How the machine stands, grips, rolls and meets the air. */
export function RoadFields() {
  const { donor } = useDocument();
  const edit = useBuild((state) => state.edit);
  const change = (part: Partial<Donor>, label: string): void => {
    edit((d) => withSection(d, 'donor', part), label);
  };
  return (
    <FieldGroup title="Balance and road" note="rider on">
      <ChoiceField<Donor['posture']>
        label="How one sits on it"
        value={donor.posture}
        unknown={donor.posture === 'unknown'}
        options={POSTURE_OPTIONS}
        onChange={(posture) => {
          change({ posture }, 'posture');
        }}
      />
      <SeveralField
        label="In the wind beside the rider"
        values={donor.carries}
        options={CARRIED}
        onChange={(carries) => {
          change({ carries: [...carries] }, 'what it carries');
        }}
      />
      <NumberField path="donor.cdaM2" />
      <ChoiceField<Donor['tyre']>
        label="Tyres"
        value={donor.tyre}
        unknown={donor.tyre === 'unknown'}
        options={TYRE_OPTIONS}
        onChange={(tyre) => {
          change({ tyre }, 'tyres');
        }}
      />
      <NumberField path="donor.crr" />
      <NumberField path="donor.pressurePct" />
      <NumberField path="donor.tyreGrip" />
      <NumberField path="donor.tyreGripWet" />
      <NumberField path="donor.massAheadMm" label="Mass ahead of axle" />
      <NumberField path="donor.massHeightMm" label="Mass above ground" />
    </FieldGroup>
  );
}
