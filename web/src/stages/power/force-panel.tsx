import { useMemo } from 'react';
import { convert, firstOf, msToKmh, roadForce, shownUnit, unitText } from '@apple-cart/core';
import { ChartPanel } from '../../charts/chart-panel.tsx';
import { forceChart } from '../../charts/force-chart.ts';
import { useChartInk } from '../../charts/use-chart-ink.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useDeferredStage } from '../parts/use-stage.ts';

export function ForcePanel() {
  const { document, verdict, pinned } = useDeferredStage();
  const system = useSettings((state) => state.units);
  const ink = useChartInk();
  const names = verdict.study.limitNames;
  const { held } = verdict.hill.curves;
  const pinnedHeld = pinned?.hill.curves.held;
  const grade = verdict.known.brief.hillGradePct.value;
  const hill = document.brief.hillName === '' ? 'test hill' : document.brief.hillName;
  const option = useMemo(() => {
    const { road } = verdict.study.machine;
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
  }, [verdict, held, pinnedHeld, grade, hill, system, ink]);
  const unit = shownUnit('km/h', system);
  const force = shownUnit('N', system);
  const slow = held.at(-1);
  const fast = held[0];
  const words = firstOf(
    [
      [slow === undefined || fast === undefined, 'It does not move.'],
      [
        held.every(({ limit }) => limit === slow?.limit),
        `${names[slow?.limit ?? 'voltage']} binds throughout`,
      ],
    ],
    `${names[slow?.limit ?? 'voltage']} binds when slow, ${names[fast?.limit ?? 'voltage']} when fast`,
  );
  return (
    <ChartPanel
      title={words.charAt(0).toUpperCase() + words.slice(1)}
      summary={`Pull at the tyre against speed. ${words}.`}
      name={`${document.name} pull`}
      option={option}
      height="h-[360px] max-tablet:h-[280px]"
      table={{
        columns: [
          { name: `Speed, ${unitText(unit)}`, digits: 1 },
          { name: `Pull, ${force}` },
          { name: 'Limit' },
          { name: 'Cog, teeth' },
        ],
        rows: held.map((p) => [
          convert(msToKmh(p.v), 'km/h', unit),
          convert(p.forceN, 'N', force),
          names[p.limit],
          p.cogTeeth,
        ]),
      }}
    />
  );
}
