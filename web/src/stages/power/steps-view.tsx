import { useMemo } from 'react';
import { moneyText, voltsOrAmps, type Step } from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { useBook } from '../../state/rules.ts';
import { useShelf } from '../../state/shelf.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { useDeferredStage } from '../parts/use-stage.ts';

const NAMES: Readonly<Record<Step['id'], string>> = {
  now: 'As it is',
  volts: 'More volts',
  'amp-hours': 'More amp-hours',
  amps: 'More amps',
  motor: 'A larger motor',
};

/** One step more of each, beside the build as it is: what it does, and what it costs. */
export function StepsView() {
  const { document } = useDeferredStage();
  const edit = useBuild((state) => state.edit);
  const { parts, error } = useShelf();
  const book = useBook();
  const shown = useQuantity();
  const steps = useMemo(
    () =>
      voltsOrAmps(
        document,
        (parts ?? []).map((p) => p.part),
        book,
      ),
    [document, parts, book],
  );
  const now = steps[0];
  const speed = shown(1, 'km/h').unit;
  const range = shown(1, 'km').unit;
  const text = (value: number | undefined, unit: 'km/h' | 'km' | 'kg', digits: number): string =>
    value === undefined ? '–' : shown(value, unit, digits).text;
  const moved = (value: number | undefined, base: number | undefined, digits: number): string => {
    if (value === undefined || base === undefined) return '';
    const difference = value - base;
    const words = Math.abs(difference).toFixed(digits);
    return Number(words) === 0 ? '' : `${difference > 0 ? '+' : '−'}${words}`;
  };
  const convert = (value: number | undefined, unit: 'km/h' | 'km' | 'kg'): number | undefined =>
    value === undefined ? undefined : Number(shown(value, unit, 3).text.replaceAll(',', ''));
  const rows: readonly {
    readonly label: string;
    readonly cell: (s: Step) => string;
    readonly difference: (s: Step) => string;
  }[] = [
    {
      label: `Top speed, ${speed}`,
      cell: (s) => text(s.topKmh, 'km/h', 1),
      difference: (s) => moved(convert(s.topKmh, 'km/h'), convert(now?.topKmh, 'km/h'), 1),
    },
    {
      label: `Test hill, ${speed}`,
      cell: (s) => text(s.hillKmh, 'km/h', 1),
      difference: (s) => moved(convert(s.hillKmh, 'km/h'), convert(now?.hillKmh, 'km/h'), 1),
    },
    {
      label: 'Starts on, %',
      cell: (s) => s.startPct.toFixed(1),
      difference: (s) => moved(s.startPct, now?.startPct, 1),
    },
    {
      label: `Range, ${range}`,
      cell: (s) =>
        s.rangeKm === undefined ? '–' : `${text(s.rangeKm.low, 'km', 0)}–${text(s.rangeKm.high, 'km', 0)}`,
      difference: (s) => moved(convert(s.rangeKm?.low, 'km'), convert(now?.rangeKm?.low, 'km'), 0),
    },
    {
      label: 'Heat in the winding, W',
      cell: (s) => (s.copperW === undefined ? '–' : s.copperW.toFixed(0)),
      difference: (s) => moved(s.copperW, now?.copperW, 0),
    },
    {
      label: `Mass, ${shown(1, 'kg').unit}`,
      cell: (s) => text(s.massKg, 'kg', 1),
      difference: (s) => moved(convert(s.massKg, 'kg'), convert(now?.massKg, 'kg'), 1),
    },
  ];
  const find = (id: Step['id']): Step | undefined => steps.find((s) => s.id === id);
  const [volts, amps] = [find('volts'), find('amps')];
  const gain = (s: Step | undefined, key: 'topKmh' | 'startPct'): number =>
    (s?.[key] ?? 0) - (now?.[key] ?? 0);
  const title =
    gain(volts, 'topKmh') > 0.5 && gain(volts, 'topKmh') > gain(amps, 'topKmh')
      ? gain(amps, 'startPct') > 0.3
        ? 'Volts give speed here, amps give pull'
        : 'Volts give speed here; amps give little'
      : gain(amps, 'startPct') > 0.3
        ? 'Amps give pull here; the speed stays'
        : 'Neither volts nor amps give much here';
  return (
    <section aria-label="Volts or amps" data-testid="steps">
      <PanelHead title={title} note="one step more of each, all else alike" />
      {error !== undefined && <p className="py-2 text-stop">{error}</p>}
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Steps">
        <table className="w-full min-w-[560px] border-collapse text-[13px]">
          <thead>
            <tr className="border-b-[1.5px] border-ink align-bottom [&>th]:px-1.5 [&>th]:py-1.5 [&>th]:text-right">
              <th />
              {steps.map((s) => (
                <th key={s.id} className="font-semibold">
                  <span className="head block text-[14px]">{NAMES[s.id]}</span>
                  <span className="block text-[12px] font-normal text-ink2">{s.what}</span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr
                key={row.label}
                className="border-b border-hair [&>td]:px-1.5 [&>td]:py-1.5 [&>td]:text-right"
              >
                <th scope="row" className="py-1.5 pr-2 text-left font-normal">
                  {row.label}
                </th>
                {steps.map((s) => (
                  <td key={s.id} className="num">
                    {row.cell(s)}
                    <span className="block text-[12px] text-ink2">
                      {s.id === 'now' ? '' : row.difference(s)}
                    </span>
                  </td>
                ))}
              </tr>
            ))}
            <tr className="border-b border-hair align-baseline [&>td]:px-1.5 [&>td]:py-1.5 [&>td]:text-right">
              <th scope="row" className="py-1.5 pr-2 text-left font-normal">
                Weakest link
              </th>
              {steps.map((s) => (
                <td key={s.id} className="text-[12.5px]">
                  {s.weakest ?? 'not known'}
                  {s.weakestMargin !== undefined && (
                    <span
                      className={`num block text-[12px] ${s.weakestMargin < 0 ? 'text-stop' : 'text-ink2'}`}
                    >
                      {s.weakestMargin < 0 ? '−' : '+'}
                      {Math.abs(100 * s.weakestMargin).toFixed(0)} %
                    </span>
                  )}
                </td>
              ))}
            </tr>
            <tr className="border-b border-hair align-baseline [&>td]:px-1.5 [&>td]:py-1.5 [&>td]:text-right">
              <th scope="row" className="py-1.5 pr-2 text-left font-normal">
                Class
              </th>
              {steps.map((s) => (
                <td key={s.id} className="text-[12.5px]">
                  <span className="inline-flex items-center gap-1">
                    <StateMark state={s.classState} size={12} />
                    {s.classWords}
                  </span>
                </td>
              ))}
            </tr>
            <tr className="border-b border-hair [&>td]:px-1.5 [&>td]:py-1.5 [&>td]:text-right">
              <th scope="row" className="py-1.5 pr-2 text-left font-normal">
                To buy
              </th>
              {steps.map((s) => (
                <td key={s.id} className="num">
                  {s.price === null ? '–' : moneyText(s.price, document.money.currency)}
                </td>
              ))}
            </tr>
            <tr>
              <th />
              {steps.map((s) => (
                <td key={s.id} className="px-1.5 py-1.5 text-right">
                  {s.id !== 'now' && (
                    <button
                      type="button"
                      className="no-print min-h-6 text-[12.5px] whitespace-nowrap text-slate underline max-bench:min-h-11 max-bench:min-w-11"
                      onClick={() => {
                        edit(() => s.build, NAMES[s.id].toLowerCase());
                      }}
                    >
                      Try it
                    </button>
                  )}
                </td>
              ))}
            </tr>
          </tbody>
        </table>
      </div>
      <p className="py-2 text-[12.5px] leading-snug text-ink2">
        Volts: the next usual number of cells in series, its price and mass in proportion. Amps and motor: the
        next larger on the shelf, whole price; whether a motor fits is not judged here. Without one, a quarter
        more. Pin the build first to see the differences in the tray as well.
      </p>
    </section>
  );
}
