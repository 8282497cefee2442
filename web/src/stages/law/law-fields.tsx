import { FieldGroup } from '../../fields/field-group.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { ControlAnswer } from '../parts/control-answer.tsx';
import { useStage } from '../parts/use-stage.ts';

/** The values of the build that the law asks for, to settle them where they are missed. */
export function LawFields() {
  const { document } = useStage();
  return (
    <FieldGroup title="What the law asks of it">
      <NumberField path="drive.ratedPowerW" label="Rated power" />
      {document.controller.limitsSpeed && (
        <NumberField path="controller.assistCutoffKmh" label="Help has ended at" />
      )}
      <ControlAnswer name="motorStopsWithPedals" label="Motor stops with the pedals" />
      <ControlAnswer name="speedometer" label="Speedometer fitted" />
      <ControlAnswer name="classLabel" label="Class label on it" />
    </FieldGroup>
  );
}
