import { useState } from 'react';
import { inUse, isHubMotor, type BuildDocument, type DriveKind, type QuantityPath } from '@apple-cart/core';
import { ChoiceField, PlainRow, YesNoField } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { Lacing, MotorCogs } from '../parts/motor-cogs.tsx';
import { DriveAnswer } from '../parts/drive-answer.tsx';
import { withSection } from '../../state/paths.ts';
import { COMMUTATIONS, DRIVE_KINDS } from './drive-kinds.ts';
import { NameField } from '../parts/name-field.tsx';
import { ShelfMenu } from '../parts/shelf-menu.tsx';

export function MotorFields({ document }: { document: BuildDocument }) {
  const edit = useBuild((state) => state.edit);
  const { drive } = document;
  const isHub = isHubMotor(document);
  const change = (part: Partial<BuildDocument['drive']>, label: string, key = ''): void => {
    edit((d) => withSection(d, 'drive', part), label, key);
  };
  return (
    <>
      <FieldGroup title="Motor">
        <NameField section="drive" label="Which motor" />
        <ChoiceField
          label="Kind"
          value={drive.kind}
          options={DRIVE_KINDS}
          onChange={(kind) => {
            change({ kind, freewheel: kind !== 'direct-drive-hub' }, 'kind of motor');
          }}
        />
        <ChoiceField
          label="Leads"
          value={drive.commutation}
          options={COMMUTATIONS}
          onChange={(commutation) => {
            change({ commutation }, 'leads of the motor');
          }}
        />
        {drive.kind !== 'mid-drive' && (
          <ChoiceField<BuildDocument['drive']['motors']>
            label="How many"
            value={drive.motors}
            options={[
              { value: 'one', label: 'one' },
              ...(isHub
                ? [{ value: 'each-wheel' as const, label: 'one in each wheel', note: 'two equal ones' }]
                : []),
              { value: 'pair', label: 'a pair on one axle', note: 'two equal ones' },
            ]}
            onChange={(motors) => {
              change({ motors }, 'how many motors');
            }}
          />
        )}
        {drive.kind !== 'mid-drive' && (
          <ChoiceField
            label="Driven wheel"
            value={drive.wheel}
            options={[
              { value: 'front', label: 'front' },
              { value: 'rear', label: 'rear' },
            ]}
            onChange={(wheel) => {
              change({ wheel }, 'driven wheel');
            }}
          />
        )}
        <PlainRow label="Copy a motor">
          <ShelfMenu type="motor" />
        </PlainRow>
        <NumberField path="drive.ratedPowerW" label="Rated power" />
        <NumberField path="drive.labelV" label="Volts on its label" />
        <NumberField path="drive.massKg" label="Mass" />
        <NumberField path="drive.kvRpmPerV" label="Speed constant Kv" />
        {inUse(document, 'drive.reduction') && <NumberField path="drive.reduction" />}
        <NumberField path="drive.polePairs" />
        {isHub && drive.wheel === 'rear' && <MotorCogs />}
        {isHub && <Lacing />}
        {inUse(document, 'drive.spokes') && (
          <>
            <NumberField path="drive.spokes" />
            <NumberField path="drive.crossings" />
          </>
        )}
      </FieldGroup>
      {drive.kind === 'external' && <ExternalFields />}
      <MotorLabel document={document} />
      <MotorDetail document={document} change={change} />
    </>
  );
}

/** Turns, amps and torque that some labels state: what is not known of the motor follows from them. */
function MotorLabel({ document }: { document: BuildDocument }) {
  const paths = LABEL_PATHS.filter((path) => inUse(document, path));
  if (paths.length === 0) return null;
  return (
    <FieldGroup title="If its label says more">
      <p className="pb-1 text-[13px] leading-snug text-ink2">
        {`Turns are those of the ${OUTPUT[document.drive.kind]}. What is not known of the motor follows from these.`}
      </p>
      {paths.map((path) => (
        <NumberField key={path} path={path} />
      ))}
    </FieldGroup>
  );
}

const LABEL_PATHS = [
  'drive.noLoadRpm',
  'drive.noLoadA',
  'drive.ratedRpm',
  'drive.ratedA',
  'drive.labelNm',
] as const satisfies readonly QuantityPath[];
const OUTPUT: Readonly<Record<DriveKind, string>> = {
  'geared-hub': 'wheel',
  'direct-drive-hub': 'wheel',
  'mid-drive': 'cranks',
  external: 'shaft',
};

/** Chain or belt from an external motor to the wheel. */
function ExternalFields() {
  const { drive } = useDocument();
  const edit = useBuild((state) => state.edit);
  return (
    <FieldGroup title="Chain or belt to the wheel">
      <ChoiceField
        label="Medium"
        value={drive.medium}
        options={[
          { value: 'chain', label: 'chain' },
          { value: 'belt', label: 'toothed belt' },
        ]}
        onChange={(medium) => {
          edit((d) => withSection(d, 'drive', { medium }), 'chain or belt');
        }}
      />
      <NumberField path="drive.motorSprocketTeeth" />
      <NumberField path="drive.wheelSprocketTeeth" />
      <NumberField path="drive.pitchMm" />
      <NumberField path="drive.centreMm" />
      {drive.commutation !== 'brushes' && <DriveAnswer name="covered" />}
      <NumberField path="drive.lengthPitches" />
      <DriveAnswer name="idler" />
      {drive.idler === 'yes' && <NumberField path="drive.meshTeeth" />}
    </FieldGroup>
  );
}

function MotorDetail({
  document,
  change,
}: {
  document: BuildDocument;
  change: (part: Partial<BuildDocument['drive']>, label: string) => void;
}) {
  const [open, setOpen] = useState(false);
  return (
    <details
      open={open}
      onToggle={(event) => {
        setOpen(event.currentTarget.open);
      }}
    >
      <summary className="flex min-h-8 cursor-pointer items-center gap-2 text-[13px] text-slate underline max-bench:min-h-11">
        {open ? 'Less of the motor' : 'Winding, core, gears, mass'}
      </summary>
      <NumberField path="drive.resistanceOhm" label="Resistance, 20 °C" />
      <NumberField path="drive.windingC" label="Winding, when working" />
      <NumberField path="drive.hysteresisNm" label="Core drag, constant" />
      <NumberField path="drive.eddyNms" label="Core drag, with speed" />
      {inUse(document, 'drive.efficiency') && <NumberField path="drive.efficiency" label="Gear efficiency" />}
      {document.drive.commutation === 'brushes' && <NumberField path="drive.brushV" />}
      <YesNoField
        label="Freewheel inside"
        value={document.drive.freewheel}
        onChange={(freewheel) => {
          change({ freewheel }, 'freewheel');
        }}
      />
    </details>
  );
}
