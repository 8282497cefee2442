import { useMemo, useState } from 'react';
import {
  gainPerMoney,
  gainsAt,
  moneyText,
  phraseText,
  rejectionOf,
  trialsOf,
  type Aim,
  type StepGains,
  type StepGain,
  type UnitSystem,
} from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { useRecords } from '../../state/records.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { ShowAll } from '../../ui/show-all.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { Studying } from '../../work/studying.tsx';
import { useStage } from '../parts/use-stage.ts';
import { AIM_LOOKS, PER_MONEY, isAmiss } from './aims.ts';
import { LadderPanel } from './ladder-panel.tsx';
import { StepRow, WIDE_ONLY, useStepColumns } from './step-row.tsx';
import { Together } from './together.tsx';
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
  const columns = useStepColumns(currency);
  return (
    <section aria-label="What each step would gain" data-testid="gains">
      <PanelHead title={finding(list, aim, system)} note="each step alone, the best for its money first" />
      <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="Steps">
        <table className="w-full border-collapse bench:min-w-[720px] text-[14px]">
          <thead>
            <tr className="border-b-[1.5px] border-ink text-[12.5px] [&>th]:pr-2 [&>th]:pb-1 [&>th]:align-bottom [&>th]:font-semibold">
              <th>
                <span className="sr-only">Taken</span>
              </th>
              <th className="text-left">Step, and what must change with it</th>
              {[...columns.gains, columns.cost].map(({ name, under }) => (
                <th key={name} className={`text-right ${WIDE_ONLY}`}>
                  {name}
                  <span className="block font-normal whitespace-nowrap text-ink2">{under}</span>
                </th>
              ))}
              <th className={`text-left ${WIDE_ONLY}`}>
                {AIM_LOOKS[aim].gained}
                <span className="block font-normal text-ink2">
                  {unit(1, AIM_LOOKS[aim].unit).unit} for {moneyText(PER_MONEY, currency)}
                </span>
              </th>
              <th className={`text-left ${WIDE_ONLY}`}>Class</th>
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
                currency={currency}
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
        <div className="bg-sheet bench:sticky bench:bottom-0 bench:z-10">
          <Studying {...gaining.joint} waiting="Reckoning them as one build…">
            {(joint) => <Together gaining={gaining} joint={joint} now={gains.now} steps={list} />}
          </Studying>
        </div>
      )}
    </section>
  );
}
