import { Link } from 'react-router';
import { SYMPTOM_WORDS, phraseText, type FaultTree, type RankedCause } from '@apple-cart/core';
import { useState } from 'react';
import { useSettings } from '../../state/settings-store.ts';
import { SCREENS } from '../../screens/registry.ts';
import { Button } from '../../ui/button.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { ShowAll } from '../../ui/show-all.tsx';
import { CuredBefore } from './cured-before.tsx';
import { FaultFound } from './fault-found.tsx';
import { useFault, type FaultInHand } from './use-fault.ts';
import type { Road } from './use-road.ts';

const percent = (share: number): string =>
  share < 0.01 ? 'under 1 %' : `${String(Math.round(100 * share))} %`;

/** The name of a cause without what stands behind its colon. */
const briefly = (name: string): string => name.split(':')[0] ?? name;

/** The look that tells most for its minutes: how it is done, what is expected, and its answers. */
function NextLook({ fault, tree }: { fault: FaultInHand; tree: FaultTree }) {
  const units = useSettings((state) => state.units);
  const { search, set } = fault;
  const left = tree.next.filter(({ look }) => !search.skipped.includes(look.id));
  const [next] = left;
  if (next === undefined)
    return (
      <p data-testid="next-look" className="border border-hair bg-field p-3 text-[15px]">
        {tree.next.length === 0
          ? 'Nothing more to look at would tell these causes apart.'
          : 'Every look that is left was skipped.'}{' '}
        {tree.next.length > 0 && (
          <Button
            kind="quiet"
            onClick={() => {
              set({ skipped: [] });
            }}
          >
            Ask them again
          </Button>
        )}
      </p>
    );
  const { look, expects } = next;
  const answer = (says: 'yes' | 'no'): void => {
    set({ answers: [...search.answers, { look: look.id, says }] });
  };
  return (
    <section
      data-testid="next-look"
      data-look={look.id}
      aria-label="Look at this next"
      className="border-[1.5px] border-ink bg-field p-3"
    >
      <p className="text-[13px] text-ink2">
        Look at this next: it tells most for its {look.minutes} {look.minutes === 1 ? 'minute' : 'minutes'}
      </p>
      <h3 className="head text-[19px] leading-snug font-semibold">{look.ask}</h3>
      <p className="pt-1 text-[15px] leading-snug">{look.how}</p>
      {expects.length > 0 && <p className="pt-1 text-[15px] leading-snug">{phraseText(expects, units)}</p>}
      {look.caution !== '' && <p className="pt-1 text-[14px] leading-snug text-stop">{look.caution}</p>}
      <div className="no-print flex flex-wrap gap-2 pt-3">
        {(['yes', 'no'] as const).map((says) => (
          <Button
            key={says}
            className="h-12! min-w-24 text-[16px]"
            onClick={() => {
              answer(says);
            }}
          >
            {says === 'yes' ? 'Yes' : 'No'}
          </Button>
        ))}
        <Button
          kind="quiet"
          className="h-12!"
          onClick={() => {
            set({ skipped: [...search.skipped, look.id] });
          }}
        >
          Cannot tell
        </Button>
      </div>
    </section>
  );
}

/** One cause: its share, what this build says of it, and its cure once it is among the likely ones or was chosen. */
function CauseRow({
  one,
  open,
  chosen,
  onChoose,
}: {
  one: RankedCause;
  open: boolean;
  chosen: boolean;
  onChoose: () => void;
}) {
  const units = useSettings((state) => state.units);
  const { cause, share, why, before } = one;
  return (
    <li
      data-cause={cause.id}
      className="grid grid-cols-[minmax(0,1fr)_88px_auto] items-start gap-x-3 border-b border-hair py-1.5 max-tablet:grid-cols-[minmax(0,1fr)_auto]"
    >
      <span className="leading-snug">
        <b className="head text-[15px] font-semibold">{cause.name}</b>
        {why.length > 0 && (
          <span className="block text-[13.5px] text-ink2 first-letter:uppercase">
            {phraseText(why, units)}
          </span>
        )}
        {before > 0 && (
          <span className="block text-[13.5px] text-ink2">
            it was this {before === 1 ? 'once' : `${String(before)} times`} before in this shop
          </span>
        )}
        {open && (
          <>
            <span className="block pt-0.5 text-[14px]">{cause.cure}</span>
            {cause.caution !== '' && <span className="block text-[14px] text-stop">{cause.caution}</span>}
            <Link
              className="inline-flex items-center text-[13.5px] underline max-bench:min-h-11"
              to={`../${cause.at}`}
              relative="path"
            >
              Its numbers: {SCREENS[cause.at].name}
            </Link>
          </>
        )}
      </span>
      <span className="num pt-0.5 text-right text-[14px]">
        {percent(share)}
        <span aria-hidden className="block h-1.5 bg-press">
          <span className="block h-full bg-ink" style={{ width: `${String(100 * share)}%` }} />
        </span>
      </span>
      <span className="no-print max-tablet:col-span-2">
        <Button kind="quiet" className="min-w-24" aria-pressed={chosen} onClick={onChoose}>
          {chosen ? 'This is it' : 'This was it'}
        </Button>
      </span>
    </li>
  );
}

const FEW = 5;

/** What it can be, the likeliest first, and what this build cannot have. */
function Causes({ fault, tree }: { fault: FaultInHand; tree: FaultTree }) {
  const units = useSettings((state) => state.units);
  const [all, setAll] = useState(false);
  const { search, set } = fault;
  const shown = all ? tree.causes : tree.causes.filter((c, i) => i < FEW || c.cause.id === search.cause);
  const [first] = tree.causes;
  return (
    <section aria-label="What it can be">
      <PanelHead
        title={
          first === undefined
            ? 'Nothing that is known'
            : `${first.share > 0.5 ? 'Most likely' : 'Perhaps'}: ${briefly(first.cause.name)}`
        }
        note={`of ${String(tree.causes.length)} that it can be`}
      />
      <ul data-testid="causes">
        {shown.map((one, i) => (
          <CauseRow
            key={one.cause.id}
            one={one}
            open={i === 0 || one.share > 0.25 || one.cause.id === search.cause}
            chosen={search.cause === one.cause.id}
            onChoose={() => {
              set({ cause: search.cause === one.cause.id ? '' : one.cause.id });
            }}
          />
        ))}
      </ul>
      {tree.causes.length > FEW && (
        <ShowAll all={all} count={tree.causes.length} of="causes" onTurn={setAll} />
      )}
      {tree.ruledOut.length > 0 && (
        <p className="pt-1 text-[13px] text-ink3">
          Not on this build:{' '}
          {tree.ruledOut
            .map(({ cause, why }) => `${cause.name.toLowerCase()} (${phraseText(why, units)})`)
            .join('; ')}
          .
        </p>
      )}
    </section>
  );
}

/** The search for a fault; before it, what was cured in this shop. */
export function FaultPicture({ road }: { road: Road }) {
  const fault = useFault(road);
  const { search, tree } = fault;
  const [said, setSaid] = useState('');
  const { symptom } = search;
  return (
    <section aria-label="Faults" data-testid="faults" className="pt-2">
      <p
        role="status"
        className={said === '' ? 'sr-only' : 'border-b border-hair bg-fine-tint px-2 py-1.5 text-[14px]'}
      >
        {said}
      </p>
      {symptom === null || tree === undefined ? (
        <CuredBefore fault={fault} />
      ) : (
        <>
          {SYMPTOM_WORDS[symptom].first !== '' && (
            <p className="mb-2 border-l-[5px] border-stop bg-stop-tint px-3 py-2 text-[15px] leading-snug">
              {SYMPTOM_WORDS[symptom].first}
            </p>
          )}
          <NextLook fault={fault} tree={tree} />
          <Causes fault={fault} tree={tree} />
          <FaultFound road={road} fault={fault} onKept={setSaid} />
          <CuredBefore fault={fault} />
        </>
      )}
    </section>
  );
}
