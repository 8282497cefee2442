import { moneyText, type BuildDocument, type LayoutName, type Proposal } from '@apple-cart/core';
import { useMemo } from 'react';
import { SearchLink } from '../stages/parts/search-link.tsx';
import { useDeferredStage } from '../stages/parts/use-stage.ts';
import { useBuild } from '../state/build-store.ts';
import { useBook } from '../state/rules.ts';
import { useParts } from '../state/shelf.ts';
import { useQuantity } from '../state/use-quantity.ts';
import { Button } from '../ui/button.tsx';
import { PanelHead } from '../ui/panel.tsx';
import { StateMark } from '../ui/state-mark.tsx';
import { Studying } from '../work/studying.tsx';
import { useStudy } from '../work/use-study.ts';

const WHERE: Readonly<Record<LayoutName, string>> = {
  front: 'Front hub',
  rear: 'Rear hub',
  middle: 'Middle',
  external: 'External',
};

/** The build already is what is proposed. */
const isKept = ({ drive, packs, controller }: BuildDocument, p: Proposal): boolean =>
  drive.name === p.motor && packs[0].name === p.pack && controller.name === p.controller;

/** What the shelf would do for the brief, before a motor is chosen; one press keeps one. */
export function Proposals() {
  const { document } = useDeferredStage();
  const parts = useParts();
  const book = useBook();
  const studied = useStudy(
    'proposals',
    useMemo(
      () => (parts.length === 0 ? undefined : { build: document, parts, book }),
      [document, parts, book],
    ),
  );
  if (parts.length === 0) return <p className="py-3 text-ink2">The shelf has no parts to try yet.</p>;
  return (
    <Studying {...studied} waiting="Trying what is on the shelf…">
      {(proposals) => <Table proposals={proposals} />}
    </Studying>
  );
}

function finding(proposals: readonly Proposal[]): string {
  const [best] = proposals;
  if (best === undefined) return 'Nothing on the shelf goes together for this';
  const name = `${WHERE[best.layout].toLowerCase()} at ${String(best.volts)} V`;
  const good = [best.classState, best.hillState, best.rangeState].every((s) => s === 'fine' || s === 'look');
  return good
    ? `A ${name} does all that is asked, if it comes as planned`
    : `Nothing does all that is asked; a ${name} comes nearest`;
}

function Table({ proposals }: { proposals: readonly Proposal[] }) {
  const { document } = useDeferredStage();
  const edit = useBuild((state) => state.edit);
  const shown = useQuantity();
  const text = (value: number, unit: 'km/h' | 'C' | 'km', digits = 0): string => {
    const { text: number, unit: name } = shown(value, unit, digits);
    return `${number}\u00a0${name}`;
  };
  const minutes = (seconds: number): string => `${(seconds / 60).toFixed(seconds < 600 ? 1 : 0)} min`;
  return (
    <section aria-label="What the shelf would do" data-testid="proposals">
      <PanelHead title={finding(proposals)} note="motor, pack and controller of the shelf" />
      <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="Motors and volts">
        <table className="w-full min-w-[600px] border-collapse text-[13px] leading-snug">
          <thead>
            <tr className="border-b-[1.5px] border-ink text-left text-[12.5px]">
              <th className="py-1.5 pr-2 font-semibold">Motor</th>
              <th className="py-1.5 pr-2 font-semibold">Class here</th>
              <th className="py-1.5 pr-2 font-semibold">Hill, winding</th>
              <th className="py-1.5 pr-2 font-semibold">Range</th>
              <th className="py-1.5 pr-2 text-right font-semibold">Price</th>
              <th>
                <span className="sr-only">Keep</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {proposals.map((p) => {
              const kept = isKept(document, p);
              return (
                <tr key={p.id} className={`border-b border-hair align-top ${kept ? 'bg-press' : ''}`}>
                  <th scope="row" className="py-1.5 pr-2 pl-1 text-left font-normal">
                    <b className="font-semibold">
                      {WHERE[p.layout]}, {p.volts} V
                    </b>
                    <span className="block text-[12px] text-ink2">
                      {p.motor}, {p.ratedW} W; {p.pack}; {p.controller}
                    </span>
                  </th>
                  <td className="py-1.5 pr-2">
                    <span className="flex items-start gap-1.5">
                      <StateMark state={p.classState} size={14} />
                      {p.className}
                    </span>
                  </td>
                  <td className="py-1.5 pr-2">
                    <span className="flex items-start gap-1.5">
                      <StateMark state={p.hillState} size={14} />
                      <span>
                        {p.hillKmh === undefined ? 'stalls' : text(p.hillKmh, 'km/h')}
                        {p.hottestC !== undefined && (
                          <span className="block text-[12px] text-ink2">
                            {text(p.hottestC, 'C')}
                            {p.borneSeconds !== undefined &&
                              p.climbSeconds !== undefined &&
                              `; ${minutes(p.climbSeconds)} asked, ${minutes(p.borneSeconds)} borne`}
                          </span>
                        )}
                      </span>
                    </span>
                  </td>
                  <td className="py-1.5 pr-2">
                    <span className="flex items-start gap-1.5">
                      <StateMark state={p.rangeState} size={14} />
                      <span className="whitespace-nowrap">
                        {p.plannedKm === undefined
                          ? 'none'
                          : `${shown(p.plannedKm.low, 'km', 0).text}–${text(p.plannedKm.high, 'km')}`}
                      </span>
                    </span>
                  </td>
                  <td className="num py-1.5 pr-2 text-right">
                    {p.price === null ? '–' : moneyText(p.price, p.currency)}
                  </td>
                  <td className="py-1 text-right">
                    {kept ? (
                      <span className="pr-1 font-semibold text-fine">kept</span>
                    ) : (
                      <Button
                        className="no-print"
                        aria-label={`Keep: ${WHERE[p.layout]}, ${String(p.volts)} V`}
                        onClick={() => {
                          edit(() => p.build, `${WHERE[p.layout].toLowerCase()} at ${String(p.volts)} V`);
                        }}
                      >
                        Keep
                      </Button>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <p className="py-1.5 text-[12.5px] text-ink2">
        Each is planned as such a kit is ordered and set up: help that stops with the pedals and fades before
        the place’s usual limit, or a lower one of the build’s own, told the true wheel; a limit its rider
        cannot lift; brakes that cut the motor; a speedometer. Confirm these on the parts that come. Whether
        it fits is asked on Donor, once it is measured. Range goes from legs resting, with stops and small
        hills, to the level with the rider’s help. What is kept is taken back with undo.
      </p>
      <SearchLink />
    </section>
  );
}
