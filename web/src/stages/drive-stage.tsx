import { useState } from 'react';
import {
  convert,
  formatNumber,
  msToKmh,
  shownUnit,
  unitText,
  type BuildDocument,
  type GearRow,
  type Verdict,
} from '@apple-cart/core';
import { AnswerField, ChoiceField, PlainRow, YesNoField } from '../fields/choice-field.tsx';
import { FieldGroup } from '../fields/field-group.tsx';
import { NumberField } from '../fields/number-field.tsx';
import { TextField } from '../fields/text-field.tsx';
import { useBuild, useDocument } from '../state/build-store.ts';
import { withSection } from '../state/paths.ts';
import { useSettings } from '../state/settings-store.ts';
import { useQuantity } from '../state/use-quantity.ts';
import { Caution } from '../ui/caution.tsx';
import { PanelHead } from '../ui/panel.tsx';
import { niceMax } from '../charts/curve.ts';
import { CogsField } from '../fields/cogs-field.tsx';
import { DRIVE_KINDS } from './drive-kinds.ts';
import { Ledger } from './ledger.tsx';
import { ShelfMenu } from './shelf-menu.tsx';
import { Stage, StageFindings } from './stage.tsx';
import { useDeferredStage } from './use-stage.ts';

function MotorFields({ document }: { document: BuildDocument }) {
  const edit = useBuild((state) => state.edit);
  const { drive } = document;
  const change = (part: Partial<BuildDocument['drive']>, label: string, key = ''): void => {
    edit((d) => withSection(d, 'drive', part), label, key);
  };
  return (
    <>
      <FieldGroup title="Motor">
        <TextField
          label="Which motor"
          value={drive.name}
          max={80}
          onChange={(name) => {
            change({ name }, 'name of the motor', 'drive.name');
          }}
        />
        <ChoiceField
          label="Kind"
          value={drive.kind}
          options={DRIVE_KINDS}
          onChange={(kind) => {
            change({ kind, freewheel: kind !== 'direct-drive-hub' }, 'kind of motor');
          }}
        />
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
        <NumberField path="drive.kvRpmPerV" label="Speed constant Kv" />
        <NumberField path="drive.reduction" />
      </FieldGroup>
      <MotorDetail document={document} change={change} />
    </>
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
      <NumberField path="drive.efficiency" label="Gear efficiency" />
      <NumberField path="drive.massKg" label="Mass" />
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

function Inputs() {
  const document = useDocument();
  const edit = useBuild((state) => state.edit);
  const { gearing, controls } = document;
  const control = (part: Partial<BuildDocument['controls']>, label: string): void => {
    edit((d) => withSection(d, 'controls', part), label);
  };
  return (
    <>
      <MotorFields document={document} />
      <FieldGroup title="Gearing">
        <NumberField path="gearing.ringTeeth" />
        <CogsField />
        <ChoiceField
          label="Cog held on the hill"
          value={gearing.heldCogTeeth === null ? 'best' : String(gearing.heldCogTeeth)}
          options={[
            { value: 'best', label: 'best cog', note: 'most pull within the cadence span' },
            ...gearing.cogTeeth.map((teeth) => ({ value: String(teeth), label: `${String(teeth)} teeth` })),
          ]}
          onChange={(value) => {
            edit(
              (d) => withSection(d, 'gearing', { heldCogTeeth: value === 'best' ? null : Number(value) }),
              'cog held',
            );
          }}
        />
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
        <AnswerField
          label="Motor stops with the pedals"
          value={controls.motorStopsWithPedals}
          onChange={(motorStopsWithPedals) => {
            control({ motorStopsWithPedals }, 'motor stops with the pedals');
          }}
        />
        <AnswerField
          label="Brake levers cut the motor"
          value={controls.brakeCutoffs}
          onChange={(brakeCutoffs) => {
            control({ brakeCutoffs }, 'brake cut-offs');
          }}
        />
      </FieldGroup>
      <StageFindings id="drive" />
      <Caution>
        A motor can turn the wheel when you least expect it: unplug the pack before you touch chain, spokes or
        plugs.
      </Caution>
    </>
  );
}

const BAR = 240;

/** Every gear at the brief's cadences: speed as a bar, pull as a number. */
function GearTable({
  rows,
  hillKmh,
  hillCog,
}: {
  rows: readonly GearRow[];
  hillKmh: number | undefined;
  hillCog: number | undefined;
}) {
  const shown = useQuantity();
  const system = useSettings((state) => state.units);
  const document = useDocument();
  const unit = shownUnit('km/h', system);
  const speed = (kmh: number): number => convert(kmh, 'km/h', unit);
  const max = niceMax(speed(Math.max(...rows.map((r) => r.kmhAtMax), 10)));
  const x = (kmh: number): number => (speed(kmh) / max) * BAR;
  const pull = Math.max(...rows.map((r) => r.forceN));
  const { cadenceMinRpm, cadenceMaxRpm } = document.brief;
  const cadence = (entered: typeof cadenceMinRpm, fallback: string): string =>
    entered.source === 'unknown' ? fallback : String(entered.value);
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Gear table">
      <table className="w-full border-collapse text-[13.5px]">
        <thead>
          <tr className="border-b-[1.5px] border-ink text-[12.5px]">
            <th className="py-1.5 text-left font-semibold">Cog</th>
            <th className="py-1.5 text-right font-semibold">Metres a turn</th>
            <th className="py-1.5 pl-5 text-left font-semibold">
              Speed at {cadence(cadenceMinRpm, '55')} to {cadence(cadenceMaxRpm, '90')} rpm, {unitText(unit)}
            </th>
            <th className="py-1.5 text-right font-semibold">Pull, {shown(1, 'N').unit}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => {
            const used = row.cogTeeth === hillCog;
            return (
              <tr
                key={row.cogTeeth}
                className={`border-b border-hair ${used ? 'bg-press font-semibold' : ''}`}
              >
                <th scope="row" className="num py-[5px] pl-1 text-left">
                  {row.cogTeeth}{' '}
                  <span className="font-text text-[12px] font-normal text-ink2">
                    T{used ? ', on the hill' : ''}
                  </span>
                </th>
                <td className="num py-[5px] text-right">{row.developmentM.toFixed(2)}</td>
                <td className="py-[5px] pl-5">
                  <svg
                    viewBox={`0 0 ${String(BAR + 60)} 20`}
                    width={BAR + 60}
                    height="20"
                    role="img"
                    aria-label={`${shown(row.kmhAtMin, 'km/h').text} to ${shown(row.kmhAtMax, 'km/h').text} ${unitText(unit)}`}
                  >
                    {[0, 0.25, 0.5, 0.75, 1].map((t) => (
                      <path key={t} d={`M${String(t * BAR)} 0v20`} stroke="var(--grid-major)" />
                    ))}
                    {hillKmh !== undefined && (
                      <path d={`M${String(x(hillKmh))} 0v20`} stroke="var(--ink)" strokeWidth="1.4" />
                    )}
                    <rect
                      x={x(row.kmhAtMin)}
                      y="6"
                      width={x(row.kmhAtMax) - x(row.kmhAtMin)}
                      height="8"
                      fill="var(--q-speed)"
                    />
                    <text
                      x={x(row.kmhAtMax) + 5}
                      y="14"
                      fontSize="12"
                      fontFamily="var(--font-num)"
                      fill="var(--ink2)"
                      stroke={used ? 'var(--press)' : 'var(--sheet)'}
                      strokeWidth="4"
                      paintOrder="stroke"
                    >
                      {shown(row.kmhAtMin, 'km/h', 0).text}–{shown(row.kmhAtMax, 'km/h', 0).text}
                    </text>
                  </svg>
                </td>
                <td className="py-[5px] pr-1 text-right whitespace-nowrap">
                  <span
                    className="mr-2 inline-block h-2 bg-ink2 align-middle"
                    style={{ width: `${String((row.forceN / pull) * 56)}px` }}
                  />
                  <span className="num">{shown(row.forceN, 'N').text}</span>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

/** What the motor itself does. */
function MotorLedger({ verdict }: { verdict: Verdict }) {
  const { motor } = verdict;
  const shown = useQuantity();
  const plain = (text: string, unit: string) => (
    <span className="inline-flex items-baseline whitespace-nowrap">
      <span className="num">{text}</span>
      <span className="w-[4.4em] pl-1 text-left text-[12.5px] text-ink3">{unit}</span>
    </span>
  );
  const speed = shown(motor.noLoadKmh, 'km/h');
  return (
    <Ledger
      title="The motor in numbers"
      lines={[
        {
          label: 'Torque constant Kt',
          note: '60 / (2 pi Kv)',
          value: plain(motor.torqueConstant.toFixed(3), 'N m/A'),
        },
        {
          label: 'Torque at its shaft',
          note: 'all the phase current',
          value: plain(motor.shaftNm.toFixed(1), 'N m'),
        },
        {
          label: 'Torque at its output',
          note: 'behind the reduction',
          value: plain(motor.outputNm.toFixed(0), 'N m'),
        },
        { label: 'No-load speed', note: 'full pack, tallest gear', value: plain(speed.text, speed.unit) },
        {
          label: 'Turns at cruising speed',
          value:
            motor.cruiseRpm === undefined ? 'speed not held' : plain(formatNumber(motor.cruiseRpm, 0), 'rpm'),
        },
        {
          label: 'Pack to shaft on the hill',
          value:
            motor.hillEfficiency === undefined
              ? 'not climbed'
              : plain((motor.hillEfficiency * 100).toFixed(0), '%'),
        },
      ]}
    />
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
