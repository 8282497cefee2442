import { useState } from 'react';
import { ChevronRight } from 'lucide-react';
import { isPhaseLink, isShare, phraseText, sameLink, type Chain, type Link } from '@apple-cart/core';
import { useSettings } from '../../state/settings-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { STATE_WORD, StateMark } from '../../ui/state-mark.tsx';
import { CheckTable } from '../parts/check-table.tsx';
import { useDeferredStage } from '../parts/use-stage.ts';
import { LeadLedger } from './lead-ledger.tsx';
import { LinkRemedies } from './link-remedies.tsx';

const BAR = { width: 250, height: 34 } as const;
const FILL = {
  fine: 'var(--fine-fill)',
  look: 'var(--look-fill)',
  stop: 'var(--stop-fill)',
  unknown: 'var(--slate-tint)',
} as const;

/** What a link carries as a bar, and what is asked of it as lines that run down through all of them. */
/** What a link carries: for a moment pale, for good full; the controller only sets a limit. */
function Carries({ link, x }: { link: Link; x: (amps: number) => number }) {
  const { continuousA = 0, peakA = 0 } = link;
  const middle = BAR.height / 2;
  if (link.id === 'controller')
    return (
      <path
        d={`M0 ${String(middle)}H${String(x(continuousA))}`}
        stroke="var(--ink2)"
        strokeWidth="3"
        strokeDasharray="2 3"
      />
    );
  if (link.state === 'unknown')
    return (
      <rect
        x="0.5"
        y={middle - 6}
        width={BAR.width - 6}
        height="12"
        fill="none"
        stroke="var(--slate-fill)"
        strokeDasharray="2 4"
      />
    );
  const bar = (amps: number): number => Math.min(BAR.width, x(amps));
  return (
    <>
      <rect x="0" y={middle - 4} width={bar(peakA)} height="8" fill={FILL[link.state]} opacity="0.4" />
      <rect x="0" y={middle - 7} width={bar(continuousA)} height="14" fill={FILL[link.state]} />
    </>
  );
}

function LinkBar({ link, most }: { link: Link; most: number }) {
  const x = (amps: number): number => (amps / most) * (BAR.width - 4);
  const { demand } = link;
  const color = isPhaseLink(link) ? 'var(--q-phase)' : 'var(--q-batt-line)';
  const middle = BAR.height / 2;
  return (
    <svg viewBox={`0 0 ${String(BAR.width)} ${String(BAR.height)}`} className="block w-full" aria-hidden>
      <path d={`M0 ${String(middle)}H${String(BAR.width)}`} stroke="var(--hair)" />
      <Carries link={link} x={x} />
      <path
        d={`M${String(x(demand.continuousA))} 0V${String(BAR.height)}`}
        stroke={color}
        strokeWidth="2"
        strokeDasharray="4 3"
      />
      <path d={`M${String(x(demand.peakA))} 0V${String(BAR.height)}`} stroke={color} strokeWidth="2.5" />
    </svg>
  );
}

function Row({ link, most, weakest }: { link: Link; most: number; weakest: boolean }) {
  const system = useSettings((state) => state.units);
  const shown = useQuantity();
  const [open, setOpen] = useState(false);
  const text = (amps: number | undefined): string =>
    amps === undefined ? '?' : shown(amps, 'A', amps < 20 ? 1 : 0).text;
  return (
    <>
      <tr
        className={`border-b border-hair align-middle ${weakest ? 'bg-press' : ''}`}
        data-link={link.id}
        data-state={link.state}
      >
        <th scope="row" className="text-left font-normal">
          <button
            type="button"
            aria-expanded={open}
            onClick={() => {
              setOpen(!open);
            }}
            className="flex min-h-[34px] w-full items-center gap-2 text-left max-bench:min-h-11"
          >
            {link.id === 'controller' ? (
              <StateMark state="todo" labelled={false} />
            ) : (
              <StateMark state={link.state} size={15} />
            )}
            <span className={`min-w-0 flex-1 leading-tight ${weakest ? 'font-semibold' : ''}`}>
              {link.name}
              {weakest && <span className="block text-[12px] font-normal text-ink2">weakest link</span>}
            </span>
            <ChevronRight
              size={13}
              strokeWidth={1.6}
              className={`shrink-0 text-ink3 ${open ? 'rotate-90' : ''}`}
              aria-hidden
            />
          </button>
        </th>
        <td className="w-[46%] p-0">
          <LinkBar link={link} most={most} />
        </td>
        <td className="num pl-2 text-right text-[13.5px] whitespace-nowrap">
          {text(link.continuousA)}
          <span className="pl-1 font-text text-[12px] text-ink3">A</span>
        </td>
        <td className="num pl-2 text-right text-[13.5px] whitespace-nowrap">
          {link.margin === undefined
            ? '–'
            : `${link.margin < 0 ? '−' : '+'}${Math.abs(100 * link.margin).toFixed(0)}`}
          <span className="pl-1 font-text text-[12px] text-ink3">%</span>
        </td>
      </tr>
      {open && (
        <tr className="border-b border-hair bg-press">
          <td colSpan={4} className="px-2 py-2 text-[13.5px]">
            <p>
              {link.id !== 'controller' && <b>{STATE_WORD[link.state]}. </b>}
              {phraseText(link.why, system)}
            </p>
            {link.remedy.length > 0 && (
              <p className="pt-1">
                <b>What to do.</b> {phraseText(link.remedy, system)}
              </p>
            )}
            {(link.state === 'look' || link.state === 'stop') && <LinkRemedies link={link} />}
            <p className="pt-1 text-[12.5px] text-ink2">
              Continuous {text(link.continuousA)} A, for a short time {text(link.peakA)} A; asked on the hill{' '}
              {text(link.demand.continuousA)} A, at full throttle {text(link.demand.peakA)} A, moving off{' '}
              {text(link.demand.startA)} A. Source: {link.source}.
            </p>
          </td>
        </tr>
      )}
    </>
  );
}

const round5 = (amps: number): number => Math.ceil(amps / 5) * 5;

function Part({ chain, phase }: { chain: Chain; phase: boolean }) {
  const links = chain.links.filter((l) => isPhaseLink(l) === phase);
  const demand = phase ? chain.phase : chain.battery;
  // Room for twice what is asked: a link with more in hand runs off the paper, and that is enough to know.
  const most = round5(demand.peakA * 2.2);
  const shown = useQuantity();
  const amps = (value: number): string => `${shown(value, 'A', 1).text} A`;
  return (
    <table className="w-full table-fixed border-collapse text-[13.5px]">
      <thead>
        <tr className="border-b-[1.5px] border-ink text-[12.5px]">
          <th className="head w-[27%] py-1 max-tablet:w-[31%] text-left text-[14px]">
            {phase ? 'To the motor' : 'From the pack'}
          </th>
          <th className="w-[46%] py-1 pl-1 text-left font-normal text-ink2 max-tablet:w-[34%]">
            <svg viewBox="0 0 16 10" width="16" height="10" className="mr-1 inline-block" aria-hidden>
              <path
                d="M0 5h16"
                stroke={phase ? 'var(--q-phase)' : 'var(--q-batt-line)'}
                strokeWidth="2"
                strokeDasharray="4 3"
              />
            </svg>
            hill {amps(demand.continuousA)}
            <svg viewBox="0 0 16 10" width="16" height="10" className="mr-1 ml-3 inline-block" aria-hidden>
              <path d="M0 5h16" stroke={phase ? 'var(--q-phase)' : 'var(--q-batt-line)'} strokeWidth="2.5" />
            </svg>
            full {amps(demand.peakA)}
            {demand.open !== undefined && ', a default'}
          </th>
          <th className="py-1 pl-2 text-right font-semibold">Carries</th>
          <th className="py-1 pl-2 text-right font-semibold">In hand</th>
        </tr>
      </thead>
      <tbody>
        {links.map((link) => (
          <Row
            key={`${link.id} ${String(link.pack)} ${link.cable}`}
            link={link}
            most={most}
            weakest={chain.weakest !== undefined && sameLink(chain.weakest, link)}
          />
        ))}
      </tbody>
    </table>
  );
}

function titleOf(weakest: Link | undefined): string {
  if (weakest === undefined) return 'No link of the chain is known yet';
  const { name, margin = 0 } = weakest;
  if (isShare(weakest)) return `${name}: enough for its share, not for all alone`;
  return margin < 0
    ? `${name}: too little for what is asked`
    : `${name}: the weakest, with ${(100 * margin).toFixed(0)} % in hand`;
}

/** The path of the current as one picture: each link against what is asked, the weakest named. */
export function ChainView() {
  const { verdict } = useDeferredStage();
  const { chain, checks } = verdict.power;
  const { weakest, unknown } = chain;
  return (
    <>
      <section aria-label="Current chain" data-testid="chain">
        <PanelHead
          title={titleOf(weakest)}
          note={
            unknown.length === 0
              ? undefined
              : `${String(unknown.length)} ${unknown.length === 1 ? 'link' : 'links'} not known`
          }
        />
        <Part chain={chain} phase={false} />
        {chain.links.some(isPhaseLink) && <Part chain={chain} phase />}
      </section>
      <div className="pt-2">
        <CheckTable checks={checks} title="Beside the current" label="Checks of the power chain" />
      </div>
      <div className="pt-3">
        <LeadLedger />
      </div>
    </>
  );
}
