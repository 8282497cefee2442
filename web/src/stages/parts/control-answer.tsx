import type { BuildDocument } from '@apple-cart/core';
import { AnswerField, PlannedField } from '../../fields/choice-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';

type Controls = BuildDocument['controls'];
type Name = Extract<keyof Controls, 'pedalHelpStops' | 'brakeCutoffs' | 'speedometer' | 'limitHoldsThrottle'>;

/** A yes-or-no fact of the controls, which may be planned only. */
export function ControlAnswer({ name, label }: { name: Name; label: string }) {
  const { controls } = useDocument();
  const edit = useBuild((state) => state.edit);
  return (
    <PlannedField
      label={label}
      value={controls[name]}
      onChange={(answer) => {
        edit((d) => withSection(d, 'controls', { [name]: answer }), label.toLowerCase());
      }}
    />
  );
}

/** Whether the label of the class is on. */
export function LabelAnswer({ label }: { label: string }) {
  const { controls } = useDocument();
  const edit = useBuild((state) => state.edit);
  return (
    <AnswerField
      label={label}
      value={controls.classLabel}
      onChange={(answer) => {
        edit((d) => withSection(d, 'controls', { classLabel: answer }), label.toLowerCase());
      }}
    />
  );
}
