import { WHEEL_SIZES, formatNumber } from '@apple-cart/core';
import { ChoiceField } from '../../fields/choice-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';

/** The bead seat of the driven wheel, by its usual name. */
export function WheelSize() {
  const { donor } = useDocument();
  const edit = useBuild((state) => state.edit);
  const { beadMm } = donor;
  const value = beadMm.source === 'unknown' ? '' : String(beadMm.value);
  const odd = value !== '' && !WHEEL_SIZES.some((s) => String(s.beadMm) === value);
  return (
    <ChoiceField
      label="Driven wheel"
      value={value}
      unknown={value === ''}
      options={[
        ...(value === '' ? [{ value: '', label: 'not known' }] : []),
        ...(odd ? [{ value, label: `${formatNumber(Number(value), 1)} mm` }] : []),
        ...WHEEL_SIZES.map((size) => ({
          value: String(size.beadMm),
          label: size.name,
          note: `${String(size.beadMm)} mm bead (ISO 5775)`,
        })),
      ]}
      onChange={(next) => {
        if (next === '') return;
        edit(
          (d) => withSection(d, 'donor', { beadMm: { source: 'label', value: Number(next) } }),
          'wheel size',
        );
      }}
    />
  );
}
