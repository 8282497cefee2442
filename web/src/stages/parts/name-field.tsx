import { withValues, type BuildDocument, type PackPath } from '@apple-cart/core';
import { TextField } from '../../fields/text-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';

type NamedSection = 'donor' | 'drive' | 'controller' | PackPath | `${PackPath}.cell` | `${PackPath}.charger`;

const called = (section: NamedSection): string => {
  const [whole = '', , inside] = section.split('.');
  return whole === 'packs' ? (inside ?? 'pack') : whole;
};

function nameIn(build: BuildDocument, section: NamedSection): string {
  const [whole, index, inside] = section.split('.');
  if (whole !== 'packs') return build[section as 'donor' | 'drive' | 'controller'].name;
  const pack = build.packs[Number(index)] ?? build.packs[0];
  return inside === undefined ? pack.name : pack[inside as 'cell' | 'charger'].name;
}

/** What a part of the build is called. */
export function NameField({ section, label }: { section: NamedSection; label: string }) {
  const document = useDocument();
  const edit = useBuild((state) => state.edit);
  return (
    <TextField
      label={label}
      value={nameIn(document, section)}
      max={80}
      onChange={(name) => {
        edit((d) => withValues(d, section, { name }), `name of the ${called(section)}`, `${section}.name`);
      }}
    />
  );
}
