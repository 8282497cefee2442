import { useMemo } from 'react';
import {
  REASONS,
  WHOLE_REASONS,
  currencySign,
  formatNumber,
  moneyText,
  msToKmh,
  phraseText,
  qty,
  type Finalist,
  type Goal,
  type Phrase,
  type Reason,
  type WholeReason,
  type WouldLet,
} from '@apple-cart/core';
import { ChartPanel } from '../../charts/chart-panel.tsx';
import { GOAL_LOOKS, REASON_SHAPES, searchChart } from '../../charts/search-chart.ts';
import { useChartInk } from '../../charts/use-chart-ink.ts';
import { useSettings } from '../../state/settings-store.ts';
import { Button } from '../../ui/button.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import type { ShelfSearch } from '../../work/shelf-search.ts';
import { useStage } from '../parts/use-stage.ts';
import type { Searching } from './use-search.ts';
import { Finalists } from './search-finalists.tsx';

const WHOLE_WORDS: Readonly<Record<WholeReason, string>> = {
  law: 'outside its class, judged whole',
  fit: 'does not fit the donor',
  chain: 'something of the chain too small',
  heat: 'too hot on the hill, or held back till it stands',
};

/** How far it is, and the button that begins or ends it. */
function Progress({ searching }: { searching: Searching }) {
  const { search, stale, start, stop, choices } = searching;
  const busy = search?.state === 'looking' || search?.state === 'judging';
  const looked = search?.counts.looked ?? 0;
  const share = search === undefined || search.of === 0 ? 0 : Math.min(1, looked / Math.max(1, choices.size));
  const words = (): string => {
    if (search === undefined) return 'Nothing searched yet.';
    const count = `${formatNumber(looked, 0)} builds looked at, ${formatNumber(search.counts.stand, 0)} stand`;
    if (search.state === 'looking') return count;
    if (search.state === 'judging') return `${count}; ${formatNumber(search.judged, 0)} judged whole`;
    if (search.state === 'failed') return `It could not be searched: ${search.why}`;
    const whole = `${formatNumber(search.judged, 0)} judged whole, ${String(search.found?.finalists.length ?? 0)} on the front`;
    return `${count}; ${whole}${search.state === 'stopped' ? '. Stopped: what was found stays' : ''}`;
  };
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-hair py-2">
      <span className="relative block h-3 w-[200px] border border-ink3" aria-hidden>
        <span className="absolute inset-y-0 left-0 bg-ink" style={{ width: `${String(100 * share)}%` }} />
      </span>
      <span className="min-w-0 flex-1 text-[14px]" role="status" data-testid="search-words">
        {words()}
      </span>
      {busy ? (
        <Button onClick={stop}>Stop</Button>
      ) : (
        <Button kind={search === undefined || stale ? 'go' : 'plain'} data-testid="search" onClick={start}>
          {search === undefined ? 'Search the shelf' : 'Search again'}
        </Button>
      )}
    </div>
  );
}

/** The step of the front that gains most for its money, or why nothing stands. */
function finding(
  search: ShelfSearch,
  finalists: readonly Finalist[],
  goal: Exclude<Goal, 'price'>,
  currency: string,
): string {
  if (finalists.length === 0) return noneStand(search);
  const { of, unit } = GOAL_LOOKS[goal];
  const steps = finalists.slice(1).map((f, i) => {
    const last = finalists[i] ?? f;
    return { n: i + 2, money: f.price - last.price, gain: of(f) - of(last) };
  });
  const best = steps
    .filter((s) => s.money > 0 && s.gain > 0)
    .sort((a, b) => b.gain / b.money - a.gain / a.money)[0];
  if (best === undefined) return `Number 1 is the best of them`;
  const gain = `${formatNumber(best.gain, best.gain < 10 ? 1 : 0)} ${unit}`;
  const money = moneyText(best.money, currency);
  return goal === 'hill'
    ? `${money} more climbs ${gain} faster: number ${String(best.n)}`
    : `${money} more gives ${gain} more: number ${String(best.n)}`;
}

/** Reasons with their share of everything that was looked at, the commonest first. */
function reasonsOf({ counts, found }: ShelfSearch): readonly {
  readonly words: string;
  readonly key: string;
  readonly count: number;
  readonly stop: boolean;
}[] {
  const coarse = REASONS.map((r: Reason) => ({
    key: r,
    words: REASON_SHAPES[r].words,
    count: counts.refused[r],
    stop: r === 'law',
  }));
  const whole = WHOLE_REASONS.map((r) => ({
    key: `whole-${r}`,
    words: WHOLE_WORDS[r],
    count: found?.refused[r] ?? 0,
    stop: r !== 'heat',
  }));
  return [...coarse, ...whole].filter((r) => r.count > 0).sort((a, b) => b.count - a.count);
}

function noneStand(search: ShelfSearch): string {
  const [most] = reasonsOf(search);
  const { heat } = search.found?.refused ?? { heat: 0 };
  const strong = search.standing.length;
  // What is strong enough and then too hot is what decides: a gear is the cheapest cure.
  if (strong > 0 && heat === strong)
    return `None stand: all ${formatNumber(strong, 0)} that are strong enough get too hot on the hill${
      search.input.asked.free.gearing ? '' : '. Let ring and cogs change: a low gear keeps a motor cool'
    }`;
  if (most === undefined) return search.state === 'looking' ? 'Looking' : 'None stand';
  return `None stand: “${most.words}” stops ${String(Math.round((100 * most.count) / Math.max(1, search.counts.looked)))} %`;
}

export function SearchPicture({ searching }: { searching: Searching }) {
  const { search } = searching;
  return (
    <>
      <Progress searching={searching} />
      {search === undefined ? (
        <p className="max-w-[560px] py-3 text-[15px] leading-snug">
          Every motor, pack and controller of the shelf is put on this donor and held against the brief: law,
          hill, range, heat, fit, the chain of current and the price. What nothing beats in price and in what
          you want is told by name.
        </p>
      ) : (
        <Found searching={searching} search={search} />
      )}
    </>
  );
}

function Found({ searching, search }: { searching: Searching; search: ShelfSearch }) {
  const { verdict } = useStage();
  const ink = useChartInk();
  const system = useSettings((state) => state.units);
  const { input } = search;
  const { currency } = input.build.money;
  const goal = input.asked.goals.find((g) => g !== 'price') ?? 'hill';
  const finalists = useMemo(
    () => [...(search.found?.finalists ?? [])].sort((a, b) => a.price - b.price),
    [search.found],
  );
  const { held } = input.asked;
  const option = useMemo(() => {
    const { climb, outcome } = verdict.hill;
    const own = {
      hill: climb.climbs && outcome.kind === 'climbs' ? msToKmh(climb.v) : undefined,
      range: verdict.range.plannedKm?.low,
      mass: verdict.study.machine.machineMassKg,
    };
    return searchChart(
      {
        goal,
        standing: search.standing.length > 0 ? search.standing : search.front,
        misses: search.misses,
        finalists,
        hand: { price: verdict.list.ledger.total.most, value: own[goal] },
        budget: held.price,
        wanted: { hill: held.hillKmh, range: held.rangeKm, mass: held.massKg }[goal],
        sign: currencySign(currency),
        system,
      },
      ink,
    );
  }, [goal, search.standing, search.front, search.misses, finalists, verdict, held, currency, system, ink]);
  return (
    <>
      <ChartPanel
        title={finding(search, finalists, goal, currency)}
        {...(searching.stale ? { note: 'of what was asked before' } : {})}
        summary={finalists
          .map((f, i) => `${String(i + 1)}: ${f.names.join(', ')}, ${moneyText(f.price, currency)}`)
          .join('; ')}
        name="builds of the shelf"
        option={option}
        height="h-[280px]"
        table={{
          columns: [
            { name: 'Build' },
            { name: 'What' },
            { name: 'Price', digits: 0 },
            { name: `${GOAL_LOOKS[goal].name}, ${GOAL_LOOKS[goal].unit}`, digits: 1 },
          ],
          rows: [
            ...finalists.map((f, i) => [
              `front ${String(i + 1)}`,
              f.names.join(', '),
              f.price,
              GOAL_LOOKS[goal].of(f),
            ]),
            ...search.misses.map((m) => [
              'refused',
              REASON_SHAPES[m.reason].words,
              m.price,
              GOAL_LOOKS[goal].of(m),
            ]),
          ],
        }}
      />
      <Legend search={search} />
      <Finalists finalists={finalists} search={search} hand={verdict} />
      <Reasons search={search} currency={currency} />
    </>
  );
}

function Legend({ search }: { search: ShelfSearch }) {
  const reasons = [...new Set(search.misses.map((m) => m.reason))];
  if (reasons.length === 0) return null;
  return (
    <p className="text-[12.5px] text-ink2">
      Filled: stands. Hollow, some of those that do not:{' '}
      {reasons.map((r) => `${REASON_SHAPES[r].shape} ${REASON_SHAPES[r].words}`).join(', ')}.
    </p>
  );
}
/** What asking for less by so much is called, of what was asked. */
const LET_WORDS: Readonly<Record<WouldLet['what'], (by: number, currency: string, asked: number) => Phrase>> =
  {
    lawful: () => ['Asking nothing of the law'],
    price: (by, currency) => [`${moneyText(by, currency)} more`],
    massKg: (by) => [qty(by, 'kg', 1), ' more'],
    hillKmh: (by, _, asked) =>
      by >= asked ? ['Asking no speed on the hill'] : [qty(by, 'km/h', 1), ' less on the hill'],
    rangeKm: (by, _, asked) => (by >= asked ? ['Asking no range'] : [qty(by, 'km', 0), ' less range']),
  };

/** Why the rest does not stand, and what alone would let more in. */
function Reasons({ search, currency }: { search: ShelfSearch; currency: string }) {
  const system = useSettings((state) => state.units);
  const list = reasonsOf(search);
  if (list.length === 0) return null;
  const looked = Math.max(1, search.counts.looked);
  const { held } = search.input.asked;
  return (
    <section aria-label="Why the rest does not stand" data-testid="reasons" className="pt-1">
      <PanelHead title="Why the rest does not stand" note="the first reason of each" />
      <ul className="text-[13.5px]">
        {list.map(({ key, words, count, stop }) => {
          const share = count / looked;
          return (
            <li
              key={key}
              className="grid min-h-[29px] grid-cols-[22px_minmax(0,1fr)_90px_96px] items-center border-b border-hair"
            >
              <StateMark state={stop ? 'stop' : 'look'} size={14} />
              <span>{words}</span>
              <span className="relative block h-2.5 bg-press" aria-hidden>
                <span
                  className="absolute inset-y-0 left-0 bg-ink2"
                  style={{ width: `${String(100 * share)}%` }}
                />
              </span>
              <span className="num text-right">
                {share >= 0.005 ? `${String(Math.round(100 * share))} %` : formatNumber(count, 0)}
              </span>
            </li>
          );
        })}
      </ul>
      {search.lets === undefined
        ? search.state === 'done' && (
            <p className="py-1.5 text-[13px] text-ink2" role="status">
              Working out what would let more stand…
            </p>
          )
        : search.lets.length > 0 && (
            <p className="py-1.5 text-[14px]" data-testid="lets">
              {search.lets.slice(0, 3).map(({ what, by, first, more }) => (
                <span key={what} className="block">
                  <b className="font-semibold">
                    {phraseText(LET_WORDS[what](by ?? 0, currency, Number(held[what] ?? 0)), system)}
                  </b>{' '}
                  would let {formatNumber(first, 0)} more stand
                  {what === 'lawful' ? '' : `, of ${formatNumber(more, 0)} that it alone keeps out`}.
                </span>
              ))}
              <span className="block text-[12.5px] text-ink2">
                One constraint at a time, before law, fit, currents and heat are judged whole.
              </span>
            </p>
          )}
    </section>
  );
}
