import { formatNumber, type BuildDocument, type Chemistry, type Verdict } from '@apple-cart/core';
import { ChoiceField, PlainRow, YesNoField } from '../../fields/choice-field.tsx';
import { FieldGroup, WorkedRow } from '../../fields/field-group.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { useBuild } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { Num } from '../../ui/num.tsx';
import { NameField } from '../parts/name-field.tsx';
import { ShelfMenu } from '../parts/shelf-menu.tsx';

const CHEMISTRY: readonly { readonly value: Chemistry; readonly label: string; readonly note: string }[] = [
  { value: 'nmc', label: 'lithium, NMC or NCA', note: '4.20 V a cell when full' },
  { value: 'lfp', label: 'lithium iron phosphate', note: '3.65 V a cell when full' },
  { value: 'lead-acid', label: 'sealed lead-acid', note: 'counted in 2 V cells: a 12 V block is 6' },
];

export function PackFields({ document, verdict }: { document: BuildDocument; verdict: Verdict }) {
  const edit = useBuild((state) => state.edit);
  return (
    <FieldGroup title="Pack">
      <NameField section="pack" label="Which pack" />
      <ChoiceField
        label="Chemistry"
        value={document.pack.chemistry}
        options={CHEMISTRY}
        onChange={(chemistry) => {
          edit((d) => withSection(d, 'pack', { chemistry }), 'chemistry');
        }}
      />
      <PlainRow label="Copy a pack">
        <ShelfMenu type="pack" />
      </PlainRow>
      <NumberField path="pack.nominalV" />
      <NumberField path="pack.cellsInSeries" />
      <NumberField path="pack.capacityAh" />
      <WorkedRow label="Label energy" unit="Wh" sum>
        <Num text={formatNumber(verdict.power.energyWh, 0)} places={3} />
      </WorkedRow>
      <NumberField path="pack.bmsCurrentA" label="Protection limit" />
      <NumberField path="pack.wiringMohm" label="Leads and plugs" />
      <NumberField path="pack.healthPct" />
      <NumberField path="pack.chargeLimitPct" />
      <NumberField path="pack.massKg" label="Mass" />
    </FieldGroup>
  );
}

export function ControllerFields({ document, verdict }: { document: BuildDocument; verdict: Verdict }) {
  const edit = useBuild((state) => state.edit);
  const change = (part: Partial<BuildDocument['controller']>, label: string, key = ''): void => {
    edit((d) => withSection(d, 'controller', part), label, key);
  };
  const { controller } = document;
  return (
    <FieldGroup title="Controller">
      <NameField section="controller" label="Which controller" />
      <PlainRow label="Copy a controller">
        <ShelfMenu type="controller" />
      </PlainRow>
      <NumberField path="controller.batteryCurrentA" />
      <WorkedRow label="Input power" unit="W" sum>
        <Num text={formatNumber(verdict.power.inputW, 0)} places={3} />
      </WorkedRow>
      <NumberField path="controller.phaseCurrentA" />
      <NumberField path="controller.lowVoltageCutoffV" />
      <YesNoField
        label="Speed limit"
        value={controller.limitsSpeed}
        yes="set"
        no="none"
        onChange={(limitsSpeed) => {
          change({ limitsSpeed }, 'speed limit');
        }}
      />
      {controller.limitsSpeed && (
        <>
          <NumberField path="controller.assistCutoffKmh" label="Help has ended at" />
          <NumberField path="controller.assistTaperKmh" label="It fades over" />
        </>
      )}
      <YesNoField
        label="Power limit"
        value={controller.limitsPower}
        yes="set"
        no="none"
        onChange={(limitsPower) => {
          change({ limitsPower }, 'power limit');
        }}
      />
      {controller.limitsPower && <NumberField path="controller.powerLimitW" />}
      <NumberField path="controller.resistanceMohm" label="Resistance" />
      <NumberField path="controller.standbyW" label="Standby, display" />
      <NumberField path="controller.massKg" label="Mass, with fittings" />
    </FieldGroup>
  );
}
