import { moneyText, type Step, type Unit } from '@apple-cart/core';
import type { ReactNode } from 'react';
import { useBuild } from '../../state/build-store.ts';
import { useShelf } from '../../state/shelf.ts';
import { useChange, useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { Studying } from '../../work/studying.tsx';
import { useSteps } from './use-steps.ts';

const NAMES: Readonly<Record<Step['id'], string>> = {
  now: 'As it is',
  volts: 'More volts',
  'amp-hours': 'More amp-hours',
  amps: 'More amps',
  motor: 'A larger motor',
};

/** A figure that the steps are compared by. */
interface Row {
  readonly name: string;
  readonly unit: Unit;
  readonly digits: number;
  readonly of: (step: Step) => number | undefined;
  /** The far end of a band that begins with `of`. */
  readonly upTo?: (step: Step) => number | undefined;
}

const ROWS: readonly Row[] = [
  { name: 'Top speed', unit: 'km/h', digits: 1, of: (s) => s.topKmh },
  { name: 'Test hill', unit: 'km/h', digits: 1, of: (s) => s.hillKmh },
  { name: 'Starts on', unit: '%', digits: 1, of: (s) => s.startPct },
  { name: 'Range', unit: 'km', digits: 0, of: (s) => s.rangeKm?.low, upTo: (s) => s.rangeKm?.high },
  { name: 'Heat in the winding', unit: 'W', digits: 0, of: (s) => s.copperW },
  { name: 'Mass', unit: 'kg', digits: 1, of: (s) => s.massKg },
];

/** What the steps show, in one sentence. */
function finding(steps: readonly Step[]): string {
  const usual = steps[0]?.against ?? '';
  return usual === '' ? gives(steps) : `${gives(steps)}, ${usual}`;
}

function gives(steps: readonly Step[]): string {
  const find = (id: Step['id']): Step | undefined => steps.find((s) => s.id === id);
  const [now, volts, amps] = [find('now'), find('volts'), find('amps')];
  const gain = (step: Step | undefined, key: 'topKmh' | 'startPct'): number =>
    (step?.[key] ?? 0) - (now?.[key] ?? 0);
  const speed = gain(volts, 'topKmh') > 0.5 && gain(volts, 'topKmh') > gain(amps, 'topKmh');
  const pull = gain(amps, 'startPct') > 0.3;
  if (speed)
    return pull ? 'Volts give speed here, amps give pull' : 'Volts give speed here; amps give little';
  return pull ? 'Amps give pull here; the speed stays' : 'Neither volts nor amps give much here';
}

function FigureRow({ row, steps }: { row: Row; steps: readonly Step[] }) {
  const shown = useQuantity();
  const change = useChange();
  const [now] = steps;
  const base = now === undefined ? undefined : row.of(now);
  const text = (step: Step): string => {
    const [value, far] = [row.of(step), row.upTo?.(step)];
    if (value === undefined) return '–';
    const near = shown(value, row.unit, row.digits).text;
    return far === undefined ? near : `${near}–${shown(far, row.unit, row.digits).text}`;
  };
  const moved = (step: Step): string => {
    const value = row.of(step);
    if (step.id === 'now' || value === undefined || base === undefined) return '';
    return change(value - base, row.unit, row.digits)?.text ?? '';
  };
  return (
    <tr className="border-b border-hair [&>td]:px-1.5 [&>td]:py-1.5 [&>td]:text-right">
      <th scope="row" className="py-1.5 pr-2 text-left font-normal">
        {row.name}, {shown(1, row.unit).unit}
      </th>
      {steps.map((step) => (
        <td key={step.id} className="num">
          {text(step)}
          <span className="block text-[12px] text-ink2">{moved(step)}</span>
        </td>
      ))}
    </tr>
  );
}

function WordsRow({
  name,
  steps,
  cell,
}: {
  name: string;
  steps: readonly Step[];
  cell: (step: Step) => ReactNode;
}) {
  return (
    <tr className="border-b border-hair align-baseline [&>td]:px-1.5 [&>td]:py-1.5 [&>td]:text-right [&>td]:text-[12.5px]">
      <th scope="row" className="py-1.5 pr-2 text-left font-normal">
        {name}
      </th>
      {steps.map((step) => (
        <td key={step.id}>{cell(step)}</td>
      ))}
    </tr>
  );
}

function Weakest({ step: { weakest, weakestMargin } }: { step: Step }) {
  const change = useChange();
  return (
    <>
      {weakest ?? 'not known'}
      {weakestMargin !== undefined && (
        <span className={`num block text-[12px] ${weakestMargin < 0 ? 'text-stop' : 'text-ink2'}`}>
          {change(100 * weakestMargin, '%', 0)?.text ?? '0'} %
        </span>
      )}
    </>
  );
}

/** The price of what a step puts in; a dash where nothing is bought. */
function ToBuy({ step: { id, price }, currency }: { step: Step; currency: string }) {
  if (price !== null) return <span className="num">{moneyText(price, currency)}</span>;
  return <span className="text-ink2">{id === 'now' ? '–' : 'not known'}</span>;
}

function TryIt({ step }: { step: Step }) {
  const edit = useBuild((state) => state.edit);
  return (
    <button
      type="button"
      className="no-print min-h-6 text-[12.5px] whitespace-nowrap text-slate underline max-bench:min-h-11 max-bench:min-w-11"
      onClick={() => {
        edit(() => step.build, NAMES[step.id].toLowerCase());
      }}
    >
      Try it
    </button>
  );
}

function StepsTable({ steps, currency }: { steps: readonly Step[]; currency: string }) {
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Steps">
      <table className="w-full min-w-[560px] border-collapse text-[13px]">
        <thead>
          <tr className="border-b-[1.5px] border-ink align-bottom [&>th]:px-1.5 [&>th]:py-1.5 [&>th]:text-right">
            <td />
            {steps.map((s) => (
              <th key={s.id} className="font-semibold">
                <span className="head block text-[14px]">{NAMES[s.id]}</span>
                <span className="block text-[12px] font-normal text-ink2">{s.what}</span>
                {s.against !== '' && (
                  <span className="flex items-baseline justify-end gap-1 text-[12px] font-normal text-ink2">
                    <StateMark state="unknown" size={12} />
                    {s.id === 'now' ? s.against : `over ${s.against}, by a default`}
                  </span>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {ROWS.map((row) => (
            <FigureRow key={row.name} row={row} steps={steps} />
          ))}
          <WordsRow name="Weakest link" steps={steps} cell={(s) => <Weakest step={s} />} />
          <WordsRow
            name="Stops at, by itself"
            steps={steps}
            cell={({ stops }) =>
              stops.length === 0 ? (
                <span className="text-ink2">–</span>
              ) : (
                <span className="inline-flex items-start gap-1 text-left">
                  <StateMark state="stop" size={12} labelled={false} />
                  <span>{stops.join('; ')}</span>
                </span>
              )
            }
          />
          {steps.some(({ opens }) => opens.length > 0) && (
            <WordsRow
              name="Then to be found out"
              steps={steps}
              cell={({ opens }) =>
                opens.length === 0 ? (
                  <span className="text-ink2">–</span>
                ) : (
                  <span className="inline-flex items-start gap-1 text-left">
                    <StateMark state="unknown" size={12} labelled={false} />
                    <span>{opens.join('; ')}</span>
                  </span>
                )
              }
            />
          )}
          <WordsRow
            name="Class"
            steps={steps}
            cell={(s) => (
              <span className="inline-flex items-center gap-1">
                <StateMark state={s.classState} size={12} />
                {s.classWords}
              </span>
            )}
          />
          <WordsRow name="To buy" steps={steps} cell={(s) => <ToBuy step={s} currency={currency} />} />
          <tr>
            <td />
            {steps.map((s) => (
              <td key={s.id} className="px-1.5 py-1.5 text-right">
                {s.id !== 'now' && <TryIt step={s} />}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </div>
  );
}

/** One step more of each, beside the build as it is: what it does, and what it costs. */
export function StepsView() {
  const { document, studied } = useSteps();
  const { error } = useShelf();
  return (
    <section aria-label="Volts or amps" data-testid="steps">
      <Studying {...studied}>
        {(steps) => (
          <>
            <PanelHead title={finding(steps)} note="one step more of each, all else alike" />
            {error !== undefined && <p className="py-2 text-stop">{error}</p>}
            <StepsTable steps={steps} currency={document.money.currency} />
          </>
        )}
      </Studying>
      <p className="py-2 text-[12.5px] leading-snug text-ink2">
        Volts: the next usual number of cells in series, its price and mass in proportion. Amps and motor: the
        next larger on the shelf, whole price; whether a motor fits is not judged here. Without one, a quarter
        more. What a step stops at has to change with it: Change works that out, with its cost. Pin the build
        first to see the differences in the tray as well.
      </p>
    </section>
  );
}
