import { useCallback, useMemo, useState } from 'react';
import { convert, firstOf, shownUnit, type RideKept, type RiddenPart } from '@apple-cart/core';
import type { ToldAnalysis } from '@apple-cart/contracts';
import { ChartPanel } from '../../charts/chart-panel.tsx';
import { LOG_COLUMNS, logChart } from '../../charts/log-chart.ts';
import { useChartInk } from '../../charts/use-chart-ink.ts';
import { useLogWindow, type LogView } from '../../state/logs.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useSettled } from '../../state/use-settled.ts';
import { Button } from '../../ui/button.tsx';
import { useStage } from '../parts/use-stage.ts';
import { logTable } from './log-table.ts';
import { rideStands } from './ride-words.ts';
import type { RideStudied, Road } from './use-road.ts';

/** Buckets that a chart has room for. */
const MOST_DRAWN = 4000;
/** What of the way is looked at, in the reader's unit. */
interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** Rows of what is looked at, with a little beside it; the way is not even in time, so some more than its share. */
const rowsOf = (view: Stretch | undefined, far: number, rows: number): LogView =>
  view === undefined || far <= 0
    ? { from: 0, to: undefined }
    : {
        from: Math.max(0, Math.floor((view.from / far - 0.1) * rows)),
        to: Math.min(rows, Math.ceil((view.to / far + 0.1) * rows)),
      };

/** The recording drawn, with the plan above it. */
export function RideLines({
  road,
  kept,
  beside,
  rows,
  analysis,
  startM,
  endM,
  onCut,
}: {
  road: Road;
  kept: RideKept;
  beside: RideStudied;
  rows: number;
  analysis: ToldAnalysis;
  /** Where the ride begins on the recording's way, m. */
  startM: number;
  /** Where it ends there, m, where the recording is cut. */
  endM: number | undefined;
  /** Asks what of the recording is the ride: what is looked at, or all of it. */
  onCut: (stretch: RiddenPart) => void;
}) {
  const system = useSettings((state) => state.units);
  const ink = useChartInk();
  const { verdict } = useStage();
  const [view, setView] = useState<Stretch>();
  const settled = useSettled(view, 250);
  const wholeM = analysis.metres ?? 0;
  const far = convert(wholeM / 1000, 'km', shownUnit('km', system));
  const asked = rowsOf(settled, far, rows);
  const { window, failed } = useLogWindow(road.build, kept.first, LOG_COLUMNS, asked, MOST_DRAWN);
  const { rollbackStartC } = verdict.study.machine.thermal;
  const planned = beside.value?.trace;
  const trace = useMemo(
    () =>
      planned === undefined || startM === 0
        ? planned
        : { ...planned, metres: planned.metres.map((m) => m + startM) },
    [planned, startM],
  );
  const option = useMemo(
    () =>
      window === undefined
        ? {}
        : logChart(
            {
              window,
              plan: trace,
              rollbackC: Number.isFinite(rollbackStartC) ? rollbackStartC : undefined,
              system,
              view: settled,
              wholeM,
              ridden: endM === undefined ? undefined : { fromM: startM, toM: endM },
            },
            ink,
          ),
    [window, trace, rollbackStartC, system, settled, wholeM, startM, endM, ink],
  );
  const onView = useCallback((from: number, to: number): void => {
    setView((before) => (before?.from === from && before.to === to ? before : { from, to }));
  }, []);
  const { title } = rideStands(kept, system);
  if (failed) return <p role="alert">The recording cannot be read now.</p>;
  if (window === undefined) return <p role="status">Fetching the recording…</p>;
  return (
    <>
      <ChartPanel
        title="As it was ridden"
        note={firstOf(
          [
            [beside.busy, 'the plan is being ridden…'],
            [endM !== undefined, 'faint: cut off'],
          ],
          '',
        )}
        summary={`${title}. Measured, with the plan on the same road.`}
        name={`Ride of ${kept.ride.on}`}
        option={option}
        height="h-[372px] max-tablet:h-[420px]"
        table={logTable(window, system)}
        onView={onView}
      >
        {view !== undefined && view.to - view.from < 0.999 * far && (
          <>
            <Button
              kind="quiet"
              className="h-7! max-bench:h-11!"
              onClick={() => {
                const metres = (shown: number): number =>
                  1000 * convert(Math.min(far, Math.max(0, shown)), shownUnit('km', system), 'km');
                onCut({ fromM: metres(view.from), toM: metres(view.to) });
              }}
            >
              Keep only this
            </Button>
            <Button
              kind="quiet"
              className="h-7! max-bench:h-11!"
              onClick={() => {
                setView(undefined);
              }}
            >
              All of it
            </Button>
          </>
        )}
      </ChartPanel>
      <p className="flex flex-wrap gap-x-5 text-[12.5px] text-ink2">
        <span className="flex items-center gap-1.5">
          <span className="inline-block h-[3px] w-6 bg-ink2" aria-hidden /> measured
        </span>
        {trace !== undefined && (
          <span className="flex items-center gap-1.5">
            <span className="inline-block h-px w-6 bg-ink" aria-hidden /> {planWords(beside.version, kept)}
          </span>
        )}
        <span className="no-print">closer: Ctrl and the wheel, or two fingers</span>
      </p>
    </>
  );
}

const planWords = (version: number, { ride }: RideKept): string =>
  version === ride.planVersion ? 'the plan of that day' : 'today’s plan: that day’s is not kept';
