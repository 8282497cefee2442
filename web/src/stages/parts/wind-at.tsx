import { TERRAINS, type BuildDocument } from '@apple-cart/core';
import { ChoiceField } from '../../fields/choice-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';

type Terrain = BuildDocument['brief']['windAt'];
const OPTIONS = (Object.entries(TERRAINS) as [Terrain, { of: string }][]).map(([value, { of }]) => ({
  value,
  label: of,
}));

/** Where the wind is stated: at the rider, or at the height of a forecast over a kind of land. */
export function WindAt() {
  const { brief } = useDocument();
  const edit = useBuild((state) => state.edit);
  return (
    <ChoiceField<Terrain>
      label="The wind is"
      value={brief.windAt}
      options={OPTIONS}
      onChange={(windAt) => {
        edit((d) => withSection(d, 'brief', { windAt }), 'where the wind is stated');
      }}
    />
  );
}
