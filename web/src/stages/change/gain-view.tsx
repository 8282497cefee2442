import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import {
  clipped,
  currencySign,
  gainPerMoney,
  gainsAt,
  moneyText,
  phraseText,
  rejectionOf,
  trialsOf,
  type Aim,
  type Changed,
  type StepGains,
  type StepGain,
  type UnitSystem,
} from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { createBuild } from '../../state/builds.ts';
import { useOnTrial } from '../../state/on-trial.ts';
import { useRecords } from '../../state/records.ts';
import { useSettings } from '../../state/settings-store.ts';
import { problemWords } from '../../state/use-attempt.ts';
import { useChange, useQuantity } from '../../state/use-quantity.ts';
import { Button } from '../../ui/button.tsx';
import { ShowAll } from '../../ui/show-all.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { Studying } from '../../work/studying.tsx';
import { useStage } from '../parts/use-stage.ts';
import { AIM_LOOKS, PER_MONEY, isAmiss } from './aims.ts';
import { LadderPanel } from './ladder-panel.tsx';
import { Gained, RangeGained, StepRow } from './step-row.tsx';
import { stoodOf } from './stood.ts';
import type { Gaining } from './use-gains.ts';

/** Money below which a gain for it is no scale for the others. */
const SMALL_CHANGE = 20;
/** So many steps are shown before the rest is asked for. */
const FIRST = 12;

/** Free and best for the money first; what gains nothing for the aim, and what something stands in the way of, last. */
function ranked(steps: readonly StepGain[], aim: Aim): readonly StepGain[] {
  // What gains at a price that nobody knows stands behind what is free: it is in sight until its price is typed.
  const worth = (s: StepGain): number => gainPerMoney(s, aim) ?? (gainsAt(s, aim) ? Number.MAX_VALUE : -1);
  const gain = (s: StepGain): number => s.gains[aim] ?? -Infinity;
  return [...steps].sort(
    (a, b) =>
      Number(isAmiss(a)) - Number(isAmiss(b)) ||
      (worth(a) === worth(b) ? 0 : worth(b) - worth(a)) ||
      gain(b) - gain(a),
  );
}

function finding(list: readonly StepGain[], aim: Aim, system: UnitSystem): string {
  const good = list.filter((s) => !isAmiss(s) && gainsAt(s, aim));
  const priced = good.find((s) => gainPerMoney(s, aim) !== undefined);
  const best = priced ?? good[0];
  if (best === undefined) return 'Nothing on the shelf gains here';
  const most = [...good].sort((a, b) => (b.gains[aim] ?? 0) - (a.gains[aim] ?? 0))[0];
  const free = gainPerMoney(best, aim) === Infinity && best.allIn.cost === 0;
  const what = phraseText(best.what, system);
  const over = best.against.length === 0 ? '' : `, over ${phraseText(best.against, system)} by a default`;
  if (priced === undefined) return `${what} gains most; what it costs is not known${over}`;
  if (most === best)
    return `${free ? `${what}: free, and gains most` : `${what} gains most, for least`}${over}`;
  return `${free ? `${what} is free` : `${what} gains most for its money`}${over}`;
}

export function GainPicture({ gaining }: { gaining: Gaining }) {
  return (
    <>
      <Studying {...gaining.studied} waiting="Working out every step of the shelf…">
        {(gains) => <Steps gaining={gaining} gains={gains} />}
      </Studying>
      <LadderPanel gaining={gaining} />
    </>
  );
}

function Steps({ gaining, gains }: { gaining: Gaining; gains: StepGains }) {
  const { verdict, document } = useStage();
  const system = useSettings((state) => state.units);
  const build = useBuild((state) => state.id) ?? '';
  const records = useRecords(build);
  const trials = useMemo(() => trialsOf(records.records), [records]);
  const [all, setAll] = useState(false);
  const { aim, ids, onIds } = gaining;
  const list = useMemo(() => ranked(gains.steps, aim), [gains, aim]);
  const { budget, currency } = document.money;
  const left = budget === null ? undefined : budget - verdict.list.ledger.total.most;
  // A step for small change would make every other bar a point: it fills its bar, and the scale is made by the others.
  const most = Math.max(
    0,
    ...list
      .filter((s) => s.allIn.cost >= SMALL_CHANGE)
      .map((s) => gainPerMoney(s, aim) ?? 0)
      .filter((w) => Number.isFinite(w)),
  );
  // What is ticked is always in sight.
  const shown = list.filter((s, i) => all || i < FIRST || ids.includes(s.id));
  const tick = (step: StepGain, on: boolean): void => {
    // Steps of one kind are one choice; what somebody has thought of is each its own.
    const others = ids.filter(
      (id) => step.kind === 'own' || list.find((s) => s.id === id)?.kind !== step.kind,
    );
    onIds(on ? [...others, step.id] : ids.filter((id) => id !== step.id));
  };
  const unit = useQuantity();
  return (
    <section aria-label="What each step would gain" data-testid="gains">
      <PanelHead title={finding(list, aim, system)} note="each step alone, the best for its money first" />
      <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="Steps">
        <table className="w-full min-w-[720px] border-collapse text-[14px]">
          <thead>
            <tr className="border-b-[1.5px] border-ink text-[12.5px] [&>th]:pr-2 [&>th]:pb-1 [&>th]:align-bottom [&>th]:font-semibold">
              <th>
                <span className="sr-only">Taken</span>
              </th>
              <th className="text-left">Step, and what must change with it</th>
              {(
                [
                  ['Hill', unit(1, 'km/h').unit],
                  ['Top', unit(1, 'km/h').unit],
                  ['Range', `${unit(1, 'km').unit}, low, high`],
                  ['Heat', unit(1, 'C').unit],
                  ['Cost', currencySign(currency)],
                ] as const
              ).map(([name, under]) => (
                <th key={name} className="text-right">
                  {name}
                  <span className="block font-normal text-ink2">{under}</span>
                </th>
              ))}
              <th className="text-left">
                {AIM_LOOKS[aim].gained}
                <span className="block font-normal text-ink2">
                  {unit(1, AIM_LOOKS[aim].unit).unit} for {moneyText(PER_MONEY, currency)}
                </span>
              </th>
              <th className="text-left">Class</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((step) => (
              <StepRow
                key={step.id}
                step={step}
                aim={aim}
                most={most}
                was={gains.now.className}
                budgetLeft={left}
                ticked={ids.includes(step.id)}
                onTick={(on) => {
                  tick(step, on);
                }}
                rejected={rejectionOf(trials, step.id)}
              />
            ))}
          </tbody>
        </table>
      </div>
      {list.length > FIRST && (
        <ShowAll all={all} count={list.length} of="steps" few="Show the best only" onTurn={setAll} />
      )}
      {ids.length > 0 && (
        <Studying {...gaining.joint} waiting="Reckoning them as one build…">
          {(joint) => <Together gaining={gaining} joint={joint} now={gains.now} steps={list} />}
        </Studying>
      )}
    </section>
  );
}

/** The ticked steps as one build, and what is done with it. */
function Together({
  gaining,
  joint,
  now,
  steps,
}: {
  gaining: Gaining;
  joint: Changed;
  now: StepGains['now'];
  steps: readonly StepGain[];
}) {
  const { aim, ids, document } = gaining;
  const edit = useBuild((state) => state.edit);
  const pin = useBuild((state) => state.pin);
  const build = useBuild((state) => state.id) ?? '';
  const onTrial = useOnTrial((state) => state.trials[build]);
  const put = useOnTrial((state) => state.set);
  const navigate = useNavigate();
  const change = useChange();
  const [trouble, setTrouble] = useState('');
  const system = useSettings((state) => state.units);
  const taken = steps.filter((s) => ids.includes(s.id));
  const words = taken.map((s) => phraseText(s.what, system)).join('; ');
  const added = taken.reduce((sum, s) => sum + (s.gains[aim] ?? 0), 0);
  const alone = change(added, AIM_LOOKS[aim].unit, 1)?.text ?? '0';
  const { currency } = document.money;
  const cost = joint.allIn.noIdea.length > 0 ? null : joint.allIn.cost;
  const tryThem = (): void => {
    // The build before stays as a pin, so that the tray shows every difference.
    void pin().then(() => {
      edit(() => joint.build, `trial: ${clipped(words, 60)}`);
      put(build, {
        what: clipped(words, 290),
        steps: ids,
        cost,
        before: stoodOf(now),
        after: stoodOf(joint.is),
        was: document,
      });
      gaining.onIds([]);
    });
  };
  const copy = (): void => {
    const name = `${clipped(document.name, 50)}, ${clipped(words, 26)}`;
    createBuild({ ...joint.build, name, sample: false }).then(
      ({ id }) => {
        void navigate(`/builds/${id}/buy`);
      },
      (problem: unknown) => {
        setTrouble(problemWords(problem, 'The copy could not be made.'));
      },
    );
  };
  return (
    <section
      aria-label="The ticked steps together"
      data-testid="together"
      className="mt-2 border-t-2 border-b-[5px] border-double border-ink py-2"
    >
      <div className="flex flex-wrap items-start gap-x-6 gap-y-2">
        <div className="min-w-[240px] flex-1">
          <p className="font-semibold">
            {taken.length === 1
              ? 'The one step, with what goes with it'
              : `${String(taken.length)} steps together`}
          </p>
          <p className="text-[13px] leading-snug text-ink2">
            {taken.length > 1 && `as one build; added up they would be ${alone}. `}
            {joint.also.length > 0 && `Also: ${joint.also.join('; ')}. `}
            {joint.allIn.more.length > 0 && `To buy: ${joint.allIn.more.join('; ')}. `}
            {joint.allIn.leftOver.length > 0 && `Left over: ${joint.allIn.leftOver.join('; ')}. `}
            {joint.allIn.noIdea.length > 0 && `Without a known price: ${joint.allIn.noIdea.join('; ')}. `}
            {joint.opens.length > 0 && `Then to be found out: ${joint.opens.join('; ')}.`}
          </p>
          {[...joint.left, ...joint.newStops].length > 0 && (
            <p className="text-[13px] leading-snug text-stop">
              In the way: {[...joint.left, ...joint.newStops].join(', ')}.
            </p>
          )}
          {joint.classRisk !== 'stays' && (
            <p className="flex items-center gap-1.5 text-[14px]">
              <StateMark state={joint.is.classState} size={15} /> {joint.is.className}, it was {now.className}
            </p>
          )}
        </div>
        <Sums joint={joint} currency={currency} />
        <div className="no-print flex flex-wrap gap-2">
          <Button kind="go" className="h-11!" disabled={onTrial !== undefined} onClick={tryThem}>
            Try {taken.length === 1 ? 'it' : 'them'}
          </Button>
          <Button className="h-11!" onClick={copy}>
            Make a copy
          </Button>
          {onTrial !== undefined && (
            <p className="w-full text-[13px] text-ink2">First keep what is on trial, or take it back.</p>
          )}
        </div>
      </div>
      {trouble !== '' && (
        <p role="alert" className="text-stop">
          {trouble}
        </p>
      )}
    </section>
  );
}

/** What the ticked steps come to. */
function Sums({ joint, currency }: { joint: Changed; currency: string }) {
  return (
    <dl className="num grid grid-cols-[auto_auto] gap-x-3 text-[14px]">
      <dt>Hill</dt>
      <dd className="text-right">
        <Gained value={joint.gains.hill} unit="km/h" digits={1} />
      </dd>
      <dt>Top</dt>
      <dd className="text-right">
        <Gained value={joint.gains.top} unit="km/h" digits={1} />
      </dd>
      <dt>Range</dt>
      <dd className="text-right">
        <RangeGained low={joint.gains.rangeLow} high={joint.gains.rangeHigh} />
      </dd>
      <dt>Heat</dt>
      <dd className="text-right">
        <Gained
          value={joint.gains.cool === undefined ? undefined : -joint.gains.cool}
          unit="C"
          digits={0}
          less
        />
      </dd>
      <dt className="font-semibold">Cost, all in</dt>
      <dd className="text-right font-semibold">
        {moneyText(joint.allIn.cost, currency)}
        {joint.allIn.noIdea.length > 0 && ' at least'}
      </dd>
    </dl>
  );
}
