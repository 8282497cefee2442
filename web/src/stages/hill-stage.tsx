import { useMemo } from 'react';
import {
  LIMIT_WORDS,
  LOW_CHARGE,
  convert,
  formatNumber,
  msToKmh,
  shownUnit,
  unitText,
  type Verdict,
} from '@apple-cart/core';
import { ChartPanel } from '../charts/chart-panel.tsx';
import { hillChart } from '../charts/hill-chart.ts';
import { useChartInk } from '../charts/use-chart-ink.ts';
import { ChoiceField } from '../fields/choice-field.tsx';
import { FieldGroup, WorkedRow } from '../fields/field-group.tsx';
import { NumberField } from '../fields/number-field.tsx';
import { useBuild, useDocument } from '../state/build-store.ts';
import { withSection } from '../state/paths.ts';
import { useSettings } from '../state/settings-store.ts';
import { useQuantity } from '../state/use-quantity.ts';
import { Caution } from '../ui/caution.tsx';
import { Num } from '../ui/num.tsx';
import { Ledger, Quantity, type LedgerLine } from './ledger.tsx';
import { Stage } from './stage.tsx';
import { figureOf, useDeferredStage, useStage } from './use-stage.ts';

function Inputs() {
  const document = useDocument();
  const { verdict } = useStage();
  const edit = useBuild((state) => state.edit);
  const shown = useQuantity();
  const machine = figureOf(verdict, 'mass').value ?? 0;
  const total = machine + verdict.known.brief.riderMassKg.value + verdict.known.brief.loadMassKg.value;
  const mass = (kg: number) => <Num text={shown(kg, 'kg', 1).text} places={3} />;
  const { gearing } = document;
  return (
    <>
      <FieldGroup title="Load on the hill">
        <NumberField path="brief.riderMassKg" />
        <NumberField path="brief.loadMassKg" />
        <WorkedRow label="Bicycle, motor, pack" unit={shown(1, 'kg').unit}>
          {mass(machine)}
        </WorkedRow>
        <WorkedRow label="Total load" unit={shown(1, 'kg').unit} sum>
          {mass(total)}
        </WorkedRow>
      </FieldGroup>
      <FieldGroup title="Gear on the hill">
        <NumberField path="gearing.ringTeeth" />
        <ChoiceField
          label="Cog held"
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
      </FieldGroup>
      <FieldGroup title="Current">
        <NumberField path="controller.batteryCurrentA" label="Battery current" />
        <NumberField path="controller.phaseCurrentA" label="Phase current" />
      </FieldGroup>
      <FieldGroup title="Test hill" note={document.brief.hillName}>
        <NumberField path="brief.hillLengthM" label="Length" />
        <NumberField path="brief.hillGradePct" label="Grade, mean" />
        <NumberField path="brief.riderPowerW" />
        <NumberField path="donor.crr" />
        <NumberField path="donor.tyreGrip" />
        <NumberField path="brief.headwindMs" />
      </FieldGroup>
      <Caution>
        A motor working hard gets hot enough to burn. How hot is not modelled yet; the maker’s data sheet
        decides.
      </Caution>
    </>
  );
}

function HillPanel() {
  const { document, verdict, pinned } = useDeferredStage();
  const system = useSettings((state) => state.units);
  const ink = useChartInk();
  const hillName = document.brief.hillName === '' ? 'Test hill' : document.brief.hillName;
  const { curves, span, climb } = verdict.hill;
  const grade = verdict.known.brief.hillGradePct.value;
  const pinnedHeld = pinned?.hill.curves.held;
  const option = useMemo(
    () =>
      hillChart(
        {
          curves,
          span,
          pinned: pinnedHeld,
          known: verdict.known,
          hillName,
          gradePct: grade,
          oneCog: document.gearing.heldCogTeeth !== null,
          system,
        },
        ink,
      ),
    [curves, span, pinnedHeld, verdict.known, hillName, grade, document.gearing.heldCogTeeth, system, ink],
  );
  const unit = shownUnit('km/h', system);
  const speed = (v: number): string => formatNumber(convert(msToKmh(v), 'km/h', unit), 1);
  const limit = climb.climbs ? climb.limit : undefined;
  return (
    <ChartPanel
      title={
        limit === undefined ? (
          'It does not climb the test hill'
        ) : (
          <>
            On the hill,{' '}
            <span className="border-b-4 pb-0.5" style={{ borderColor: ink.limit[limit].line }}>
              {LIMIT_WORDS[limit]}
            </span>{' '}
            binds
          </>
        )
      }
      summary={
        climb.climbs
          ? `Speed against grade. ${hillName}, ${formatNumber(grade, 1)} %, at ${speed(climb.v)} ${unit}; ${LIMIT_WORDS[climb.limit]} binds.`
          : `Speed against grade. ${hillName} is not climbed.`
      }
      name={`${document.name} hill`}
      option={option}
      height="h-[264px] max-tablet:h-[290px]"
      table={{
        columns: ['Grade, %', `Speed, ${unitText(unit)}`, 'Limit', 'Cog, teeth'],
        rows: curves.held.map((p) => [
          formatNumber(p.gradePct, 2),
          speed(p.v),
          LIMIT_WORDS[p.limit],
          String(p.cogTeeth),
        ]),
      }}
    />
  );
}

function climbLines({ hill }: Verdict): readonly LedgerLine[] {
  const { climb } = hill;
  if (!climb.climbs)
    return [
      {
        label: 'It stalls',
        note: `${LIMIT_WORDS[climb.limit]} binds at rest`,
        value: <Quantity value={climb.forceN} unit="N" />,
      },
    ];
  const rider = climb.riderN * climb.v;
  const gears = climb.batteryW - climb.copperW - climb.wheelW + rider;
  return [
    {
      label: 'From the pack',
      note: `${formatNumber(climb.batteryA, 1)} A`,
      value: <Quantity value={climb.batteryW} unit="W" />,
    },
    {
      label: 'Copper, controller',
      note: `${formatNumber(climb.phaseA, 0)} A phase`,
      value: <Quantity value={-climb.copperW} unit="W" />,
    },
    { label: 'Core, gears, standby', value: <Quantity value={-gears} unit="W" /> },
    { label: 'Rider, at the tyre', value: <Quantity value={rider} unit="W" /> },
    { label: 'At the tyre', value: <Quantity value={climb.wheelW} unit="W" />, sum: true },
    { label: 'Time on the hill', value: <Quantity value={climb.seconds / 60} unit="min" /> },
    { label: 'Energy for the hill', value: <Quantity value={climb.energyWh} unit="Wh" digits={1} /> },
    {
      label: 'Cog, cadence',
      value: (
        <span className="num whitespace-nowrap">
          {climb.cogTeeth} T, {formatNumber(climb.cadenceRpm, 0)}{' '}
          <span className="inline-block w-[2.4em] pl-1 text-left font-text text-[12.5px] text-ink3">rpm</span>
        </span>
      ),
    },
  ];
}

const DECIDES = { force: 'force at rest', grip: 'tyre grip', 'front-lift': 'front wheel lifts' } as const;

/** Steepest start: three bars against the test hill. */
function StartBars({ verdict }: { verdict: Verdict }) {
  const { start } = verdict.hill;
  const grade = verdict.known.brief.hillGradePct.value;
  const most = Math.max(30, grade * 1.2);
  const rows = [
    { id: 'force', name: 'Force at rest', value: start.byForcePct },
    { id: 'grip', name: 'Tyre grip', value: start.byGripPct },
    { id: 'front-lift', name: 'Front wheel lifts', value: start.byLiftPct },
  ] as const;
  return (
    <section className="keep-together">
      <h3 className="head border-b-[1.5px] border-ink pb-1.5 text-[14px]">Starting on the grade</h3>
      <p className="py-1.5 text-[13px] text-ink2">
        Moves off on up to <b className="text-ink">{formatNumber(start.gradePct, 1)} %</b>;{' '}
        {DECIDES[start.decides]} decides. Upright line: the test hill.
      </p>
      <div className="relative">
        {rows.map((row) => (
          <div key={row.id} className="border-b border-hair py-1.5">
            <div className="flex justify-between text-[13px]">
              <span className={row.id === start.decides ? 'font-semibold' : ''}>{row.name}</span>
              <span className="num">
                {row.value === Infinity ? 'no limit' : `${formatNumber(row.value, 1)} %`}
              </span>
            </div>
            <div className="relative mt-1 h-2.5 bg-hair">
              <span
                className={`absolute inset-y-0 left-0 ${row.value < grade ? 'bg-stop-fill' : 'bg-ink2'}`}
                style={{ width: `${String(Math.min(100, (row.value / most) * 100))}%` }}
              />
              <span
                className="absolute -inset-y-1 w-[2px] bg-ink"
                style={{ left: `${String((grade / most) * 100)}%` }}
              />
            </div>
          </div>
        ))}
      </div>
    </section>
  );
}

/** Speed against grade, the test hill, the watts on it and the start. */
export function HillStage() {
  const { verdict } = useStage();
  const shown = useQuantity();
  const { climb, start } = verdict.hill;
  const starts = `starts on ${formatNumber(start.gradePct, 1)} %`;
  const state = verdict.stages.find((s) => s.id === 'hill')?.state ?? 'unknown';
  const speed = climb.climbs ? shown(msToKmh(climb.v), 'km/h') : undefined;
  return (
    <Stage
      id="hill"
      pictureFirst
      stamp={{
        state,
        word: climb.climbs ? 'Climbs' : 'Stalls',
        under: speed === undefined ? starts : `at ${speed.text} ${speed.unit}, ${starts}`,
      }}
      inputs={<Inputs />}
      picture={
        <>
          <HillPanel />
          <div className="grid gap-x-6 gap-y-3 pt-2 tablet:grid-cols-2">
            <Ledger title="The test hill at its steady speed" lines={climbLines(verdict)} />
            <StartBars verdict={verdict} />
          </div>
          <p className="pt-2 text-[12.5px] text-ink2">
            At half charge; the tint runs from {LOW_CHARGE * 100} % charge to full. Not modelled yet: warming
            of motor and controller, the run-up, changes of grade.
          </p>
        </>
      }
    />
  );
}
