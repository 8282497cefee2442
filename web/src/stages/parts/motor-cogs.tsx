import type { BuildDocument } from '@apple-cart/core';
import { ChoiceField } from '../../fields/choice-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';

type Drive = BuildDocument['drive'];

/** What a rear hub motor takes its cogs on. */
export function MotorCogs() {
  const { drive } = useDocument();
  const edit = useBuild((state) => state.edit);
  return (
    <ChoiceField<Drive['cogBody']>
      label="Motor takes its cogs on"
      value={drive.cogBody}
      unknown={drive.cogBody === 'unknown'}
      options={[
        { value: 'cassette', label: 'a cassette body' },
        { value: 'freewheel', label: 'a thread for a freewheel' },
        { value: 'unknown', label: 'not checked' },
      ]}
      onChange={(cogBody) => {
        edit((d) => withSection(d, 'drive', { cogBody }), 'cogs of the motor');
      }}
    />
  );
}

/** Whether the wheel of a hub motor comes laced. */
export function Lacing() {
  const { drive } = useDocument();
  const edit = useBuild((state) => state.edit);
  return (
    <ChoiceField<Drive['lacing']>
      label="Motor’s wheel"
      value={drive.lacing}
      unknown={drive.lacing === 'unknown'}
      options={[
        { value: 'comes-laced', label: 'comes laced' },
        { value: 'own', label: 'I lace it' },
        { value: 'unknown', label: 'not said' },
      ]}
      onChange={(lacing) => {
        edit((d) => withSection(d, 'drive', { lacing }), 'wheel of the motor');
      }}
    />
  );
}
