import { useMemo } from 'react';
import {
  assemble,
  convert,
  formatNumber,
  LIMIT_WORDS,
  msToKmh,
  roadForce,
  shownUnit,
  unitText,
  type BuildDocument,
  type Chemistry,
  type Verdict,
} from '@apple-cart/core';
import { ChartPanel } from '../charts/chart-panel.tsx';
import { forceChart } from '../charts/force-chart.ts';
import { useChartInk } from '../charts/use-chart-ink.ts';
import { ChoiceField, PlainRow, YesNoField } from '../fields/choice-field.tsx';
import { FieldGroup, WorkedRow } from '../fields/field-group.tsx';
import { NumberField } from '../fields/number-field.tsx';
import { TextField } from '../fields/text-field.tsx';
import { useBuild } from '../state/build-store.ts';
import { withSection } from '../state/paths.ts';
import { useSettings } from '../state/settings-store.ts';
import { Caution } from '../ui/caution.tsx';
import { Num } from '../ui/num.tsx';
import { PanelHead } from '../ui/panel.tsx';
import { ShelfMenu } from './shelf-menu.tsx';
import { Stage, StageFindings } from './stage.tsx';
import { useDeferredStage, useStage } from './use-stage.ts';

const CHEMISTRY: readonly { readonly value: Chemistry; readonly label: string; readonly note: string }[] = [
  { value: 'nmc', label: 'lithium, NMC or NCA', note: '4.20 V a cell when full' },
  { value: 'lfp', label: 'lithium iron phosphate', note: '3.65 V a cell when full' },
  { value: 'lead-acid', label: 'sealed lead-acid', note: 'counted in 2 V cells: a 12 V block is 6' },
];

function PackFields({ document, verdict }: { document: BuildDocument; verdict: Verdict }) {
  const edit = useBuild((state) => state.edit);
  return (
    <FieldGroup title="Pack">
      <TextField
        label="Which pack"
        value={document.pack.name}
        max={80}
        onChange={(name) => {
          edit((d) => withSection(d, 'pack', { name }), 'name of the pack', 'pack.name');
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

function ControllerFields({ document, verdict }: { document: BuildDocument; verdict: Verdict }) {
  const edit = useBuild((state) => state.edit);
  const change = (part: Partial<BuildDocument['controller']>, label: string, key = ''): void => {
    edit((d) => withSection(d, 'controller', part), label, key);
  };
  const { controller } = document;
  return (
    <FieldGroup title="Controller">
      <TextField
        label="Which controller"
        value={controller.name}
        max={80}
        onChange={(name) => {
          change({ name }, 'name of the controller', 'controller.name');
        }}
      />
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

const LADDER = { width: 628, height: 74, left: 8, right: 620 } as const;

/** The pack's volts on one scale, from the cut-off to a full charge. */
function VoltLadder({ verdict }: { verdict: Verdict }) {
  const { fullV, nominalV, halfV, loadedV, cutoffV } = verdict.power;
  const low = Math.min(cutoffV, loadedV) * 0.97;
  const high = fullV * 1.01;
  const x = (volts: number): number =>
    LADDER.left + ((volts - low) / (high - low)) * (LADDER.right - LADDER.left);
  const marks = [
    { volts: cutoffV, name: 'cut-off', up: true, color: 'var(--stop)' },
    { volts: loadedV, name: 'half, full pull', up: false, color: 'var(--q-volt)' },
    { volts: nominalV, name: 'label', up: true, color: 'var(--ink2)' },
    { volts: halfV, name: 'half, at rest', up: false, color: 'var(--q-volt)' },
    { volts: fullV, name: 'full', up: true, color: 'var(--ink)' },
  ];
  return (
    <figure className="keep-together">
      <PanelHead
        title="Volts of the pack"
        note={
          loadedV > cutoffV
            ? `${formatNumber(loadedV - cutoffV, 1)} V above the cut-off at half charge, full pull`
            : 'sags below the cut-off at half charge'
        }
      />
      <svg
        viewBox={`0 0 ${String(LADDER.width)} ${String(LADDER.height)}`}
        className="block w-full"
        role="img"
        aria-label={marks.map((m) => `${m.name} ${formatNumber(m.volts, 1)} V`).join(', ')}
      >
        <rect
          x={x(loadedV)}
          y="32"
          width={Math.max(0, x(halfV) - x(loadedV))}
          height="10"
          fill="var(--slate-tint)"
        />
        <path
          d={`M${String(LADDER.left)} 37H${String(LADDER.right)}`}
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
        {marks.map(({ volts, name, up, color }) => {
          const at = x(volts);
          const anchor = at < 70 ? 'start' : at > LADDER.width - 70 ? 'end' : 'middle';
          return (
            <g key={name}>
              <path d={`M${String(at)} 29v16`} stroke={color} strokeWidth="2.5" />
              <text x={at} y={up ? 23 : 58} textAnchor={anchor} fontSize="12.5" fill={color}>
                <tspan fontFamily="var(--font-num)" fontWeight="500">
                  {formatNumber(volts, 1)}
                </tspan>{' '}
                V
              </text>
              <text x={at} y={up ? 10 : 71} textAnchor={anchor} fontSize="12" fill="var(--ink2)">
                {name}
              </text>
            </g>
          );
        })}
      </svg>
    </figure>
  );
}

function ForcePanel() {
  const { document, verdict, pinned } = useDeferredStage();
  const system = useSettings((state) => state.units);
  const ink = useChartInk();
  const { held } = verdict.hill.curves;
  const pinnedHeld = pinned?.hill.curves.held;
  const grade = verdict.known.brief.hillGradePct.value;
  const hill = document.brief.hillName === '' ? 'test hill' : document.brief.hillName;
  const option = useMemo(() => {
    const { road } = assemble(document);
    return forceChart(
      {
        held,
        pinned: pinnedHeld,
        known: verdict.known,
        loads: [
          { name: 'the level asks', force: (v) => roadForce(road, v, 0), side: 'left' },
          { name: `${hill} asks`, force: (v) => roadForce(road, v, grade), side: 'right' },
        ],
        system,
      },
      ink,
    );
  }, [document, held, pinnedHeld, verdict.known, grade, hill, system, ink]);
  const unit = shownUnit('km/h', system);
  const force = shownUnit('N', system);
  const slow = held.at(-1);
  const fast = held[0];
  const words =
    slow === undefined || fast === undefined
      ? 'It does not move.'
      : `${LIMIT_WORDS[slow.limit]} binds when slow, ${LIMIT_WORDS[fast.limit]} when fast`;
  return (
    <ChartPanel
      title={words.charAt(0).toUpperCase() + words.slice(1)}
      summary={`Pull at the tyre against speed. ${words}.`}
      name={`${document.name} pull`}
      option={option}
      height="h-[360px] max-tablet:h-[280px]"
      table={{
        columns: [`Speed, ${unitText(unit)}`, `Pull, ${force}`, 'Limit', 'Cog, teeth'],
        rows: held.map((p) => [
          formatNumber(convert(msToKmh(p.v), 'km/h', unit), 1),
          formatNumber(convert(p.forceN, 'N', force), 0),
          LIMIT_WORDS[p.limit],
          String(p.cogTeeth),
        ]),
      }}
    />
  );
}

/** Pack and controller: the pull they give, and the volts they work between. */
export function PowerStage() {
  const { document, verdict } = useStage();
  const stage = verdict.stages.find((s) => s.id === 'power');
  return (
    <Stage
      id="power"
      stamp={{
        state: stage?.state ?? 'unknown',
        word: `${formatNumber(verdict.power.nominalV, 0)} V, ${formatNumber(verdict.power.energyWh, 0)} Wh`,
        asIs: true,
        under: stage?.words ?? '',
      }}
      inputs={
        <>
          <PackFields document={document} verdict={verdict} />
          <ControllerFields document={document} verdict={verdict} />
          <StageFindings id="power" />
          <Caution>
            A lithium pack can burn: charge it watched, with its own charger, and never open it without
            training. The pack maker’s data sheet decides.
          </Caution>
        </>
      }
      picture={
        <>
          <ForcePanel />
          <VoltLadder verdict={verdict} />
        </>
      }
    />
  );
}
