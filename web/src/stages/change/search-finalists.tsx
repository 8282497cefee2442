import { useState } from 'react';
import { useNavigate } from 'react-router';
import {
  clipped,
  counted,
  moneyText,
  standsInFor,
  type FigureId,
  type Finalist,
  type Verdict,
} from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { createBuild } from '../../state/builds.ts';
import { figureText } from '../../state/figure-text.ts';
import { useSettings } from '../../state/settings-store.ts';
import { problemWords } from '../../state/use-attempt.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { Button } from '../../ui/button.tsx';
import { ShowAll } from '../../ui/show-all.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import type { ShelfSearch } from '../../work/shelf-search.ts';
import { figureOf } from '../parts/use-stage.ts';

/** So many are told by name before the rest is asked for. */
const FIRST = 8;

/** What a finalist costs more or less than the build in hand. */
function toHand(total: number, hand: Verdict, currency: string): string {
  const more = Math.round(total - hand.list.ledger.total.most);
  if (more === 0) return 'as in hand';
  return `${more < 0 ? '−' : '+'}${moneyText(Math.abs(more), currency)}`;
}

/** What the figures of a row rest on that nobody has chosen or read. */
const RestsOn = ({ words }: { words: string }) =>
  words === '' ? null : (
    <span className="flex items-center gap-1 text-[12px] text-ink2">
      <StateMark state="unknown" size={12} /> {words}
    </span>
  );

/** The build in hand, above those that could stand in its place. */
function HandRow({ hand }: { hand: Verdict }) {
  const { build } = hand.study;
  const system = useSettings((state) => state.units);
  const of = (id: FigureId) => figureOf(hand, id);
  const value = (id: FigureId): string => figureText(of(id), system).value;
  const names = [build.drive.name, build.packs[0].name, build.controller.name].filter((n) => n.trim() !== '');
  return (
    <tr className="border-b border-hair bg-press align-top [&>td]:py-1.5 [&>td]:pr-2" data-testid="in-hand">
      <td>
        <svg viewBox="0 0 19 19" width="19" height="19" aria-hidden>
          <circle cx="9.5" cy="9.5" r="7.6" fill="var(--field)" stroke="currentColor" strokeWidth="1.8" />
          <circle cx="9.5" cy="9.5" r="3.2" fill="currentColor" />
        </svg>
      </td>
      <th scope="row" className="py-1.5 pr-2 text-left font-normal">
        <b className="font-semibold">In hand</b>
        {names.length === 0 ? '' : `: ${names.join(', ')}`}
        <RestsOn words={standsInFor(hand.study, 'range')} />
      </th>
      <td>
        <span className="flex items-start gap-1.5">
          <StateMark state={of('class').state} size={14} /> {value('class')}
        </span>
      </td>
      {(['hill', 'range', 'heat', 'mass', 'price'] as const).map((id) => (
        <td key={id} className="num text-right whitespace-nowrap">
          {value(id)}
        </td>
      ))}
      <td />
    </tr>
  );
}

export function Finalists({
  finalists,
  search,
  hand,
}: {
  finalists: readonly Finalist[];
  search: ShelfSearch;
  /** Of the build in hand. */
  hand: Verdict;
}) {
  const [all, setAll] = useState(false);
  const shown = useQuantity();
  if (finalists.length === 0) return null;
  const list = all ? finalists : finalists.slice(0, FIRST);
  const unit = (u: 'km/h' | 'km' | 'C' | 'kg'): string => shown(1, u).unit;
  return (
    <section aria-label="Finalists" data-testid="finalists" className="pt-2">
      <PanelHead title="Finalists" note="nothing on the shelf beats one of them in all that is weighed" />
      <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="Finalists as a table">
        <table className="w-full min-w-[640px] border-collapse text-[13.5px] leading-snug">
          <thead>
            <tr className="border-b-[1.5px] border-ink text-[12.5px] [&>th]:pr-2 [&>th]:pb-1 [&>th]:text-right [&>th]:font-semibold">
              <th>
                <span className="sr-only">Number</span>
              </th>
              <th className="text-left!">Parts</th>
              <th className="text-left!">Class</th>
              <th>Hill, {unit('km/h')}</th>
              <th>Range, {unit('km')}</th>
              <th>{unit('C')}</th>
              <th>Mass, {unit('kg')}</th>
              <th>All in</th>
              <th>
                <span className="sr-only">Keep</span>
              </th>
            </tr>
          </thead>
          <tbody>
            <HandRow hand={hand} />
            {list.map((f, i) => (
              <FinalistRow
                key={`${String(f.motor)} ${String(f.geared)} ${String(f.pair)}`}
                finalist={f}
                n={i + 1}
                search={search}
                hand={hand}
              />
            ))}
          </tbody>
        </table>
      </div>
      {finalists.length > FIRST && <ShowAll all={all} count={finalists.length} onTurn={setAll} />}
      <p className="py-1.5 text-[12.5px] text-ink2">
        Each is planned as such a kit is ordered and set up: help that stops with the pedals and fades before
        its limit, a limit its rider cannot lift, brakes that cut the motor, a speedometer. Confirm these on
        the parts that come; fit is judged as far as the donor is measured.
      </p>
    </section>
  );
}

function FinalistRow({
  finalist: f,
  n,
  search,
  hand,
}: {
  finalist: Finalist;
  n: number;
  search: ShelfSearch;
  hand: Verdict;
}) {
  const edit = useBuild((state) => state.edit);
  const navigate = useNavigate();
  const shown = useQuantity();
  const [trouble, setTrouble] = useState('');
  const { build } = search.input;
  const { currency } = build.money;
  const kept =
    build.drive.name === f.build.drive.name &&
    build.packs[0].name === f.build.packs[0].name &&
    build.controller.name === f.build.controller.name &&
    build.gearing.ringTeeth === f.build.gearing.ringTeeth;
  const keepAs = (): void => {
    const name = `${clipped(build.name, 46)}, number ${String(n)}`;
    createBuild({ ...f.build, name, sample: false }).then(
      ({ id }) => {
        void navigate(`/builds/${id}/buy`);
      },
      (problem: unknown) => {
        setTrouble(problemWords(problem, 'It could not be kept.'));
      },
    );
  };
  const km = f.is.plannedKm;
  return (
    <tr className="border-b border-hair align-top [&>td]:py-1.5 [&>td]:pr-2" data-finalist={n}>
      <td>
        <span className="grid size-[19px] place-items-center border-[1.5px] border-ink font-head text-[12px] font-bold">
          {n}
        </span>
      </td>
      <th scope="row" className="py-1.5 pr-2 text-left font-normal">
        {f.names.join(', ')}
        <RestsOn words={f.standsIn} />
        {f.waits > 0 && (
          <span className="block text-[12px] text-ink2">
            {counted(f.waits, 'check waits', 'checks wait')} for a measure or a data sheet
          </span>
        )}
        {trouble !== '' && (
          <span role="alert" className="block text-stop">
            {trouble}
          </span>
        )}
      </th>
      <td>
        <span className="flex items-start gap-1.5">
          <StateMark state={f.is.classState} size={14} /> {f.is.className}
        </span>
      </td>
      <td className="num text-right">
        {f.is.hillKmh === undefined ? 'stalls' : shown(f.is.hillKmh, 'km/h', 1).text}
      </td>
      <td className="num text-right whitespace-nowrap">
        {km === undefined ? 'none' : `${shown(km.low, 'km', 0).text}–${shown(km.high, 'km', 0).text}`}
      </td>
      <td className="num text-right">
        {f.is.hottestC === undefined ? '–' : shown(f.is.hottestC, 'C', 0).text}
      </td>
      <td className="num text-right">{shown(f.is.massKg, 'kg', 1).text}</td>
      <td className="num text-right whitespace-nowrap">
        {moneyText(f.total, currency)}
        <span className="block text-[12px] text-ink2">{toHand(f.total, hand, currency)}</span>
        {f.unpriced > 0 && (
          <span className="block font-text text-[12px] text-ink2">{f.unpriced} unpriced</span>
        )}
      </td>
      <td className="no-print text-right whitespace-nowrap">
        {kept ? (
          <span className="font-semibold text-fine">in hand</span>
        ) : (
          <span className="inline-flex flex-col gap-1">
            <Button
              aria-label={`Take number ${String(n)} into this build`}
              onClick={() => {
                edit(() => f.build, `number ${String(n)} of the shelf`);
              }}
            >
              Take it
            </Button>
            <Button
              kind="quiet"
              className="px-2!"
              aria-label={`Keep number ${String(n)} as a new build`}
              onClick={keepAs}
            >
              New build
            </Button>
          </span>
        )}
      </td>
    </tr>
  );
}
