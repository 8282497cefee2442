import {
  MOST_CELL_PRICE,
  formatNumber,
  inUse,
  packPath,
  withValues,
  type BuildDocument,
  type Chemistry,
  type PackDocument,
  type PackIndex,
  type Verdict,
} from '@apple-cart/core';
import { CHOICE_ROW, ChoiceField, PlainRow, YesNoField } from '../../fields/choice-field.tsx';
import { FieldGroup, WorkedRow } from '../../fields/field-group.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { useBuild } from '../../state/build-store.ts';
import { NumberCell } from '../../ui/number-cell.tsx';
import { Num } from '../../ui/num.tsx';
import { NameField } from '../parts/name-field.tsx';
import { ShelfMenu } from '../parts/shelf-menu.tsx';

const CHEMISTRY: readonly {
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

function EnergyRow({ verdict, index }: { verdict: Verdict; index: PackIndex }) {
  const { nominalV, capacityAh } = verdict.known.packs[index] ?? verdict.known.packs[0];
  return (
    <WorkedRow label="Label energy" unit="Wh" sum from={[nominalV, capacityAh]}>
      <Num text={formatNumber(verdict.power.packs[index]?.energyWh ?? 0, 0)} places={3} />
    </WorkedRow>
  );
}

/** Where a pack stands between rides, what is round it, and how old it is: its warmth and what is left of it follow. */
function PackKeeping({ document, index }: { document: BuildDocument; index: PackIndex }) {
  const edit = useBuild((state) => state.edit);
  const at = packPath(index);
  const { kept, cover, board } = document.packs[index] ?? document.packs[0];
  return (
    <FieldGroup title="How it is kept">
      {inUse(document, `${at}.ageYears`) && <NumberField path={`${at}.ageYears`} label="Age" />}
      {inUse(document, `${at}.cycles`) && <NumberField path={`${at}.cycles`} />}
      <NumberField path={`${at}.healthPct`} />
      <ChoiceField
        label="Between rides"
        value={kept}
        unknown={kept === 'unknown'}
        options={[
          { value: 'indoors', label: 'indoors' },
          { value: 'outside', label: 'out in the air' },
          { value: 'unknown', label: 'not said' },
        ]}
        onChange={(next) => {
          edit((d) => withValues(d, at, { kept: next }), 'where the pack is kept');
        }}
      />
      <ChoiceField
        label="On the ride"
        value={cover}
        options={[
          { value: 'case', label: 'in its case' },
          { value: 'bag', label: 'in a padded bag', note: 'keeps its own warmth' },
          { value: 'bare', label: 'bare in the wind' },
        ]}
        onChange={(next) => {
          edit((d) => withValues(d, at, { cover: next }), 'what is round the pack');
        }}
      />
      <NumberField path={`${at}.startC`} label="At the start" />
      <ChoiceField
        label="Protection board"
        value={board}
        unknown={board === 'unknown'}
        options={[
          { value: 'yes', label: 'has one' },
          { value: 'no', label: 'has none', note: 'nothing but the controller’s cut-off guards the cells' },
          { value: 'unknown', label: 'not checked' },
        ]}
        onChange={(next) => {
          edit((d) => withValues(d, at, { board: next }), 'protection board');
        }}
      />
    </FieldGroup>
  );
}

/** How a pack came about, and its chemistry: both kinds of pack begin with it. */
function PackKind({ document, index }: { document: BuildDocument; index: PackIndex }) {
  const edit = useBuild((state) => state.edit);
  const at = packPath(index);
  const { make, chemistry: now } = document.packs[index] ?? document.packs[0];
  return (
    <>
      <ChoiceField
        label="The pack is"
        value={make}
        options={[
          { value: 'ready', label: 'ready-made', note: 'volts, amp-hours and amps from its label' },
          {
            value: 'cells',
            label: 'made from cells',
            note: 'worked out from cells in series and side by side',
          },
        ]}
        onChange={(next) => {
          edit((d) => withValues(d, at, { make: next }), 'kind of pack');
        }}
      />
      <ChoiceField
        label="Chemistry"
        value={now}
        options={CHEMISTRY}
        onChange={(chemistry) => {
          edit((d) => withValues(d, at, { chemistry }), 'chemistry');
        }}
      />
    </>
  );
}

interface PackProps {
  readonly document: BuildDocument;
  readonly verdict: Verdict;
  readonly index: PackIndex;
}

/** What the stage asks first: volts and amp-hours of the pack, amps of the controller. */
export const MainFields = ({ document, index }: Pick<PackProps, 'document' | 'index'>) => {
  const at = packPath(index);
  const ready = (document.packs[index] ?? document.packs[0]).make === 'ready';
  return (
    <FieldGroup title={ready ? 'Volts, amp-hours, amps' : 'Amps'}>
      {ready && (
        <>
          <NumberField path={`${at}.nominalV`} />
          <NumberField path={`${at}.capacityAh`} />
        </>
      )}
      <NumberField path="controller.batteryCurrentA" />
    </FieldGroup>
  );
};

export function PackFields({ document, verdict, index }: PackProps) {
  const at = packPath(index);
  return (
    <>
      <FieldGroup title="Pack">
        <NameField section={at} label="Which pack" />
        <PackKind document={document} index={index} />
        <PlainRow label="Copy a pack">
          <ShelfMenu type="pack" packIndex={index} />
        </PlainRow>
        <NumberField path={`${at}.cellsInSeries`} />
        <EnergyRow verdict={verdict} index={index} />
        <NumberField path={`${at}.bmsCurrentA`} label="Protection limit" />
        <NumberField path={`${at}.boardCutoffV`} label="Protection opens below" />
        <NumberField path={`${at}.wiringMohm`} label="Leads and plugs" />
        <NumberField path={`${at}.massKg`} label="Mass" />
      </FieldGroup>
      <PackKeeping document={document} index={index} />
    </>
  );
}

/** A pack from cells: how many, which, and how they stand in the box. */
export function CellFields({ document, verdict, index }: PackProps) {
  const at = packPath(index);
  const edit = useBuild((state) => state.edit);
  const { round, nesting: nested, price } = (document.packs[index] ?? document.packs[0]).cell;
  const { nominalV, capacityAh } = verdict.known.packs[index] ?? verdict.known.packs[0];
  const cell = (part: Partial<PackDocument['cell']>, label: string): void => {
    edit((d) => withValues(d, `${at}.cell`, part), label);
  };
  return (
    <>
      <FieldGroup title="Pack from cells">
        <NameField section={at} label="Which pack" />
        <PackKind document={document} index={index} />
        <NumberField path={`${at}.cellsInSeries`} />
        <NumberField path={`${at}.cell.parallel`} />
        <WorkedRow label="Volts, cells by their nominal" unit="V" from={[nominalV]}>
          <Num text={formatNumber(verdict.power.packs[index]?.nominalV ?? 0, 1)} places={3} />
        </WorkedRow>
        <WorkedRow label="Capacity" unit="Ah" from={[capacityAh]}>
          <Num text={formatNumber(capacityAh.value, 1)} places={3} />
        </WorkedRow>
        <EnergyRow verdict={verdict} index={index} />
        <NumberField path={`${at}.bmsCurrentA`} label="Protection limit" />
        <NumberField path={`${at}.boardCutoffV`} label="Protection opens below" />
        <NumberField path={`${at}.wiringMohm`} label="Leads and plugs" />
        <NumberField path={`${at}.massKg`} label="Mass, all in" />
      </FieldGroup>
      <PackKeeping document={document} index={index} />
      <FieldGroup title="The cell">
        <NameField section={`${at}.cell`} label="Which cell" />
        <PlainRow label="Copy a cell">
          <ShelfMenu type="cell" packIndex={index} />
        </PlainRow>
        <YesNoField
          label="Body"
          value={round}
          yes="round"
          no="block"
          onChange={(next) => {
            cell({ round: next }, 'body of the cell');
          }}
        />
        <NumberField path={`${at}.cell.capacityAh`} label="Capacity of one" />
        <NumberField path={`${at}.cell.resistanceMohm`} />
        <NumberField path={`${at}.cell.continuousA`} label="Amps, continuous" />
        <NumberField path={`${at}.cell.peakA`} label="Amps, for ten seconds" />
        <NumberField path={`${at}.cell.chargeA`} label="Amps on charge" />
        <NumberField path={`${at}.cell.massG`} />
        <NumberField path={`${at}.cell.widthMm`} label={round ? 'Diameter' : 'Width'} />
        {!round && <NumberField path={`${at}.cell.depthMm`} label="Depth" />}
        <NumberField path={`${at}.cell.heightMm`} />
        <div className={CHOICE_ROW}>
          <span className="py-0.5 pr-2 leading-[1.15]">Price of one, {document.money.currency}</span>
          <NumberCell
            label="Price of one cell"
            value={price}
            most={MOST_CELL_PRICE}
            onChange={(next) => {
              cell({ price: next }, 'price of a cell');
            }}
          />
        </div>
      </FieldGroup>
      <FieldGroup title="In the box">
        {round && (
          <ChoiceField
            label="Nesting"
            value={nested}
            options={[
              { value: 'square', label: 'square', note: 'rows stand cell behind cell' },
              { value: 'hexagonal', label: 'hexagonal', note: 'rows stand in the gaps: shallower' },
            ]}
            onChange={(nesting) => {
              cell({ nesting }, 'nesting');
            }}
          />
        )}
        <NumberField path={`${at}.cell.rows`} />
        <NumberField path={`${at}.cell.gapMm`} />
        <NumberField path={`${at}.cell.caseMm`} />
      </FieldGroup>
    </>
  );
}
