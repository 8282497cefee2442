import { useMemo } from 'react';
import { withQuantity, type RingRow } from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { ofType, useShelf } from '../../state/shelf.ts';
import { useChange, useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { Studying } from '../../work/studying.tsx';
import { useStudy } from '../../work/use-study.ts';
import { useDeferredStage } from '../parts/use-stage.ts';

/** The rings of the shelf side by side on this build, with what each would do. */
export function RingsView() {
  const { document, verdict } = useDeferredStage();
  const { parts } = useShelf();
  const now = Math.round(verdict.known.gearing.ringTeeth.value);
  const rings = useMemo(() => [now, ...ofType(parts, 'ring').map((r) => r.teeth)], [now, parts]);
  const studied = useStudy(
    'rings',
    useMemo(() => ({ build: document, rings }), [document, rings]),
  );
  return (
    <Studying {...studied} waiting="Trying every ring…">
      {(rows) => <Rings rows={rows} now={now} />}
    </Studying>
  );
}

function Rings({ rows, now }: { rows: readonly RingRow[]; now: number }) {
  const { document } = useDeferredStage();
  const { error } = useShelf();
  const edit = useBuild((state) => state.edit);
  const shown = useQuantity();
  const change = useChange();
  const here = rows.find((r) => r.teeth === now);
  const speed = (kmh: number | undefined): string => (kmh === undefined ? '–' : shown(kmh, 'km/h').text);
  const step = (value: number | undefined, base: number | undefined): string => {
    if (value === undefined || base === undefined) return '';
    return change(value - base, 'km/h', 1)?.text ?? '';
  };
  const steepest = [...rows].sort((a, b) => b.startPct - a.startPct)[0];
  const unit = shown(1, 'km/h').unit;
  return (
    <>
      <PanelHead
        title={
          steepest === undefined || steepest.teeth === now
            ? `${String(now)} teeth starts on the steepest hill of these`
            : `${String(steepest.teeth)} teeth would start on ${steepest.startPct.toFixed(0)} % instead of ${(here?.startPct ?? 0).toFixed(0)} %`
        }
        note="all else alike; differences from the ring in use"
      />
      {error !== undefined && <p className="py-2 text-stop">{error}</p>}
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Rings">
        <table className="w-full border-collapse text-[13.5px]" data-testid="ring-table">
          <thead>
            <tr className="border-b-[1.5px] border-ink text-[12.5px] [&>th]:py-1.5 [&>th]:text-right [&>th]:font-semibold">
              <th className="text-left!">Ring</th>
              <th>Top, {unit}</th>
              <th>Hill, {unit}</th>
              <th>rpm there</th>
              <th>Starts on, %</th>
              <th>Legs to, {unit}</th>
              <th>Links</th>
              <th>Chain, {shown(1, 'N').unit}</th>
              <td />
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr
                key={row.teeth}
                className={`border-b border-hair [&>td]:py-1.5 [&>td]:text-right ${row.teeth === now ? 'bg-press font-semibold' : ''}`}
              >
                <th scope="row" className="num py-1.5 pl-1 text-left">
                  {row.teeth}{' '}
                  <span className="font-text text-[12px] font-normal text-ink2">
                    T{row.teeth === now ? ', in use' : ''}
                  </span>
                </th>
                <td className="num">
                  <small className="pr-2 text-ink2">
                    {row.teeth === now ? '' : step(row.topKmh, here?.topKmh)}
                  </small>
                  {speed(row.topKmh)}
                </td>
                <td className="num">
                  <small className="pr-2 text-ink2">
                    {row.teeth === now ? '' : step(row.hillKmh, here?.hillKmh)}
                  </small>
                  {speed(row.hillKmh)}
                </td>
                <td className="num">{row.hillCadence?.toFixed(0) ?? '–'}</td>
                <td className="num">{row.startPct.toFixed(1)}</td>
                <td className="num">{speed(row.tallestKmh)}</td>
                <td className="num">{row.links}</td>
                <td>
                  <span className="inline-flex items-center gap-1.5">
                    {row.wear !== 'fine' && <StateMark state={row.wear} size={13} />}
                    <span className="num">{shown(row.chainN, 'N').text}</span>
                  </span>
                </td>
                <td className="pl-2">
                  {row.teeth !== now && (
                    <button
                      type="button"
                      className="min-h-6 text-[12.5px] text-slate underline max-bench:min-h-11"
                      onClick={() => {
                        edit(
                          (d) => withQuantity(d, 'gearing.ringTeeth', { source: 'label', value: row.teeth }),
                          'chainring',
                        );
                      }}
                    >
                      Take it
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="py-2 text-[13px] text-ink2">
        Links for the largest cog at this chainstay; chain pull in the lowest gear at the low end of the
        cadence span.
        {document.drive.kind !== 'mid-drive' &&
          ' A ring changes nothing for a motor in the wheel: only the legs feel it.'}
      </p>
    </>
  );
}
