import type { BuildDocument } from '@apple-cart/core';
import { AnswerField } from '../../fields/choice-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';

type Name = Extract<
  keyof BuildDocument['controls'],
  'pedalHelpStops' | 'brakeCutoffs' | 'speedometer' | 'classLabel'
>;

/** A yes-or-no fact of the controls. */
export function ControlAnswer({ name, label }: { name: Name; label: string }) {
  const { controls } = useDocument();
  const edit = useBuild((state) => state.edit);
  return (
    <AnswerField
      label={label}
      value={controls[name]}
      onChange={(answer) => {
        edit((d) => withSection(d, 'controls', { [name]: answer }), label.toLowerCase());
      }}
    />
  );
}
