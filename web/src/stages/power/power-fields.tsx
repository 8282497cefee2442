import { formatNumber, type BuildDocument, type Chemistry, type Verdict } from '@apple-cart/core';
import { ChoiceField, PlainRow, YesNoField } from '../../fields/choice-field.tsx';
import { FieldGroup, WorkedRow } from '../../fields/field-group.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { useBuild } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { Num } from '../../ui/num.tsx';
import { NameField } from '../parts/name-field.tsx';
import { ShelfMenu } from '../parts/shelf-menu.tsx';

export const CHEMISTRY: readonly {
  readonly value: Chemistry;
  readonly label: string;
  readonly note: string;
}[] = [
  { value: 'nmc', label: 'lithium, energy cells', note: 'NMC or NCA, 4.20 V a cell when full' },
  { value: 'nmc-power', label: 'lithium, power cells', note: 'NMC, more amps, fewer amp-hours' },
  { value: 'lmo', label: 'lithium manganese', note: '4.20 V a cell when full' },
  { value: 'lfp', label: 'lithium iron phosphate', note: '3.65 V a cell when full' },
  { value: 'lead-acid', label: 'sealed lead-acid', note: 'counted in 2 V cells: a 12 V block is 6' },
];

const EnergyRow = ({ verdict }: { verdict: Verdict }) => (
  <WorkedRow label="Label energy" unit="Wh" sum>
    <Num text={formatNumber(verdict.power.energyWh, 0)} places={3} />
  </WorkedRow>
);

/** How a pack came about, and its chemistry: both kinds of pack begin with it. */
function PackKind({ document }: { document: BuildDocument }) {
  const edit = useBuild((state) => state.edit);
  return (
    <>
      <ChoiceField
        label="The pack is"
        value={document.pack.make}
        options={[
          { value: 'ready', label: 'ready-made', note: 'volts, amp-hours and amps from its label' },
          {
            value: 'cells',
            label: 'made from cells',
            note: 'worked out from cells in series and side by side',
          },
        ]}
        onChange={(make) => {
          edit((d) => withSection(d, 'pack', { make }), 'kind of pack');
        }}
      />
      <ChoiceField
        label="Chemistry"
        value={document.pack.chemistry}
        options={CHEMISTRY}
        onChange={(chemistry) => {
          edit((d) => withSection(d, 'pack', { chemistry }), 'chemistry');
        }}
      />
    </>
  );
}

export function PackFields({ document, verdict }: { document: BuildDocument; verdict: Verdict }) {
  return (
    <FieldGroup title="Pack">
      <NameField section="pack" label="Which pack" />
      <PackKind document={document} />
      <PlainRow label="Copy a pack">
        <ShelfMenu type="pack" />
      </PlainRow>
      <NumberField path="pack.nominalV" />
      <NumberField path="pack.cellsInSeries" />
      <NumberField path="pack.capacityAh" />
      <EnergyRow verdict={verdict} />
      <NumberField path="pack.bmsCurrentA" label="Protection limit" />
      <NumberField path="pack.wiringMohm" label="Leads and plugs" />
      <NumberField path="pack.healthPct" />
      <NumberField path="pack.massKg" label="Mass" />
    </FieldGroup>
  );
}

/** A pack from cells: how many, which, and how they stand in the box. */
export function CellFields({ document, verdict }: { document: BuildDocument; verdict: Verdict }) {
  const edit = useBuild((state) => state.edit);
  const cell = (part: Partial<BuildDocument['cell']>, label: string): void => {
    edit((d) => withSection(d, 'cell', part), label);
  };
  return (
    <>
      <FieldGroup title="Pack from cells">
        <NameField section="pack" label="Which pack" />
        <PackKind document={document} />
        <NumberField path="pack.cellsInSeries" />
        <NumberField path="cell.parallel" />
        <WorkedRow label="Volts, cells by their nominal" unit="V">
          <Num text={formatNumber(verdict.power.nominalV, 1)} places={3} />
        </WorkedRow>
        <WorkedRow label="Capacity" unit="Ah">
          <Num text={formatNumber(verdict.known.pack.capacityAh.value, 1)} places={3} />
        </WorkedRow>
        <EnergyRow verdict={verdict} />
        <NumberField path="pack.bmsCurrentA" label="Protection limit" />
        <NumberField path="pack.wiringMohm" label="Leads and plugs" />
        <NumberField path="pack.healthPct" />
        <NumberField path="pack.massKg" label="Mass, all in" />
      </FieldGroup>
      <FieldGroup title="The cell">
        <NameField section="cell" label="Which cell" />
        <PlainRow label="Copy a cell">
          <ShelfMenu type="cell" />
        </PlainRow>
        <YesNoField
          label="Body"
          value={document.cell.round}
          yes="round"
          no="block"
          onChange={(round) => {
            cell({ round }, 'body of the cell');
          }}
        />
        <NumberField path="cell.capacityAh" label="Capacity of one" />
        <NumberField path="cell.resistanceMohm" />
        <NumberField path="cell.continuousA" label="Amps, continuous" />
        <NumberField path="cell.peakA" label="Amps, for ten seconds" />
        <NumberField path="cell.chargeA" label="Amps on charge" />
        <NumberField path="cell.massG" />
        <NumberField path="cell.widthMm" label={document.cell.round ? 'Diameter' : 'Width'} />
        {!document.cell.round && <NumberField path="cell.depthMm" label="Depth" />}
        <NumberField path="cell.heightMm" />
      </FieldGroup>
      <FieldGroup title="In the box">
        {document.cell.round && (
          <ChoiceField
            label="Nesting"
            value={document.cell.nesting}
            options={[
              { value: 'square', label: 'square', note: 'rows stand cell behind cell' },
              { value: 'hexagonal', label: 'hexagonal', note: 'rows stand in the gaps: shallower' },
            ]}
            onChange={(nesting) => {
              cell({ nesting }, 'nesting');
            }}
          />
        )}
        <NumberField path="cell.rows" />
        <NumberField path="cell.gapMm" />
        <NumberField path="cell.caseMm" />
      </FieldGroup>
    </>
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
      <NumberField path="controller.lowVoltageFoldV" />
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
