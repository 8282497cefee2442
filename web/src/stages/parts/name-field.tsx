import { TextField } from '../../fields/text-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';

/** What a part of the build is called. */
export function NameField({
  section,
  label,
}: {
  section: 'donor' | 'drive' | 'pack' | 'cell' | 'second' | 'controller' | 'charger';
  label: string;
}) {
  const document = useDocument();
  const edit = useBuild((state) => state.edit);
  return (
    <TextField
      label={label}
      value={document[section].name}
      max={80}
      onChange={(name) => {
        edit((d) => withSection(d, section, { name }), `name of the ${section}`, `${section}.name`);
      }}
    />
  );
}
