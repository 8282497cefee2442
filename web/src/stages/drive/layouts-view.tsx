import { useMemo } from 'react';
import { layoutsFound, moneyText, type Layout, type LayoutName } from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { useBook } from '../../state/rules.ts';
import { Button } from '../../ui/button.tsx';
import { ofType, useShelf } from '../../state/shelf.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { Studying } from '../../work/studying.tsx';
import { useStudy } from '../../work/use-study.ts';
import { useDeferredStage } from '../parts/use-stage.ts';

const NAMES: Readonly<Record<LayoutName, string>> = {
  front: 'Front hub',
  rear: 'Rear hub',
  middle: 'Middle',
  external: 'External',
};

/** What stops or asks for a look, by its title; what waits as a number. */
function Fit({ layout }: { layout: Layout }) {
  const { stops, looks, waits } = layout;
  const named = [
    ...stops.map((c) => ({ c, state: 'stop' as const })),
    ...looks.map((c) => ({ c, state: 'look' as const })),
  ];
  return (
    <ul className="text-[12.5px] leading-snug">
      {named.slice(0, 4).map(({ c, state }) => (
        <li key={c.id} className="flex gap-1.5 pb-0.5">
          <span className="pt-px">
            <StateMark state={state} size={13} />
          </span>
          {c.title}
        </li>
      ))}
      {named.length > 4 && <li className="text-ink2">{named.length - 4} more</li>}
      {waits > 0 && (
        <li className="flex gap-1.5 text-ink2">
          <span className="pt-px">
            <StateMark state="unknown" size={13} />
          </span>
          {waits} {waits === 1 ? 'waits' : 'wait'} for a measure
        </li>
      )}
      {named.length === 0 && waits === 0 && (
        <li className="flex gap-1.5">
          <span className="pt-px">
            <StateMark state="fine" size={13} />
          </span>
          nothing in the way
        </li>
      )}
    </ul>
  );
}

const pct = (value: number | null): string =>
  value === null || value > 99 ? 'never' : `${value.toFixed(0)} %`;

/** Front, rear, middle and external drive on the donor in hand, by its own facts. */
export function LayoutsView() {
  const { document } = useDeferredStage();
  const { parts } = useShelf();
  const book = useBook();
  const motors = useMemo(() => ofType(parts, 'motor'), [parts]);
  const studied = useStudy(
    'layouts',
    useMemo(() => ({ build: document, motors, book }), [document, motors, book]),
  );
  return (
    <Studying {...studied} waiting="Trying every layout…">
      {(layouts) => <Layouts layouts={layouts} />}
    </Studying>
  );
}

/** What the layouts show, in one sentence: nothing is praised that does not climb, or that the place does not let in. */
function finding(layouts: readonly Layout[]): string {
  const { free, climbing, good } = layoutsFound(layouts);
  if (free.length === 0) return 'Every layout has something to stop for on this donor';
  if (climbing.length === 0) return 'None that can be fitted climbs the test hill';
  if (good.length === 0) return 'None that climbs the test hill is let in here';
  const [best] = good;
  if (good.length > 1 && best !== undefined)
    return `${NAMES[best.name]} is quickest up the test hill, of ${String(good.length)} that can be fitted and are let in`;
  return `${best === undefined ? '' : NAMES[best.name]} alone can be fitted, climbs the test hill and is let in`;
}

function Layouts({ layouts }: { layouts: readonly Layout[] }) {
  const { document, verdict } = useDeferredStage();
  const { error } = useShelf();
  const edit = useBuild((state) => state.edit);
  const shown = useQuantity();
  const money = (price: number | null): string =>
    price === null ? 'not known' : moneyText(price, document.money.currency);
  const quantity = (value: number, unit: 'kg' | 'N' | 'km/h' | 'C' | 'km', digits?: number): string => {
    const { text, unit: name } = shown(value, unit, digits);
    return `${text} ${name}`;
  };
  const rows: readonly { readonly label: string; readonly of: (l: Layout) => React.ReactNode }[] = [
    { label: 'Fit on this donor', of: (l) => <Fit layout={l} /> },
    {
      label: 'Test hill',
      of: (l) => (l.hillKmh === undefined ? 'does not climb' : quantity(l.hillKmh, 'km/h', 1)),
    },
    {
      label: 'Class here',
      of: (l) => (
        <span className="flex items-start gap-1.5">
          <StateMark state={l.classState} size={13} />
          {l.className}
        </span>
      ),
    },
    {
      label: 'Winding on the hill',
      of: (l) => (l.hottestC === undefined ? 'stalls' : quantity(l.hottestC, 'C', 0)),
    },
    {
      label: 'Range, mixed to level',
      of: (l) =>
        l.plannedKm === undefined
          ? 'none'
          : `${shown(l.plannedKm.low, 'km', 0).text} to ${quantity(l.plannedKm.high, 'km', 0)}`,
    },
    { label: 'Starts on', of: (l) => `${l.startPct.toFixed(0)} %` },
    { label: 'Slips, dry and wet', of: (l) => `${pct(l.slipDryPct)}, ${pct(l.slipWetPct)}` },
    { label: 'Load on the front', of: (l) => `${l.frontSharePct.toFixed(0)} %` },
    { label: 'Machine weighs', of: (l) => quantity(l.massKg, 'kg', 1) },
    { label: 'Chain carries', of: (l) => quantity(l.chainN, 'N', 0) },
    { label: 'Motor’s gears', of: (l) => (l.motorGears === 1 ? 'one, fixed' : String(l.motorGears)) },
    { label: 'Gears kept', of: (l) => l.gearsKept },
    { label: 'To change a tyre', of: (l) => l.tyreChange },
    { label: 'Motor costs', of: (l) => money(l.price) },
    {
      label: '',
      of: ({ build, name }) =>
        build !== undefined && (
          <Button
            className="no-print"
            aria-label={`Try it: ${NAMES[name]}`}
            onClick={() => {
              edit(() => build, `${NAMES[name].toLowerCase()} motor`);
            }}
          >
            Try it
          </Button>
        ),
    },
  ];
  return (
    <>
      <PanelHead
        title={finding(layouts)}
        note={
          verdict.known.drive.ratedPowerW.source === 'unknown'
            ? 'motors of the shelf for these volts'
            : 'motors of the shelf for these volts, nearest in rated power'
        }
      />
      {error !== undefined && <p className="py-2 text-stop">{error}</p>}
      <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="Front, rear or middle">
        <table
          className="w-full min-w-[560px] table-fixed border-collapse text-[13.5px]"
          data-testid="layouts"
        >
          <thead>
            <tr className="border-b-[1.5px] border-ink align-bottom">
              <td className="w-[118px]" />
              {layouts.map((l) => (
                <th key={l.name} className={`px-2 py-1.5 text-left ${l.own ? 'bg-press' : ''}`}>
                  <span className="head block text-[15px]">{NAMES[l.name]}</span>
                  <span className="block text-[12px] font-normal text-ink2">
                    {l.own
                      ? `${l.motor === '' ? 'this motor' : (l.motor ?? '')}, in the build`
                      : (l.motor ?? 'none on the shelf for these volts')}
                    {l.letIn ? '' : '; none that is let in here'}
                  </span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ label, of }) => (
              <tr key={label === '' ? 'try' : label} className="border-b border-hair align-top">
                <th scope="row" className="py-1.5 pr-2 text-left font-normal text-ink2">
                  {label === '' ? <span className="sr-only">Try it</span> : label}
                </th>
                {layouts.map((l) => (
                  <td key={l.name} className={`px-2 py-1.5 ${l.own ? 'bg-press' : ''}`}>
                    {l.motor === undefined && !l.own ? '–' : of(l)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="py-2 text-[13px] text-ink2">
        Each is this build with another motor; battery, controller and place of the pack stay, and “Try it” is
        taken back with undo. Hub motors leave the chain to the legs, a mid-drive shares the gears and wears
        them: both are good practice, for different hills.
      </p>
    </>
  );
}
