import { useMemo } from 'react';
import { convert, formatNumber, msToKmh, shownUnit, unitText } from '@apple-cart/core';
import { ChartPanel } from '../../charts/chart-panel.tsx';
import { hillChart } from '../../charts/hill-chart.ts';
import { useChartInk } from '../../charts/use-chart-ink.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useDeferredStage } from '../parts/use-stage.ts';

export function HillPanel() {
  const { document, verdict, pinned } = useDeferredStage();
  const system = useSettings((state) => state.units);
  const ink = useChartInk();
  const hillName = document.brief.hillName === '' ? 'Test hill' : document.brief.hillName;
  const names = verdict.study.limitNames;
  const { curves, span, climb } = verdict.hill;
  const grade = verdict.known.brief.hillGradePct.value;
  const pinnedHeld = pinned?.hill.curves.held;
  const cogs = document.gearing.cogTeeth.length;
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
          cogs,
          oneCog: document.gearing.heldCogTeeth !== null,
          system,
        },
        ink,
      ),
    [
      curves,
      span,
      pinnedHeld,
      verdict.known,
      hillName,
      grade,
      cogs,
      document.gearing.heldCogTeeth,
      system,
      ink,
    ],
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
              {names[limit]}
            </span>{' '}
            binds
          </>
        )
      }
      summary={
        climb.climbs
          ? `Speed against grade. ${hillName}, ${formatNumber(grade, 1)} %, at ${speed(climb.v)} ${unit}; ${names[climb.limit]} binds.`
          : `Speed against grade. ${hillName} is not climbed.`
      }
      name={`${document.name} hill`}
      option={option}
      height="h-[264px] max-tablet:h-[290px]"
      table={{
        columns: [
          { name: 'Grade, %', digits: 2 },
          { name: `Speed, ${unitText(unit)}`, digits: 1 },
          { name: 'Limit' },
          { name: 'Cog, teeth' },
          { name: 'Hub gear' },
        ],
        rows: curves.held.map((p) => [
          p.gradePct,
          convert(msToKmh(p.v), 'km/h', unit),
          names[p.limit],
          p.cogTeeth,
          p.hubGear ?? '',
        ]),
      }}
    />
  );
}
