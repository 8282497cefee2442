import { ChevronRight } from 'lucide-react';
import { useState } from 'react';
import { phraseText, shownOf, wantsOf, type Check, type Shown, type State } from '@apple-cart/core';
import { useSettings } from '../../state/settings-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { Num } from '../../ui/num.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { labelOf } from './labels.ts';

const ORDER: readonly State[] = ['stop', 'look', 'unknown', 'fine'];
const FILL = {
  fine: 'var(--fine-fill)',
  look: 'var(--look-fill)',
  stop: 'var(--stop-fill)',
  unknown: 'none',
};

/** What is in hand, as a bar right of the line; what is missing, left of it. Full at as much as the limit itself. */
function MarginBar({ check }: { check: Check }) {
  if (check.margin === undefined || check.value === undefined) return null;
  const limit = Math.abs(check.value) + Math.abs(check.margin);
  const share = limit === 0 ? 0 : Math.max(-1, Math.min(1, check.margin / limit));
  const width = Math.abs(share) * 30;
  return (
    <svg viewBox="0 0 66 12" width="66" height="12" aria-hidden>
      <path d="M33 0v12" stroke="var(--ink3)" />
      <rect
        x={share < 0 ? 33 - width : 33}
        y="3"
        width={Math.max(1, width)}
        height="6"
        fill={FILL[check.state]}
      />
    </svg>
  );
}

function Value({ check }: { check: Check }) {
  const shown = useQuantity();
  if (check.state === 'unknown') return <span className="text-slate">cannot tell</span>;
  if (check.value === undefined) return <span>{check.words}</span>;
  const { digits } = check;
  const finer = check.unit === 'mm' && shown(1, 'mm').unit === 'in' ? 2 : 0;
  const { text, unit } = shown(check.value, check.unit, digits === undefined ? undefined : digits + finer);
  return (
    <span className="inline-flex items-baseline whitespace-nowrap">
      <Num text={text} places={1} />
      <span className="w-[2.2em] pl-1 text-left text-[12.5px] text-ink3">{unit}</span>
    </span>
  );
}

function Row({ check, open, onToggle }: { check: Check; open: boolean; onToggle: () => void }) {
  const system = useSettings((state) => state.units);
  return (
    <>
      <tr className="border-b border-hair align-baseline" data-check={check.id} data-state={check.state}>
        <th scope="row" className="py-1 pr-2 text-left font-normal">
          <button
            type="button"
            aria-expanded={open}
            onClick={onToggle}
            className="flex w-full items-start gap-2 text-left max-bench:min-h-11 max-bench:items-center"
          >
            <span className="pt-px">
              <StateMark state={check.state} size={15} />
            </span>
            <span className={`min-w-0 leading-snug ${check.state === 'fine' ? '' : 'font-semibold'}`}>
              {check.title}
              {check.state === 'unknown' && (
                <span className="block text-[12.5px] font-normal text-ink2">
                  not known: {wantsOf(check).join('; ')}
                </span>
              )}
              {(check.state === 'stop' || check.state === 'look') && (
                <span className="block text-[12.5px] font-normal text-ink2">
                  {phraseText(check.remedy, system)}
                </span>
              )}
            </span>
            <ChevronRight
              size={14}
              strokeWidth={1.6}
              className={`mt-0.5 ml-auto shrink-0 text-ink3 ${open ? 'rotate-90' : ''}`}
              aria-hidden
            />
          </button>
        </th>
        <td className="py-1 text-right text-[13px]">
          <Value check={check} />
        </td>
        <td className="py-1 pl-2 text-[12.5px] leading-snug text-ink2 max-tablet:hidden">
          {phraseText(check.limit, system)}
        </td>
        <td className="py-1 pl-1 max-tablet:hidden">
          <MarginBar check={check} />
        </td>
      </tr>
      {open && (
        <tr className="border-b border-hair bg-press">
          <td colSpan={4} className="px-2 py-2 text-[13.5px]">
            <p>{phraseText(check.why, system)}</p>
            <p className="pt-1">
              <b>What to do.</b> {phraseText(check.remedy, system)}
            </p>
            <p className="pt-1 text-[12.5px] text-ink2">
              Limit: {phraseText(check.limit, system)}. Origin: {check.origin}
              {check.source === '' ? '' : ` (${check.source})`}.
              {check.assumed.length > 0 &&
                ` Rests on assumed values: ${check.assumed.map(labelOf).join(', ')}.`}{' '}
              The maker’s data sheet decides.
            </p>
          </td>
        </tr>
      )}
    </>
  );
}

/** So many wants are named in the line itself. */
const NAMED = 4;

/** All checks that only wait, as one line: how many, and what settles most of them. */
function WaitingRow({ folded, wants, onOpen }: Omit<Shown, 'lines'> & { onOpen: () => void }) {
  const named = wants
    .slice(0, NAMED)
    .map(({ words, checks }) => (checks > 1 ? `${words} (${String(checks)})` : words));
  const more = wants.length - named.length;
  return (
    <tr className="border-b border-hair align-baseline" data-waiting={folded.length}>
      <th scope="row" colSpan={4} className="py-1 text-left font-normal">
        <span className="flex items-start gap-2">
          <span className="pt-px">
            <StateMark state="unknown" size={15} />
          </span>
          <span className="min-w-0 flex-1 leading-snug">
            <b className="font-semibold">{folded.length} more cannot be told yet</b>
            <span className="block text-[12.5px] text-ink2">
              they want {named.join('; ')}
              {more > 0 && ` and ${String(more)} more measures and answers`}
            </span>
          </span>
          <button
            type="button"
            className="no-print min-h-8 shrink-0 text-[13px] text-slate underline max-bench:min-h-11"
            onClick={onOpen}
          >
            Show each
          </button>
        </span>
      </th>
    </tr>
  );
}

/** Every check with its value, limit and margin; what asks for something first. Rows open to why and remedy. */
export function CheckTable({
  checks,
  title,
  label,
}: {
  checks: readonly Check[];
  title: string;
  label: string;
}) {
  const [open, setOpen] = useState<string>();
  const [all, setAll] = useState(false);
  const { lines, folded, wants } = shownOf(checks);
  const sorted = (all ? [...checks] : [...lines]).sort(
    (a, b) => ORDER.indexOf(a.state) - ORDER.indexOf(b.state),
  );
  const telling = sorted.filter((c) => c.state !== 'fine').length;
  const count = all ? sorted.length : Math.max(7, Math.min(telling, 12));
  const rest = sorted.length - count;
  const row = (check: Check) => (
    <Row
      key={check.id}
      check={check}
      open={open === check.id}
      onToggle={() => {
        setOpen(open === check.id ? undefined : check.id);
      }}
    />
  );
  const shown = sorted.slice(0, count);
  const [first, fine] = [shown.filter((c) => c.state !== 'fine'), shown.filter((c) => c.state === 'fine')];
  return (
    <section aria-label={label}>
      <table className="w-full table-fixed border-collapse text-[13.5px]">
        <thead>
          <tr className="border-b-[1.5px] border-ink text-[12.5px]">
            <th className="head py-1 text-left text-[14px]">{title}</th>
            <th className="w-[112px] py-1 pr-6 text-right font-semibold">Here</th>
            <th className="w-[146px] py-1 pl-2 text-left font-semibold max-tablet:hidden">Limit</th>
            <th className="w-[72px] py-1 pl-1 text-left font-semibold max-tablet:hidden">In hand</th>
          </tr>
        </thead>
        <tbody>
          {first.map(row)}
          {!all && folded.length > 0 && (
            <WaitingRow
              folded={folded}
              wants={wants}
              onOpen={() => {
                setAll(true);
              }}
            />
          )}
          {fine.map(row)}
        </tbody>
      </table>
      {(rest > 0 || all) && (
        <button
          type="button"
          className="no-print min-h-8 text-[13px] text-slate underline max-bench:min-h-11 max-bench:min-w-11"
          onClick={() => {
            setAll(!all);
          }}
        >
          {all ? 'Only the telling ones' : `${String(rest)} more`}
        </button>
      )}
    </section>
  );
}
