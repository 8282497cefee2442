import { writeCsv } from '@apple-cart/contracts/csv';
import {
  counted,
  layingOf,
  fileName,
  harnessTable,
  type CableDocument,
  type ControllerSits,
  type Hazard,
} from '@apple-cart/core';
import { Printer } from 'lucide-react';
import { Link } from 'react-router';
import { CHOICE_ROW, ChoiceField, YesNoField } from '../../fields/choice-field.tsx';
import { FieldGroup, WorkedRow } from '../../fields/field-group.tsx';
import { TextField } from '../../fields/text-field.tsx';
import { downloadText } from '../../files/download.ts';
import { Button } from '../../ui/button.tsx';
import { Num } from '../../ui/num.tsx';
import { NumberCell } from '../../ui/number-cell.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { PLACE_NAMES } from '../parts/place-names.ts';
import { useStage } from '../parts/use-stage.ts';
import { measuredOf, type WiringData } from './use-wiring.ts';
import { CutList, ScheduleTable, thenWords } from './schedule-table.tsx';

type Figure = 'alongMm' | 'loopMm' | 'endsMm' | 'mm2' | 'plugA' | 'apartMm' | 'holeMm' | 'plugMm';

const HAZARD_NAMES: Readonly<Record<Hazard, string>> = {
  rotor: 'Seen clear of the rotor',
  chain: 'Seen clear of the chain',
  crank: 'Seen clear of the cranks',
  fold: 'Folded with it, both ways',
};

const MOST: Readonly<Partial<Record<Figure, number>>> = { mm2: 120, plugA: 2000 };
const LEAST: Readonly<Partial<Record<Figure, number>>> = { mm2: 0.03, plugA: 0.1 };

function useMeasured(data: WiringData): (key: string, next: Partial<CableDocument>, label: string) => void {
  return (key, next, label) => {
    data.change(
      (now) => ({
        cables: { ...now.cables, [key]: { ...measuredOf(data.document, key), ...now.cables[key], ...next } },
      }),
      label,
      `${key} ${Object.keys(next).join()}`,
    );
  };
}

/** Where the controller sits: its cables are drawn from there. One inside of the motor sits where that does. */
function ControllerSitsField({ data: { document, change } }: { data: WiringData }) {
  const { verdict } = useStage();
  if (document.controller.place === 'motor') return null;
  const { controllerSits } = document.harness;
  const places = verdict.fit.frame.places.map(({ place }) => place);
  const isThere = (sits: ControllerSits): boolean => FIXED_SITS.has(sits) || places.some((p) => p === sits);
  return (
    <ChoiceField<ControllerSits>
      label="The controller sits"
      value={isThere(controllerSits) ? controllerSits : 'pack'}
      unknown={controllerSits === 'unknown'}
      options={[
        { value: 'pack', label: 'beside the first pack' },
        ...places.map((value) => ({ value, label: PLACE_NAMES[value] })),
        { value: 'bracket', label: 'at the bracket' },
        { value: 'head', label: 'at the head' },
        { value: 'unknown', label: 'not said', note: 'drawn beside the first pack' },
      ]}
      onChange={(sits) => {
        change(() => ({ controllerSits: sits }), 'where the controller sits', 'controller sits');
      }}
    />
  );
}
const FIXED_SITS: ReadonlySet<ControllerSits> = new Set(['pack', 'bracket', 'head', 'unknown']);

/** What the way of the cable in hand asks of whoever ties it. */
function HowLaid({ data: { wire, document } }: { data: WiringData }) {
  const laying = wire === undefined ? [] : layingOf({ build: document, cable: wire.cable, run: wire.run });
  if (laying.length === 0) return null;
  return (
    <FieldGroup title="How it is laid" note="common practice, no source">
      <ul className="text-[13.5px] leading-snug" data-testid="laying">
        {laying.map(({ id, words }) => (
          <li key={id} className="border-b border-hair py-1.5">
            {words}
          </li>
        ))}
      </ul>
    </FieldGroup>
  );
}

/** The cable in hand: its length as a ledger, its size, the way that it goes. */
export function ScheduleInputs({ data }: { data: WiringData }) {
  const { wire, document } = data;
  const set = useMeasured(data);
  if (wire === undefined) return null;
  const { cable, run, drop } = wire;
  const said = measuredOf(document, cable.key);
  const number = (field: Figure, label: string, unit: string, placeholder: string) => (
    <div className={CHOICE_ROW}>
      <span className="py-0.5 pr-2 leading-[1.15]">
        {label} <span className="text-[12.5px] text-ink3">{unit}</span>
      </span>
      <NumberCell
        label={`${label}: W${String(cable.number)}`}
        value={said[field]}
        most={MOST[field] ?? 20_000}
        placeholder={placeholder}
        onChange={(value) => {
          if (value !== null && value < (LEAST[field] ?? 0)) return;
          set(cable.key, { [field]: value }, label.toLowerCase());
        }}
      />
    </div>
  );
  return (
    <>
      <FieldGroup
        title={`W${String(cable.number)}, ${cable.carries}`}
        note={run.alongFrom === 'measured' ? 'measured with a string' : 'from the drawing'}
      >
        {number('alongMm', 'Along the frame', 'mm', run.along.toFixed(0))}
        <WorkedRow label="Steering, fold, travel" unit="mm">
          <Num text={run.slack.toFixed(0)} places={0} />
        </WorkedRow>
        {number('loopMm', 'Loop', 'mm', run.loop.toFixed(0))}
        {number('endsMm', 'Both ends, stripped', 'mm', run.ends.toFixed(0))}
        <WorkedRow label="Cut length" unit="mm" sum>
          <Num text={run.cut.toFixed(0)} places={0} />
        </WorkedRow>
        <WorkedRow label="Brought by both parts" unit="mm">
          <Num text={run.supplied === undefined ? '?' : run.supplied.toFixed(0)} places={0} />
        </WorkedRow>
        <p className="flex justify-between border-b border-hair py-1 font-semibold">
          Then <span data-testid="cable-then">{thenWords(wire)}</span>
        </p>
      </FieldGroup>
      <FieldGroup title="The way">
        <TextField
          label="It goes"
          value={said.way}
          max={120}
          placeholder="inside of the right chainstay"
          onChange={(way) => {
            set(cable.key, { way }, 'way');
          }}
        />
        {[cable.fromComponent, cable.toComponent].some((end) => /^controller/.test(end)) && (
          <ControllerSitsField data={data} />
        )}
        {number('mm2', 'Conductor', 'mm²', wire.mm2?.toFixed(2) ?? '?')}
        {cable.kind !== 'signal' && number('plugA', 'Its plug pair carries', 'A', 'as under Power')}
        {drop !== undefined && (
          <WorkedRow label="Lost on the way at full throttle" unit="V">
            <Num text={drop.volts.toFixed(2)} places={2} />
          </WorkedRow>
        )}
        {run.hazards.map((hazard) => (
          <YesNoField
            key={hazard}
            label={HAZARD_NAMES[hazard]}
            value={said.clearOf.includes(hazard)}
            onChange={(clear) => {
              const others = said.clearOf.filter((one) => one !== hazard);
              set(cable.key, { clearOf: clear ? [...others, hazard] : others }, 'clear of it');
            }}
          />
        ))}
        {cable.kind === 'signal' && number('apartMm', 'Off the phase leads', 'mm', '?')}
        <YesNoField
          label="Screened"
          value={said.screened}
          onChange={(screened) => {
            set(cable.key, { screened }, 'screen');
          }}
        />
        {number('holeMm', 'Hole that it passes', 'mm', 'none')}
        {said.holeMm !== null && number('plugMm', 'Its plug across', 'mm', '?')}
        {said.holeMm !== null && (
          <YesNoField
            label="Grommet in it"
            value={said.grommet}
            onChange={(grommet) => {
              set(cable.key, { grommet }, 'grommet');
            }}
          />
        )}
      </FieldGroup>
      {wire.way.length > 0 && (
        <FieldGroup title="To look at">
          {wire.way.map((f) => (
            <div
              key={f.rule}
              className="flex items-start gap-2.5 border-b border-hair py-1.5"
              data-finding={f.rule}
            >
              <StateMark state={f.state} size={15} />
              <p className="leading-snug">
                <b className="font-semibold">{f.words}</b> <span className="text-ink2">{f.remedy}</span>
              </p>
            </div>
          ))}
        </FieldGroup>
      )}
      <HowLaid data={data} />
    </>
  );
}

/** The schedule as a table for other programs. */
function csvOf({ wiring, document }: WiringData): string {
  const { columns, rows } = harnessTable(document, wiring);
  return writeCsv(columns, rows);
}

export function SchedulePicture({ data }: { data: WiringData }) {
  return (
    <section aria-label="Cable schedule">
      <PanelHead
        title={counted(data.wiring.wires.length, 'cable')}
        note="lengths from the drawing until a string has measured them"
      >
        <Link
          to="../cable-schedule"
          relative="path"
          className="flex h-8 items-center gap-1.5 border-[1.5px] border-rule px-3 text-[13px] text-ink2 hover:bg-press max-bench:h-11"
        >
          <Printer size={14} strokeWidth={1.6} aria-hidden /> Print
        </Link>
        <Button
          kind="quiet"
          onClick={() => {
            downloadText(fileName(`${data.document.name} harness`, 'csv'), csvOf(data), 'text/csv');
          }}
        >
          Table (CSV)
        </Button>
      </PanelHead>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Cables">
        <ScheduleTable data={data} pick={data.choose} />
      </div>
      <h3 className="head border-b-[1.5px] border-ink pt-3 pb-1 text-[14px]">Cut list</h3>
      <CutList wiring={data.wiring} />
    </section>
  );
}
