import { stageOf, type Sensitivity } from '@apple-cart/core';
import { useDeferredValue, useMemo } from 'react';
import { Link } from 'react-router';
import { SCREENS } from '../../screens/registry.ts';
import { useDocument } from '../../state/build-store.ts';
import { useChange, useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { Studying } from '../../work/studying.tsx';
import { useStudy } from '../../work/use-study.ts';
import { SOURCE_WORD, SourceMark } from '../../ui/source-mark.tsx';

/** Assumed and unknown values by how much they move the results, the most telling first. */
export function MeasureNext({ count }: { count: number }) {
  const document = useDeferredValue(useDocument());
  const studied = useStudy(
    'moves',
    useMemo(() => ({ build: document }), [document]),
  );
  return (
    <section className="keep-together" aria-label="Measure first">
      <PanelHead title="Measure first" note="what a tenth off could cost" />
      <Studying {...studied} waiting="Trying every value…">
        {(all) => <Moves all={all} count={count} />}
      </Studying>
    </section>
  );
}

function Moves({ all, count }: { all: readonly Sensitivity[]; count: number }) {
  const shown = useQuantity();
  const change = useChange();
  const top = all.slice(0, count);
  const cost = (value: number, unit: 'km/h' | 'km'): string =>
    change(value, unit, 1) === undefined ? '–' : shown(value, unit, 1).text;
  const unitOf = (unit: 'km/h' | 'km'): string => shown(1, unit).unit;
  return (
    <>
      {top.length === 0 ? (
        <p className="border-t-[1.5px] border-ink py-2 text-ink2">
          Everything that moves the results is measured or from a label.
        </p>
      ) : (
        <table className="w-full border-collapse text-[13.5px]">
          <thead>
            <tr className="border-b-[1.5px] border-ink text-[12.5px]">
              <th className="py-1.5 text-left font-semibold">Value</th>
              <th className="py-1.5 text-right font-semibold">Used</th>
              <th className="py-1.5 text-right font-semibold">Top, {unitOf('km/h')}</th>
              <th className="py-1.5 text-right font-semibold">Hill, {unitOf('km/h')}</th>
              <th className="py-1.5 text-right font-semibold">Range, {unitOf('km')}</th>
            </tr>
          </thead>
          <tbody>
            {top.map(({ known, topKmh, hillKmh, rangeKm }) => {
              const value = shown(known.value, known.unit);
              const stage = stageOf(known.path);
              return (
                <tr key={known.path} className="border-b border-hair">
                  <th scope="row" className="py-1 text-left font-normal">
                    <span className="flex items-center gap-2">
                      <span title={SOURCE_WORD[known.source]}>
                        <SourceMark source={known.source} />
                      </span>
                      <span className="min-w-0">
                        {known.label}{' '}
                        <Link
                          to={`../${stage}`}
                          relative="path"
                          className="text-[12px] text-slate underline max-bench:inline-flex max-bench:min-h-11 max-bench:min-w-11 max-bench:items-center"
                        >
                          {SCREENS[stage].name}
                        </Link>
                      </span>
                    </span>
                  </th>
                  <td className="num py-1 text-right whitespace-nowrap">
                    {value.text} <span className="font-text text-[12px] text-ink3">{value.unit}</span>
                  </td>
                  <td className="num py-1 text-right">{cost(topKmh, 'km/h')}</td>
                  <td className="num py-1 text-right">{cost(hillKmh, 'km/h')}</td>
                  <td className="num py-1 text-right">{cost(rangeKm, 'km')}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      {all.length > top.length && (
        <p className="py-1.5 text-[12.5px] text-ink2">
          {all.length - top.length} more assumed or unknown values move less.
        </p>
      )}
    </>
  );
}
