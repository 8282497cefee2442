import { asksWhatHoldsHand, isThrottle, throttleEnds, type BuildDocument } from '@apple-cart/core';
import { AnswerField, ChoiceField, PlainRow, YesNoField } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { Caution } from '../../ui/caution.tsx';
import { CogsField, RatiosField } from '../../fields/cogs-field.tsx';
import { Tabs } from '../../ui/tabs.tsx';
import { ShelfMenu } from '../parts/shelf-menu.tsx';
import { GearsView } from './gears-view.tsx';
import { LayoutsView } from './layouts-view.tsx';
import { RingsView } from './rings-view.tsx';
import { DRIVE_KINDS } from './drive-kinds.ts';
import { ControlAnswer } from '../parts/control-answer.tsx';
import { HeldCogField } from '../parts/held-cog-field.tsx';
import { LevelFields } from '../parts/level-fields.tsx';
import { Stage, StageFindings } from '../parts/stage.tsx';
import { useDeferredStage } from '../parts/use-stage.ts';
import { MotorFields } from './motor-fields.tsx';

const THROTTLES = [
  { value: 'thumb', label: 'thumb' },
  { value: 'half-grip', label: 'half grip' },
  { value: 'twist', label: 'twist' },
  { value: 'unknown', label: 'not checked' },
] as const;
const KEY = {
  value: 'display',
  label: 'a key at the display',
  note: 'nothing of its own is fitted',
} as const;

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
        <RatiosField />
        <PlainRow label="From the shelf">
          <span className="flex gap-4">
            <ShelfMenu type="ring" label="ring" />
            <ShelfMenu type="cogs" label="cogs" />
            <ShelfMenu type="tyre" label="tyre" />
          </span>
        </PlainRow>
        <HeldCogField label="Cog held on the hill" />
        <NumberField path="brief.cadenceMinRpm" />
        <NumberField path="brief.cadenceMaxRpm" />
        <NumberField path="gearing.chainEfficiency" />
        {document.drive.kind === 'mid-drive' && (
          <AnswerField
            label="Shift sensor"
            value={document.gearing.shiftSensor}
            onChange={(shiftSensor) => {
              edit((d) => withSection(d, 'gearing', { shiftSensor }), 'shift sensor');
            }}
          />
        )}
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
        <LevelFields />
        <ChoiceField
          label="Throttle"
          value={controls.throttle}
          options={[
            { value: 'none', label: 'none' },
            { value: 'walk', label: 'walk help only' },
            { value: 'pedalling', label: 'while pedalling', note: 'works only while the pedals turn' },
            { value: 'full', label: 'full', note: 'drives it with the pedals still' },
          ]}
          onChange={(throttle) => {
            // A key at the display drives nothing but walk help.
            const key = controls.throttleKind === 'display' && throttle !== 'walk';
            control({ throttle, ...(key ? { throttleKind: 'unknown' } : {}) }, 'throttle');
          }}
        />
        {controls.throttle !== 'none' && (
          <ChoiceField
            label={isThrottle(document) ? 'Kind of throttle' : 'Walk help by'}
            value={controls.throttleKind}
            unknown={controls.throttleKind === 'unknown'}
            options={isThrottle(document) ? THROTTLES : [KEY, ...THROTTLES]}
            onChange={(throttleKind) => {
              control({ throttleKind }, 'kind of throttle');
            }}
          />
        )}
        {isThrottle(document) && (
          <YesNoField
            label="Limit of its own"
            value={controls.throttleLimited}
            yes="by speed"
            no="none"
            onChange={(throttleLimited) => {
              control({ throttleLimited }, 'limit of the throttle');
            }}
          />
        )}
        {throttleEnds(document) && <NumberField path="controls.throttleCutoffKmh" />}
        {asksWhatHoldsHand(document) && (
          <ControlAnswer name="limitHoldsThrottle" label="Speed limit holds the throttle too" />
        )}
        {isThrottle(document) && controls.assistSensor !== 'none' && (
          <NumberField path="controls.throttleSharePct" />
        )}
        {controls.throttle === 'walk' && <NumberField path="controls.walkCutoffKmh" />}
        <ControlAnswer name="pedalHelpStops" label="Pedal help stops with the pedals" />
        <ControlAnswer name="brakeCutoffs" label="Brake levers cut the motor" />
        {!document.drive.freewheel && (
          <AnswerField
            label="Brakes with the motor"
            value={document.controller.regenerates}
            onChange={(regenerates) => {
              edit((d) => withSection(d, 'controller', { regenerates }), 'regeneration');
            }}
          />
        )}
      </FieldGroup>
      <StageFindings id="drive" />
      <Caution>
        A motor can turn the wheel when you least expect it: unplug the pack before you touch chain, spokes or
        plugs.
      </Caution>
    </>
  );
}

/** Motor, gears and controls; the gears as table and chart, rings side by side, and the layouts compared. */
export function DriveStage() {
  const { document, verdict } = useDeferredStage();
  const stage = verdict.stages.find((s) => s.id === 'drive');
  const kind = DRIVE_KINDS.find((k) => k.value === document.drive.kind)?.label ?? '';
  return (
    <Stage
      id="drive"
      stamp={{ state: stage?.state ?? 'unknown', word: kind, under: stage?.words ?? '' }}
      inputs={<Inputs />}
      picture={
        <Tabs
          label="Views of the drive"
          tabs={[
            { id: 'gears', label: 'Gears', content: <GearsView /> },
            { id: 'rings', label: 'What if: rings', content: <RingsView /> },
            { id: 'layouts', label: 'Front, rear or middle', content: <LayoutsView /> },
          ]}
        />
      }
    />
  );
}
