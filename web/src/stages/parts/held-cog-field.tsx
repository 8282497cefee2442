import { ChoiceField } from '../../fields/choice-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';

/** The gear held on the test hill, or the best one at each speed: a cog, a gear of the hub, or both. */
export function HeldCogField({ label }: { label: string }) {
  const { gearing } = useDocument();
  const edit = useBuild((state) => state.edit);
  const hub = gearing.hubRatios.length > 0;
  return (
    <>
      {(!hub || gearing.cogTeeth.length > 1) && (
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
      )}
      {hub && (
        <ChoiceField
          label="Hub gear held on the hill"
          value={gearing.heldHubGear === null ? 'best' : String(gearing.heldHubGear)}
          options={[
            { value: 'best', label: 'best gear', note: 'most pull within the cadence span' },
            ...gearing.hubRatios.map((ratio, i) => ({
              value: String(i + 1),
              label: `gear ${String(i + 1)}`,
              note: `ratio ${String(ratio)}`,
            })),
          ]}
          onChange={(value) => {
            edit(
              (d) => withSection(d, 'gearing', { heldHubGear: value === 'best' ? null : Number(value) }),
              'hub gear held',
            );
          }}
        />
      )}
    </>
  );
}
