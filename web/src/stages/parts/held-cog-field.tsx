import { ChoiceField } from '../../fields/choice-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';

/** The cog held on the test hill, or the best one at each speed. */
export function HeldCogField({ label }: { label: string }) {
  const { gearing } = useDocument();
  const edit = useBuild((state) => state.edit);
  return (
    <ChoiceField
      label={label}
      value={gearing.heldCogTeeth === null ? 'best' : String(gearing.heldCogTeeth)}
      options={[
        { value: 'best', label: 'best cog', note: 'most pull within the cadence span' },
        ...gearing.cogTeeth.map((teeth) => ({ value: String(teeth), label: `${String(teeth)} teeth` })),
      ]}
      onChange={(value) => {
        edit(
          (d) => withSection(d, 'gearing', { heldCogTeeth: value === 'best' ? null : Number(value) }),
          'cog held',
        );
      }}
    />
  );
}
