import { asksWhatHoldsHand, throttleEnds } from '@apple-cart/core';
import { FieldGroup } from '../../fields/field-group.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { ControlAnswer, LabelAnswer } from '../parts/control-answer.tsx';
import { useStage } from '../parts/use-stage.ts';

/** The values of the build that the law asks for, to settle them where they are missed. */
export function LawFields() {
  const { document, verdict } = useStage();
  const { controller, controls } = document;
  return (
    <FieldGroup title="What the law asks of it">
      <NumberField path="drive.ratedPowerW" label="Rated power" />
      {controller.limitsSpeed && (
        <NumberField path="controller.assistCutoffKmh" label="Help ends at, as set" />
      )}
      {controls.throttle === 'walk' && (
        <NumberField path="controls.walkCutoffKmh" label="Walk help, as set" />
      )}
      {throttleEnds(document) && (
        <NumberField path="controls.throttleCutoffKmh" label="Throttle drives it up to, as set" />
      )}
      {asksWhatHoldsHand(document) && (
        <ControlAnswer name="limitHoldsThrottle" label="Speed limit holds the throttle too" />
      )}
      {(controller.limitsSpeed || controls.throttle === 'walk' || throttleEnds(document)) && (
        <NumberField path="controller.setRolloutMm" label="Roll-out it holds" />
      )}
      {controller.limitsSpeed && (
        <NumberField path="controller.assistTaperKmh" label="It fades over the last" />
      )}
      {verdict.law.here.duties.some((d) => d.years !== undefined) && (
        <NumberField path="brief.riderAgeYears" label="Rider’s age, youngest" />
      )}
      <NumberField path="donor.widthMm" />
      <ControlAnswer name="pedalHelpStops" label="Pedal help stops with the pedals" />
      <ControlAnswer name="brakeCutoffs" label="Brakes cut the motor" />
      <ControlAnswer name="speedometer" label="Speedometer fitted" />
      <LabelAnswer label="Label or marking on it" />
      {controls.classLabel === 'yes' && (
        <>
          <NumberField path="controls.labelSpeedKmh" label="It states a speed of" />
          <NumberField path="controls.labelPowerW" label="It states a power of" />
        </>
      )}
    </FieldGroup>
  );
}
