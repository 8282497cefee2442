import { useState } from 'react';
import {
  counted,
  firstOf,
  formatNumber,
  msToKmh,
  netWh,
  type RideKept,
  type RideTold,
  type RiddenPart,
} from '@apple-cart/core';
import type { ToldAnalysis } from '@apple-cart/contracts';
import { useSettings } from '../../state/settings-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { useStage } from '../parts/use-stage.ts';
import { dayWords, rideNamed, rideStands } from './ride-words.ts';
import { Beyond, CutRide } from './cut-ride.tsx';
import { RideActions } from './ride-actions.tsx';
import { RideLines } from './ride-lines.tsx';
import { useCounted, type Counted } from './use-counted.ts';
import { useRideBeside, type Road } from './use-road.ts';
import { NoticedOn } from './noticed-on.tsx';
import { OnTheWay } from './on-the-way.tsx';
import { BesideTable, PointsTo } from './beside-table.tsx';

/** What a ride or its recording says in a strip of cells. */
function Facts({ road, kept, analysis }: { road: Road; kept: RideKept; analysis: ToldAnalysis | undefined }) {
  const { ride } = kept;
  const shown = useQuantity();
  const { verdict } = useStage();
  const freewheel = road.document.drive.freewheel;
  const rider = ride.riderWh ?? analysis?.riderWh ?? null;
  const net = netWh(ride);
  const back = ride.backWh ?? 0;
  const share = net === undefined || rider === null ? undefined : rider / Math.max(1e-9, rider + net);
  const regenerates = verdict.study.machine.regeneration !== undefined && !freewheel;
  const cells: readonly (readonly [string, string, string])[] = [
    ['Out of the pack', ride.energyWh === null ? '?' : formatNumber(ride.energyWh, 0), 'Wh'],
    ['Back into it', ride.energyWh === null ? '?' : formatNumber(back, 0), 'Wh'],
    firstOf(
      [
        [freewheel, ['Share by braking', 'none', 'freewheel'] as const],
        [!regenerates && back === 0, ['Share by braking', 'none', 'not set'] as const],
        [ride.energyWh === null, ['Share by braking', '?', ''] as const],
      ],
      ['Share by braking', formatNumber((100 * back) / Math.max(1e-9, ride.energyWh ?? 0), 0), '%'] as const,
    ),
    [
      'Rider’s share',
      share === undefined ? '?' : formatNumber(100 * share, 0),
      share === undefined ? 'not read' : '%',
    ],
    analysis === undefined
      ? [
          'Volts, before and after',
          ride.voltsBefore === null ? '?' : formatNumber(ride.voltsBefore, 1),
          ride.voltsAfter === null ? '' : `to ${formatNumber(ride.voltsAfter, 1)} V`,
        ]
      : [
          'Stops, standing',
          String(analysis.stops.length),
          `${formatNumber((analysis.standingS ?? 0) / 60, 1)} of ${formatNumber((analysis.seconds ?? 0) / 60, 0)} min`,
        ],
  ];
  return (
    <>
      <dl className="grid grid-cols-5 border-b border-rule max-tablet:grid-cols-2" data-testid="facts">
        {cells.map(([name, value, unit]) => (
          <div key={name} className="border-l border-hair px-2.5 py-1 first:border-l-0 first:pl-0">
            <dt className="text-[12.5px] text-ink2">{name}</dt>
            <dd className="text-[15px]">
              <b className="num font-semibold">{value}</b>{' '}
              <span className="text-[12.5px] text-ink2">{unit}</span>
            </dd>
          </div>
        ))}
      </dl>
      {analysis?.coasting !== undefined && (
        <p className="flex gap-2 border-b border-hair py-1.5 text-[13.5px]" data-testid="coasting">
          <StateMark state="look" size={15} />
          <span>
            While it coasted the wheel counted {shown(analysis.coasting.wheelM, 'm', 0).text} of{' '}
            {shown(analysis.coasting.trackM, 'm', 0).text} {shown(1, 'm', 0).unit} of the track: it reads the
            motor’s turns, and stops with them. The distance is short by as much.
          </span>
        </p>
      )}
    </>
  );
}

/** Climbs, sag and heat of a recording. */
function Found({ analysis }: { analysis: ToldAnalysis }) {
  const shown = useQuantity();
  const { climbs, packOhm, least, hottest, topMs } = analysis;
  const [m, up] = [shown(1, 'm', 0).unit, climbs.reduce((sum, c) => sum + c.riseM, 0)];
  const rows: readonly (readonly [string, string])[] = [
    ...climbs
      .slice(0, 4)
      .map((c): readonly [string, string] => [
        `Climb at ${shown(c.fromM / 1000, 'km', 1).text} ${shown(1, 'km', 0).unit}`,
        `${shown(c.lengthM, 'm', 0).text} ${m} at ${formatNumber((100 * c.riseM) / c.lengthM, 1)} %, up ${shown(c.riseM, 'm', 0).text} ${m}, ${shown(msToKmh(c.lengthM / c.seconds), 'km/h', 1).text} ${shown(1, 'km/h', 0).unit} on the mean${Number.isFinite(c.wh) ? `, ${formatNumber(c.wh, 0)} Wh` : ''}`,
      ]),
    ...(packOhm === undefined
      ? []
      : [
          [
            'Pack with its leads',
            `${formatNumber(1000 * packOhm.ohm, 0)} ± ${formatNumber(1000 * packOhm.sd, 0)} mΩ, from ${counted(packOhm.steps, 'step')} of the current`,
          ] as const,
        ]),
    ...(least === undefined
      ? []
      : [
          [
            'Fewest volts',
            `${formatNumber(least.volts, 1)} V${Number.isFinite(least.amps) ? ` at ${formatNumber(least.amps, 0)} A` : ''}, after ${formatNumber(least.atS / 60, 0)} min`,
          ] as const,
        ]),
    ...(hottest.caseC === undefined
      ? []
      : [['Hottest controller', `${shown(hottest.caseC.c, 'C', 0).text} ${shown(0, 'C', 0).unit}`] as const]),
    ...(topMs === null
      ? []
      : [['Fastest', `${shown(msToKmh(topMs), 'km/h', 1).text} ${shown(1, 'km/h', 0).unit}`] as const]),
    ...(analysis.gapsS === null || analysis.gapsS === 0
      ? []
      : [
          [
            'Not recorded',
            `${formatNumber(analysis.gapsS / 60, 1)} min are missing: nothing is reckoned for them`,
          ] as const,
        ]),
  ];
  if (rows.length === 0) return null;
  return (
    <section aria-label="Found in the recording" data-testid="found">
      <PanelHead
        title="Found in the recording"
        note={up > 0 ? `${shown(up, 'm', 0).text} ${m} climbed` : undefined}
      />
      <dl className="text-[13.5px]">
        {rows.map(([name, words], i) => (
          <div
            key={`${name} ${String(i)}`}
            className="grid grid-cols-[150px_minmax(0,1fr)] border-t border-hair py-1 max-tablet:grid-cols-[110px_minmax(0,1fr)]"
          >
            <dt className="text-ink2">{name}</dt>
            <dd>{words}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

/** A ride without a recording: nothing to draw, but the plan is asked. */
function NoLines({ busy }: { busy: boolean }) {
  return (
    <p className="border-b border-hair py-2 text-[13.5px] text-ink2" role="status">
      Typed by hand: no line to draw.{busy ? ' The plan is being ridden…' : ''}
    </p>
  );
}

/** What distance and speed rest on, where that moves the verdict. */
function ToldByWords({ told: { shownTimes, toldOff, runInUnsaid } }: { told: RideTold }) {
  const off = shownTimes === null ? 0 : 100 * (1 / shownTimes - 1);
  const byFoot = runInUnsaid && (
    <p className="pt-1 text-[13px] text-ink2" data-testid="run-in">
      Nobody noted how fast it came to the foot of the hill: the time is counted from standing, and may be
      that of one at full swing.
    </p>
  );
  if (shownTimes === null && toldOff === 0) return byFoot;
  return (
    <>
      {byFoot}
      <p className="pt-1 text-[13px] text-ink2" data-testid="told-by">
        {shownTimes === null
          ? `What told distance and speed was not noted, or Set up has not held the display against the true speed: ${formatNumber(100 * toldOff, 0)} % either way is counted.`
          : `The display shows ${formatNumber(Math.abs(off), 1)} % too ${off > 0 ? 'much' : 'little'}, as Set up has it: distance and speed are taken as ${formatNumber(shownTimes, 3)} times what was typed.`}
      </p>
    </>
  );
}

/** What is told of a ride, on the screen and on paper: facts, lines, and the plan beside it. */
export function RideBody({
  road,
  kept,
  counted,
  onCut,
}: {
  road: Road;
  kept: RideKept;
  counted: Counted;
  /** Asks what of the recording is the ride. */
  onCut: (stretch: RiddenPart) => void;
}) {
  const system = useSettings((state) => state.units);
  const beside = useRideBeside(road, kept);
  const log = road.logs.get(kept.first);
  const { ride, told } = kept;
  return (
    <>
      <Facts road={road} kept={kept} analysis={counted.analysis} />
      {log === undefined ? (
        <NoLines busy={beside.busy} />
      ) : (
        <RideLines
          key={kept.key}
          road={road}
          kept={kept}
          beside={beside}
          rows={log.rows}
          analysis={log.analysis}
          startM={counted.startM}
          endM={counted.endM}
          onCut={onCut}
        />
      )}
      {told !== undefined && <BesideTable told={told} />}
      {told?.byVolts === true && (
        <p className="pt-1 text-[13px] text-ink2">
          The energy is worked out from the volts at rest: a wider span.
        </p>
      )}
      <OnTheWay way={beside.value?.way ?? []} gaugeOf={ride.gaugeOf} />
      {told !== undefined && <ToldByWords told={told} />}
      {told !== undefined && <PointsTo told={told} />}
      {ride.noticed.length > 0 && <NoticedOn build={road.build} ride={ride} />}
      <p className="py-1.5 text-[13px] text-ink2" data-testid="day">
        {dayWords(kept, system)}
      </p>
      {counted.analysis !== undefined && <Found analysis={counted.analysis} />}
    </>
  );
}

/** One ride: the verdict, its facts, its lines, and the plan beside it. */
export function RideView({ road, kept, onEdit }: { road: Road; kept: RideKept; onEdit: () => void }) {
  const system = useSettings((state) => state.units);
  const { title } = rideStands(kept, system);
  const log = road.logs.get(kept.first);
  const { ride } = kept;
  const counted = useCounted(road, kept);
  const { recording, beyond } = counted;
  const [cutting, setCutting] = useState<RiddenPart>();
  return (
    <section aria-label="Ride" data-testid="ride">
      <PanelHead title={title} note={rideNamed(ride)}>
        <RideActions
          road={road}
          kept={kept}
          log={log}
          onEdit={onEdit}
          onCut={() => {
            setCutting(beyond ?? { fromM: 0, toM: counted.wholeM });
          }}
        />
      </PanelHead>
      {cutting !== undefined && recording !== undefined && (
        <CutRide
          road={road}
          kept={kept}
          recording={recording}
          wholeM={counted.wholeM}
          stretch={cutting}
          onClose={() => {
            setCutting(undefined);
          }}
        />
      )}
      {beyond !== undefined && (
        <Beyond
          wholeM={counted.wholeM}
          roadM={counted.roadM}
          onCut={() => {
            setCutting(beyond);
          }}
        />
      )}
      <RideBody road={road} kept={kept} counted={counted} onCut={setCutting} />
    </section>
  );
}
