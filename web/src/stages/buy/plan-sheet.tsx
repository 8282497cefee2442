import { counted, dayWords, stopsOf, whenOf, type BuildDocument } from '@apple-cart/core';
import { useMemo } from 'react';
import { PrintPage } from '../../paper/print-page.tsx';
import { useBuild } from '../../state/build-store.ts';
import { useLearntHours } from '../../state/learnt-hours.ts';
import { today } from '../../state/today.ts';
import { useVerdict } from '../../state/use-verdict.ts';
import { PlanTable } from './gantt.tsx';
import { NotAsItStands } from './not-as-it-stands.tsx';
import { whenStamp } from './when-view.tsx';

function Sheet({ build }: { build: BuildDocument }) {
  const verdict = useVerdict(build);
  const learnt = useLearntHours(
    useBuild((state) => state.id),
    build,
  );
  const when = useMemo(() => whenOf(build, verdict.list.rows, today(), learnt), [build, verdict, learnt]);
  const stamp = whenStamp(when);
  return (
    <article data-testid="plan-sheet">
      <h1 className="head border-b-2 border-ink pb-1 text-[26px] font-extrabold">Plan of the work</h1>
      <p className="py-1 text-[14px]">
        {build.name}
        {build.job === '' ? '' : `, job ${build.job}`}: {stamp.word}, {stamp.under}
      </p>
      <PlanTable when={when} />
      <h2 className="head border-b-[1.5px] border-ink pt-4 pb-0.5 text-[16px]">To order</h2>
      <ul>
        {when.parcels
          .filter((p) => !p.parcel.ordered)
          .map((p) => (
            <li
              key={p.parcel.id}
              className="keep-together flex items-baseline gap-2.5 border-b border-hair py-1"
            >
              <span className="size-3.5 shrink-0 translate-y-0.5 border-[1.5px] border-ink" aria-hidden />
              <span className="flex-1 leading-snug">
                {p.parcel.rows.map((r) => r.what).join('; ')}
                {p.parcel.rows.map((r) => (
                  <NotAsItStands key={r.key} stops={stopsOf(r, verdict.study)} />
                ))}
                {p.parcel.supplier !== '' && <span className="text-ink2"> from {p.parcel.supplier}</span>}
              </span>
              <span className="whitespace-nowrap">
                {p.orderBy !== undefined && `by ${dayWords(p.orderBy)}`}
                {p.orderBy === undefined &&
                  (p.daysInHand === undefined ? 'days not known' : `${counted(p.daysInHand, 'day')} in hand`)}
              </span>
            </li>
          ))}
      </ul>
    </article>
  );
}

/** The plan on paper: what comes and what is done when, and what is still to be ordered. */
export function PlanSheet() {
  return (
    <PrintPage
      title="Plan of the work"
      back={{ to: 'buy?view=when', words: 'Back to the plan' }}
      width="sheet"
    >
      {(build) => <Sheet build={build} />}
    </PrintPage>
  );
}
