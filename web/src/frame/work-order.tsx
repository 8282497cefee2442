import { memo, useDeferredValue, useEffect, useRef } from 'react';
import { NavLink, useParams } from 'react-router';
import type { StageVerdict, State } from '@apple-cart/core';
import { SCREENS } from '../screens/registry.ts';
import { useDocument } from '../state/build-store.ts';
import { useStageRows } from './use-stage-rows.ts';
import { useFingers } from '../state/use-fingers.ts';
import { useVerdict } from '../state/use-verdict.ts';
import { STATE_WORD, StateMark } from '../ui/state-mark.tsx';

const TALLY: readonly { readonly state: State; readonly word: string }[] = [
  { state: 'fine', word: 'fine' },
  { state: 'look', word: 'look' },
  { state: 'stop', word: 'stop' },
  { state: 'unknown', word: 'unknown' },
];

/** Drawn anew only where it says something else: most keys that are typed change none of them. */
const StageLink = memo(function StageLink({
  id,
  state,
  words,
  begun,
  number,
}: Pick<StageVerdict, 'id' | 'state' | 'words' | 'begun'> & { number: number }) {
  const { name } = SCREENS[id];
  return (
    <NavLink
      to={`../${id}`}
      relative="path"
      data-stage={id}
      className="group relative grid h-[43px] shrink-0 grid-cols-[20px_minmax(0,1fr)_20px] items-center gap-x-2.5 border-b border-hair pr-3.5 pl-2.5 text-ink hover:bg-press aria-[current=page]:z-10 aria-[current=page]:-my-px aria-[current=page]:h-[45px] aria-[current=page]:border-y aria-[current=page]:border-ink aria-[current=page]:bg-sheet max-bench:h-[52px] max-bench:grid-cols-[minmax(0,1fr)_auto] max-bench:px-3 max-tablet:h-11 max-tablet:border-r max-tablet:border-b-0 max-tablet:border-rule bench:aria-[current=page]:-mr-px"
    >
      <span className="absolute inset-y-0 left-0 hidden w-[5px] bg-ink group-aria-[current=page]:block max-tablet:inset-x-0 max-tablet:top-auto max-tablet:bottom-0 max-tablet:h-1 max-tablet:w-full" />
      <span className="num text-right text-[12.5px] text-ink3 group-aria-[current=page]:text-ink max-bench:hidden">
        {number}
      </span>
      <span className="min-w-0 leading-[1.12]">
        <b className="head block text-[15px] font-semibold group-aria-[current=page]:font-extrabold">
          {name}
        </b>
        <span
          title={words}
          className="block truncate text-[12px] text-ink2 max-tablet:hidden max-bench:hidden"
        >
          {words}
        </span>
      </span>
      {begun === false ? (
        <span title={words} className="text-center text-ink3">
          –<span className="sr-only">{words}</span>
        </span>
      ) : (
        <span title={`${STATE_WORD[state]}: ${words}`}>
          <StateMark state={state} />
          <span className="sr-only">{words}</span>
        </span>
      )}
    </NavLink>
  );
});

/** Scrolls what lies around a link. Not scrollIntoView: from where that brings something, Tab goes on, past the link to the fields. */
function broughtIntoView(link: Element, nav: Element): void {
  for (let strip = link.parentElement; strip !== null; strip = strip === nav ? null : strip.parentElement) {
    const [at, seen] = [link.getBoundingClientRect(), strip.getBoundingClientRect()];
    strip.scrollLeft += (at.left + at.right - seen.left - seen.right) / 2;
    strip.scrollTop += Math.min(0, at.top - seen.top) + Math.max(0, at.bottom - seen.bottom);
  }
}

/** The stages in working order, each with its state and a few words: the navigation inside a build. */
export function WorkOrder() {
  // What is typed comes first, then the tray, then how the stages stand.
  const document = useDeferredValue(useDocument());
  const stages = useStageRows(useVerdict(document));
  const { stage: current } = useParams();
  const nav = useRef<HTMLElement>(null);
  // On a telephone the stages are a strip, and what they say makes them wider or narrower: the one in hand is brought into view.
  const narrow = useFingers();
  const words = narrow ? stages.map((stage) => stage.words).join() : '';
  useEffect(() => {
    const link = nav.current?.querySelector('[aria-current=page]');
    if (link !== null && link !== undefined && nav.current !== null) broughtIntoView(link, nav.current);
  }, [current, narrow, words]);
  return (
    <nav
      ref={nav}
      aria-label="Work order"
      className="no-print flex min-h-0 flex-col border-r border-ink bg-card max-tablet:flex-row max-tablet:overflow-x-auto max-tablet:border-r-0 max-tablet:border-b"
    >
      <header className="flex h-[52px] shrink-0 flex-col justify-center border-b border-ink px-4 max-bench:px-3 max-tablet:hidden">
        <b className="head text-[15px]">Work order</b>
        <span className="num truncate text-[12px] text-ink2">
          {document.job === '' ? 'no job number' : `Job ${document.job}`}
        </span>
      </header>
      <div className="flex min-h-0 flex-1 flex-col overflow-y-auto max-tablet:flex-row max-tablet:overflow-y-hidden bench:-mr-px bench:pr-px">
        {stages.map((stage, i) => (
          <StageLink key={stage.id} {...stage} number={i + 1} />
        ))}
      </div>
      <div className="grid shrink-0 grid-cols-2 gap-x-2.5 gap-y-1.5 px-4 py-2.5 text-[12px] leading-4 text-ink2 max-bench:hidden">
        {TALLY.map(({ state, word }) => (
          <span key={state} className="flex items-center gap-1.5">
            <StateMark state={state} size={13} labelled={false} />
            {stages.filter((s) => s.state === state && s.begun !== false).length} {word}
          </span>
        ))}
      </div>
    </nav>
  );
}
