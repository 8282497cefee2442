import { useMemo } from 'react';
import type { BuildDocument, PlaceTried } from '@apple-cart/core';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { useSettled } from '../../state/use-settled.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { Studying } from '../../work/studying.tsx';
import { useStudy } from '../../work/use-study.ts';
import { capital } from '../../ui/capital.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { PLACE_NAMES } from '../parts/place-names.ts';
import { allIn } from './pack-boxes.ts';

const QUIET_MS = 250;

/** Every place of the frame with a whole pack in it: room, balance, and what is in the way; for each pack. */
export function PlacesTable() {
  const document = useSettled(useDocument(), QUIET_MS);
  return document.packs.map((_, i) => <PlacesOf key={i} document={document} packIndex={i} />);
}

function PlacesOf({ document, packIndex }: { document: BuildDocument; packIndex: number }) {
  const studied = useStudy(
    'places',
    useMemo(() => ({ build: document, pack: packIndex }), [document, packIndex]),
  );
  return (
    <Studying {...studied} waiting="Trying every place…">
      {(rows) => <Places rows={rows} packIndex={packIndex} several={document.packs.length > 1} />}
    </Studying>
  );
}

function Places({
  rows,
  packIndex,
  several,
}: {
  rows: readonly PlaceTried[];
  packIndex: number;
  several: boolean;
}) {
  const edit = useBuild((state) => state.edit);
  const shown = useQuantity();
  const mm = shown(1, 'mm').unit;
  const length = (value: number): string => shown(value, 'mm', mm === 'mm' ? 0 : 1).text;
  const lowest = [...rows].filter((r) => r.state !== 'stop').sort((a, b) => a.centreUpMm - b.centreUpMm)[0];
  return (
    <section className="keep-together pt-3" aria-label="Places for the pack">
      <PanelHead
        title={
          lowest === undefined
            ? 'The pack goes nowhere on this frame'
            : `${capital(PLACE_NAMES[lowest.place])} the mass is lowest`
        }
        note={
          several
            ? `the whole of pack ${String(packIndex + 1)} in each place`
            : 'the whole pack in each place'
        }
      />
      <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="Places">
        <table className="w-full border-collapse text-[13.5px]" data-testid="places">
          <thead>
            <tr className="border-b-[1.5px] border-ink text-[12.5px] [&>th]:py-1.5 [&>th]:text-right [&>th]:font-semibold">
              <th className="text-left!">Place</th>
              <th>Room, {mm}</th>
              <th>Mass up, {mm}</th>
              <th>On the front, %</th>
              <th>Lifts at, %</th>
              <th>
                <span className="sr-only">Try it</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr
                key={row.place}
                className={`border-b border-hair [&>td]:py-1.5 [&>td]:text-right ${row.here ? 'bg-press font-semibold' : ''}`}
              >
                <th scope="row" className="py-1.5 pl-1 text-left font-normal">
                  <span className="flex items-start gap-2">
                    <span className="pt-px">
                      <StateMark state={row.state} size={14} />
                    </span>
                    <span>
                      {PLACE_NAMES[row.place]}
                      {row.trouble !== undefined && (
                        <span className="block text-[12px] font-normal text-ink2">{row.trouble}</span>
                      )}
                    </span>
                  </span>
                </th>
                <td className="num">{row.roomMm === undefined ? '–' : length(row.roomMm)}</td>
                <td className="num">{length(row.centreUpMm)}</td>
                <td className="num">{row.frontSharePct.toFixed(0)}</td>
                <td className="num">{row.liftPct > 99 ? 'never' : row.liftPct.toFixed(0)}</td>
                <td className="pl-2">
                  {!row.here && (
                    <button
                      type="button"
                      className="no-print min-h-6 whitespace-nowrap max-bench:min-w-11 text-[12.5px] text-slate underline max-bench:min-h-11"
                      onClick={() => {
                        edit((d) => allIn(d, packIndex, row.place), 'pack place');
                      }}
                    >
                      Try it
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}
