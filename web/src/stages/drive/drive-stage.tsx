import { msToKmh, type BuildDocument } from '@apple-cart/core';
import { ChoiceField } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { Caution } from '../../ui/caution.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { CogsField } from '../../fields/cogs-field.tsx';
import { DRIVE_KINDS } from './drive-kinds.ts';
import { ControlAnswer } from '../parts/control-answer.tsx';
import { HeldCogField } from '../parts/held-cog-field.tsx';
import { Stage, StageFindings } from '../parts/stage.tsx';
import { useDeferredStage } from '../parts/use-stage.ts';
import { MotorFields } from './motor-fields.tsx';
import { GearTable } from './gear-table.tsx';
import { MotorLedger } from './motor-ledger.tsx';

function Inputs() {
  const document = useDocument();
  const edit = useBuild((state) => state.edit);
  const { controls } = document;
  const control = (part: Partial<BuildDocument['controls']>, label: string): void => {
    edit((d) => withSection(d, 'controls', part), label);
  };
  return (
    <>
      <MotorFields document={document} />
      <FieldGroup title="Gearing">
        <NumberField path="gearing.ringTeeth" />
        <CogsField />
        <HeldCogField label="Cog held on the hill" />
        <NumberField path="brief.cadenceMinRpm" />
        <NumberField path="brief.cadenceMaxRpm" />
        <NumberField path="gearing.chainEfficiency" />
      </FieldGroup>
      <FieldGroup title="Controls">
        <ChoiceField
          label="Assist sensor"
          value={controls.assistSensor}
          options={[
            { value: 'none', label: 'none' },
            { value: 'cadence', label: 'cadence', note: 'helps while the pedals turn' },
            { value: 'torque', label: 'torque', note: 'helps in proportion to the legs' },
          ]}
          onChange={(assistSensor) => {
            control({ assistSensor }, 'assist sensor');
          }}
        />
        {controls.assistSensor === 'torque' && (
          <NumberField path="controls.assistRatio" label="Help per rider watt" />
        )}
        <ChoiceField
          label="Throttle"
          value={controls.throttle}
          options={[
            { value: 'none', label: 'none' },
            { value: 'walk', label: 'walk help only' },
            { value: 'full', label: 'full' },
          ]}
          onChange={(throttle) => {
            control({ throttle }, 'throttle');
          }}
        />
        {controls.throttle === 'walk' && <NumberField path="controls.walkCutoffKmh" />}
        <ControlAnswer name="motorStopsWithPedals" label="Motor stops with the pedals" />
        <ControlAnswer name="brakeCutoffs" label="Brake levers cut the motor" />
      </FieldGroup>
      <StageFindings id="drive" />
      <Caution>
        A motor can turn the wheel when you least expect it: unplug the pack before you touch chain, spokes or
        plugs.
      </Caution>
    </>
  );
}

/** Motor, gears and controls, with a table of the gears. */
export function DriveStage() {
  const { document, verdict } = useDeferredStage();
  const shown = useQuantity();
  const { climb } = verdict.hill;
  const stage = verdict.stages.find((s) => s.id === 'drive');
  const hillKmh = climb.climbs ? msToKmh(climb.v) : undefined;
  const hillCog = climb.climbs ? climb.cogTeeth : undefined;
  const mid = document.drive.kind === 'mid-drive';
  const kind = DRIVE_KINDS.find((k) => k.value === document.drive.kind)?.label ?? '';
  const cadence = climb.climbs ? climb.cadenceRpm : undefined;
  return (
    <Stage
      id="drive"
      stamp={{ state: stage?.state ?? 'unknown', word: kind, under: stage?.words ?? '' }}
      inputs={<Inputs />}
      picture={
        <>
          <PanelHead
            title={
              mid
                ? 'Motor and legs pull through the same gears'
                : 'The motor pulls alike in every gear; the legs do not'
            }
            note={
              hillKmh === undefined
                ? 'it does not climb the test hill'
                : `upright line: ${shown(hillKmh, 'km/h').text} ${shown(1, 'km/h').unit} on the test hill`
            }
          />
          <GearTable rows={verdict.gears} hillKmh={hillKmh} hillCog={hillCog} />
          <p className="py-2 text-[13px] text-ink2">
            {cadence !== undefined && `On the test hill the cranks turn at ${cadence.toFixed(0)} rpm. `}
            Pull is motor and rider together at the tyre, at the low end of the cadence span, at half charge.
            {mid &&
              ' A smaller chainring adds pull and takes speed in the same proportion; chain and cogs carry both.'}
          </p>
          <MotorLedger verdict={verdict} />
        </>
      }
    />
  );
}
