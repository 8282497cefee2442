import { inUse, nearestAwg, type BuildDocument } from '@apple-cart/core';
import { ChoiceField, PlainRow } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { SeveralField } from '../../fields/several-field.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { ShelfMenu } from '../parts/shelf-menu.tsx';
import { usePack } from '../parts/use-pack.ts';
import { useStage } from '../parts/use-stage.ts';
import { PackTabs } from './pack-tabs.tsx';

type Cabling = BuildDocument['cabling'];

/** The gauge nearest to a conductor, for the note beside it. */
const gauge = (known: { source: string; value: number }): string | undefined =>
  known.source === 'unknown' || known.value < 0.05 || known.value > 110
    ? undefined
    : `${String(nearestAwg(known.value))} AWG`;

/** What carries the current from the cells to the motor. */
export function CurrentFields() {
  const { document, verdict } = useStage();
  const edit = useBuild((state) => state.edit);
  const { cabling } = document;
  const { at, pack } = usePack(document);
  const change = (part: Partial<Cabling>, label: string): void => {
    edit((d) => withSection(d, 'cabling', part), label);
  };
  const { known } = verdict;
  return (
    <>
      {document.packs.length > 1 && <PackTabs document={document} />}
      <FieldGroup title="At the pack" note={pack.make === 'cells' ? 'cells: see Pack' : undefined}>
        {pack.make === 'ready' && (
          <>
            <NumberField path={`${at}.cellsContinuousA`} label="Cells give, continuous" />
            <NumberField path={`${at}.cellsPeakA`} label="Cells give, ten seconds" />
          </>
        )}
        <NumberField path={`${at}.bmsCurrentA`} label="Protection limit" />
        <ChoiceField
          label="Fuse or breaker"
          value={cabling.protection}
          unknown={cabling.protection === 'unknown'}
          options={[
            { value: 'fuse', label: 'fuse' },
            { value: 'breaker', label: 'breaker' },
            { value: 'none', label: 'none' },
            { value: 'unknown', label: 'not checked' },
          ]}
          onChange={(protection) => {
            change({ protection }, 'fuse or breaker');
          }}
        />
        {(cabling.protection === 'fuse' || cabling.protection === 'breaker') && (
          <>
            <NumberField path="cabling.fuseA" />
            <NumberField path="cabling.fuseV" label="Its volts, direct current" />
            <ChoiceField
              label="Made to break"
              value={cabling.breaks}
              unknown={cabling.breaks === 'unknown'}
              options={[
                { value: 'direct', label: 'direct current' },
                { value: 'alternating', label: 'alternating current only', note: 'a house breaker' },
                { value: 'unknown', label: 'not checked' },
              ]}
              onChange={(breaks) => {
                change({ breaks }, 'what the fuse breaks');
              }}
            />
          </>
        )}
      </FieldGroup>
      <FieldGroup title="Power lead">
        <PlainRow label="From the shelf">
          <span className="flex gap-4">
            <ShelfMenu type="wire" label="lead" />
            <ShelfMenu type="connector" label="plug" />
          </span>
        </PlainRow>
        <NumberField path="cabling.leadMm" label="Length, one way" />
        <NumberField path="cabling.leadMm2" label="Conductor" note={gauge(known.cabling.leadMm2)} />
        <ChoiceField
          label="Metal"
          value={cabling.conductor}
          options={[
            { value: 'copper', label: 'copper' },
            { value: 'aluminium', label: 'aluminium', note: '61 % of copper’s conductivity' },
            { value: 'copper-clad', label: 'copper-clad aluminium', note: 'sold as thick copper; 63 %' },
          ]}
          onChange={(conductor) => {
            change({ conductor }, 'metal of the leads');
          }}
        />
        <NumberField path="cabling.insulationC" />
        <NumberField path="cabling.connectorA" label="Plug, continuous" />
        <Passes />
        <ChoiceField
          label="Plugs"
          value={String(cabling.connectors) as '1' | '2'}
          options={[
            { value: '1', label: 'one' },
            { value: '2', label: 'two in parallel', note: 'each counts for four fifths' },
          ]}
          onChange={(count) => {
            change({ connectors: count === '2' ? 2 : 1 }, 'plugs');
          }}
        />
        <Joints />
        <ChoiceField
          label="Softens the first touch"
          value={cabling.inrush}
          unknown={cabling.inrush === 'unknown'}
          options={[
            { value: 'none', label: 'nothing' },
            { value: 'resistor', label: 'pre-charge resistor' },
            { value: 'anti-spark', label: 'anti-spark plug' },
            { value: 'unknown', label: 'not checked' },
          ]}
          onChange={(inrush) => {
            change({ inrush }, 'what softens the first touch');
          }}
        />
        {cabling.inrush === 'resistor' && <NumberField path="cabling.preChargeOhm" />}
      </FieldGroup>
      <ControllerSide />
    </>
  );
}

/** What the controller stands, and its leads to the motor where they are not the motor's own. */
function ControllerSide() {
  const { document, verdict } = useStage();
  const leads = document.drive.commutation === 'brushes' ? 'Motor lead' : 'Phase lead';
  const outside = inUse(document, 'cabling.phaseMm');
  return (
    <FieldGroup title={outside ? `Controller and ${leads.toLowerCase()}s` : 'Controller'}>
      <NumberField path="controller.ratedV" />
      <NumberField path="controller.capacitorUf" />
      {outside && (
        <>
          <NumberField path="cabling.phaseMm" label={`${leads}, one way`} />
          <NumberField path="cabling.phaseMm2" label={leads} note={gauge(verdict.known.cabling.phaseMm2)} />
          <NumberField path="cabling.phaseConnectorA" />
        </>
      )}
    </FieldGroup>
  );
}

/** How contacts are put onto the leads: both schools. */
function Joints() {
  const { cabling } = useDocument();
  const edit = useBuild((state) => state.edit);
  return (
    <ChoiceField
      label="Contacts are"
      value={cabling.joints}
      unknown={cabling.joints === 'unknown'}
      options={[
        {
          value: 'crimped',
          label: 'crimped',
          note: 'with the tool for that contact; nothing stiff behind',
        },
        {
          value: 'soldered',
          label: 'soldered',
          note: 'an iron does; the lead is held where the solder ends',
        },
        { value: 'both', label: 'crimped, then soldered', note: 'never tinned before it is crimped' },
        { value: 'unknown', label: 'not decided' },
      ]}
      onChange={(joints) => {
        edit((d) => withSection(d, 'cabling', { joints }), 'how contacts are put on');
      }}
    />
  );
}

/** What else the current goes through on its way, each with its rating. */
function Passes() {
  const { cabling } = useDocument();
  const edit = useBuild((state) => state.edit);
  return (
    <>
      <SeveralField<Cabling['passes'][number]>
        label="It also goes through"
        values={cabling.passes}
        options={[
          { value: 'rings', label: 'ring terminals' },
          { value: 'pull-plug', label: 'pull-plug or switch' },
          { value: 'charge-plug', label: 'charge plug of its own' },
        ]}
        onChange={(passes) => {
          edit((d) => withSection(d, 'cabling', { passes: [...passes] }), 'what the current goes through');
        }}
      />
      {cabling.passes.includes('rings') && <NumberField path="cabling.ringsA" />}
      {cabling.passes.includes('pull-plug') && <NumberField path="cabling.pullPlugA" />}
      {cabling.passes.includes('charge-plug') && <NumberField path="cabling.chargePlugA" />}
    </>
  );
}
