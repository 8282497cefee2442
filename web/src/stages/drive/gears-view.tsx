import { useMemo } from 'react';
import {
  gearName,
  formatNumber,
  hallSpacingDeg,
  kmhToMs,
  msToKmh,
  roadForce,
  shownUnit,
  convert,
  unitText,
} from '@apple-cart/core';
import { ChartPanel } from '../../charts/chart-panel.tsx';
import { gearChart } from '../../charts/gear-chart.ts';
import { useChartInk } from '../../charts/use-chart-ink.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { capital } from '../../ui/capital.ts';
import type { From } from '../../ui/by-default.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { Ledger, type LedgerLine } from '../parts/ledger.tsx';
import { useDeferredStage } from '../parts/use-stage.ts';
import { GearTable } from './gear-table.tsx';
import { MotorLedger } from './motor-ledger.tsx';

/** Pull against speed, a line a gear. */
function GearPanel() {
  const { document, verdict } = useDeferredStage();
  const system = useSettings((state) => state.units);
  const ink = useChartInk();
  const { gears } = verdict;
  const { climb } = verdict.hill;
  const cogs = new Set(gears.map((g) => g.cogTeeth)).size;
  const used = climb.climbs
    ? gears.find((g) => g.cogTeeth === climb.cogTeeth && g.hubGear === climb.hubGear)
    : undefined;
  const grade = verdict.known.brief.hillGradePct.value;
  const hill = document.brief.hillName === '' ? 'test hill' : document.brief.hillName;
  const option = useMemo(() => {
    const { road } = verdict.study.machine;
    return gearChart(
      {
        rows: gears,
        name: (row) => gearName(row, cogs),
        used,
        loads: [
          { name: 'the level asks', force: (kmh) => roadForce(road, kmhToMs(kmh), 0) },
          { name: `${hill} asks`, force: (kmh) => roadForce(road, kmhToMs(kmh), grade) },
        ],
        system,
      },
      ink,
    );
  }, [verdict, gears, cogs, used, grade, hill, system, ink]);
  const [speed, force] = [shownUnit('km/h', system), shownUnit('N', system)];
  const title =
    used === undefined
      ? 'No gear holds the test hill'
      : capital(`${gearName(used, cogs)} holds the test hill`);
  return (
    <ChartPanel
      title={title}
      note="a line a gear, over its cadences"
      summary={`Pull at the tyre against speed in every gear. ${title}.`}
      name={`${document.name} gears`}
      option={option}
      height="h-[250px]"
      table={{
        columns: [
          { name: 'Gear' },
          { name: `Speed, ${unitText(speed)}`, digits: 1 },
          { name: `Pull, ${force}` },
        ],
        rows: gears.flatMap((row) =>
          row.curve.map((p) => [
            gearName(row, cogs),
            convert(p.kmh, 'km/h', speed),
            convert(p.forceN, 'N', force),
          ]),
        ),
      }}
    />
  );
}

/** Where the motor pulls best, and what stands between it and the wheel, in numbers. */
function useDriveLines(): readonly LedgerLine[] {
  const { document, verdict } = useDeferredStage();
  const shown = useQuantity();
  const midDrive = document.drive.kind === 'mid-drive';
  const best = verdict.motorCadence;
  const { external } = verdict.fit;
  const poles = verdict.known.drive.polePairs;
  const { drive, donor, gearing, controller } = verdict.known;
  const sprockets = [drive.motorSprocketTeeth, drive.wheelSprocketTeeth];
  const row = (label: string, text: string, unit: string, from: From, note?: string): LedgerLine => ({
    label,
    from,
    ...(note === undefined ? {} : { note }),
    value: (
      <span className="inline-flex items-baseline whitespace-nowrap">
        <span className="num">{text}</span>
        <span className="w-[4.4em] pl-1 text-left text-[12.5px] text-ink3">{unit}</span>
      </span>
    ),
  });
  const winding = [drive.kvRpmPerV, drive.resistanceOhm, drive.reduction, controller.batteryCurrentA];
  return [
    ...(best === undefined
      ? []
      : [
          row('Full pull up to a cadence of', String(best.fullPullTo), 'rpm', winding, 'half charge'),
          row(
            'Most power at',
            String(best.mostPowerAt),
            'rpm',
            winding,
            `${formatNumber(best.mostPowerW, 0)} W at the tyre`,
          ),
          row('No pull from', String(best.noneFrom), 'rpm', [drive.kvRpmPerV, drive.reduction]),
        ]),
    ...(external === undefined
      ? []
      : [
          row('Sprockets', external.ratio.toFixed(2), 'to 1', sprockets),
          row(
            'Length round them',
            external.pitches.toFixed(1),
            document.drive.medium === 'chain' ? 'links' : 'teeth',
            [...sprockets, drive.pitchMm, drive.centreMm],
            `next sold ${String(external.stock)}`,
          ),
          row(
            'Teeth in mesh, small',
            external.mesh.toFixed(1),
            'T',
            [...sprockets, drive.pitchMm, drive.centreMm],
            'at least 6',
          ),
          row(
            'Tight side pulls',
            shown(external.pullN, 'N').text,
            shown(1, 'N').unit,
            [
              drive.kvRpmPerV,
              drive.reduction,
              controller.phaseCurrentA,
              drive.motorSprocketTeeth,
              drive.pitchMm,
            ],
            'all the phase current',
          ),
        ]),
    ...(midDrive
      ? [
          row(
            'Chain for this ring',
            String(verdict.fit.links),
            'links',
            [gearing.ringTeeth, donor.chainstayMm],
            'largest cog, ISO 606 pitch',
          ),
        ]
      : []),
    ...(poles.source === 'unknown'
      ? []
      : [
          row(
            'Hall sensors apart',
            hallSpacingDeg(poles.value).toFixed(2),
            '°',
            [],
            `120° electrical, ${String(poles.value)} pole pairs`,
          ),
        ]),
  ];
}

/** Gears, chart, where the motor pulls best, and the motor in numbers. */
export function GearsView() {
  const { document, verdict } = useDeferredStage();
  const shown = useQuantity();
  const { climb } = verdict.hill;
  const midDrive = document.drive.kind === 'mid-drive';
  const best = verdict.motorCadence;
  const lines = useDriveLines();
  return (
    <>
      <PanelHead
        title={
          midDrive
            ? 'Motor and legs pull through the same gears'
            : 'The motor pulls alike in every gear; the legs do not'
        }
        note={
          climb.climbs
            ? `upright line: ${shown(msToKmh(climb.v), 'km/h').text} ${shown(1, 'km/h').unit} on the test hill, ${climb.cadenceRpm.toFixed(0)} rpm`
            : 'it does not climb the test hill'
        }
      />
      <GearTable
        rows={verdict.gears}
        known={verdict.known}
        midDrive={midDrive}
        hillKmh={climb.climbs ? msToKmh(climb.v) : undefined}
        used={climb.climbs ? climb : undefined}
      />
      <GearPanel />
      {lines.length > 0 && (
        <Ledger
          title={best === undefined ? 'Drive in numbers' : 'Where the motor pulls best'}
          lines={lines}
        />
      )}
      <div className="pt-3">
        <MotorLedger verdict={verdict} />
      </div>
    </>
  );
}
