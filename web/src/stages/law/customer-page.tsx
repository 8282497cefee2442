import {
  counted,
  customerPage,
  phraseText,
  placeState,
  saidOf,
  type BuildDocument,
  type CustomerPage,
  type Told,
  type Verdict,
} from '@apple-cart/core';
import type { ReactNode } from 'react';
import { Silhouette, scaleInto } from '../../drawing/silhouette.tsx';
import { PrintPage } from '../../paper/print-page.tsx';
import { today } from '../../state/today.ts';
import { useSettings } from '../../state/settings-store.ts';
import { verdictOf } from '../../state/verdicts.ts';
import { Stamp } from '../../ui/stamp.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { AsSet } from './as-set.tsx';
import { PLACE_WORD } from './law-words.ts';

/** What a text adds beside the usual duties; only the class sheet has room for it. */
const BESIDE = 'Also';

/** What is asked of whoever rides it, in a sentence. */
function askedWords(duties: CustomerPage['duties']): string {
  const named = duties.filter((d) => d.title !== BESIDE);
  const words = named.map(
    (d) => `${d.title.toLowerCase()}${d.asked === 'varies' ? ' (not everywhere)' : ''}`,
  );
  const more = named.length < duties.length ? '; the class sheet says what else' : '';
  return `${words.join(', ')}${more}.`;
}

function Block({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="keep-together" aria-label={title}>
      <h2 className="head border-b-[1.5px] border-ink pt-2 pb-0.5 text-[15px]">{title}</h2>
      {children}
    </section>
  );
}

function Answer({ name, told }: { name: string; told: Told }) {
  const system = useSettings((state) => state.units);
  return (
    <div className="grid grid-cols-[18px_52px_minmax(0,1fr)] items-baseline gap-x-2 border-b border-hair py-1">
      <span className="self-center">
        <StateMark state={told.state} size={14} />
      </span>
      <span className="text-ink2">{name}</span>
      <p className="leading-snug">
        <b className="head text-[16px]">{phraseText(told.head, system)}</b>
        {told.state === 'unknown' && <b> (not known for sure)</b>}{' '}
        <span className="text-[12.5px] text-ink2">{phraseText(told.more, system)}</span>
      </p>
    </div>
  );
}

const List = ({ children }: { children: readonly string[] }) => (
  <ul className="list-disc pt-0.5 pl-4 text-[13px] leading-snug">
    {children.map((one) => (
      <li key={one}>{one}</li>
    ))}
  </ul>
);

function Class({ page, verdict }: { page: CustomerPage; verdict: Verdict }) {
  const { here } = verdict.law;
  const said = saidOf(here);
  return (
    <Block title={`On the road in ${here.place.name}`}>
      <div className="flex items-start gap-x-4 pt-1.5">
        <p className="flex-1 text-[13px] leading-snug">
          <b className="text-[14px]">{said.what}</b> {said.decides}{' '}
          {page.duties.length > 0 && <>Asked of whoever rides it: {askedWords(page.duties)}</>}
          {page.label !== undefined && <> Its label: {page.label.join(', ')}.</>}
        </p>
        <Stamp state={placeState(here.outcome)} word={PLACE_WORD[here.outcome]} under={here.className} />
      </div>
      <AsSet set={verdict.law.asSet} />
      <p className="pt-0.5 text-[12px] text-ink2">
        Planning aid, not legal advice: {page.instrument ?? 'no text on hand'}; read to {here.place.readYear}.
        The police and the vehicle authority decide.
      </p>
    </Block>
  );
}

const Line = ({ name, value = '' }: { name: string; value?: string }) => (
  <p className="border-b border-ink pt-1 text-[13px]">
    <span className="text-ink2">{name}</span> <b className="font-semibold">{value}</b>
  </p>
);

function Sheet({ build }: { build: BuildDocument }) {
  const system = useSettings((state) => state.units);
  const shop = useSettings((state) => state.shop);
  const verdict = verdictOf(build);
  const page = customerPage(verdict);
  const text = (phrases: CustomerPage['asks']): string[] => phrases.map((p) => phraseText(p, system));
  const { text: price, unpriced, main } = page.price;
  return (
    <article data-testid="customer-page" className="print:text-[13px]">
      <header className="flex items-end gap-4 border-b-2 border-ink pb-1.5">
        <h1 className="head min-w-0 flex-1 text-[26px] leading-tight font-extrabold">{build.name}</h1>
        <p className="text-right text-[12.5px] leading-snug whitespace-pre-line">
          {shop === '' ? '' : `${shop}\n`}
          {build.job === '' ? '' : `Job ${build.job}, `}
          {today()}
        </p>
      </header>
      <div className="grid grid-cols-[minmax(0,1fr)_260px] items-end gap-4 max-tablet:grid-cols-1 print:grid-cols-[minmax(0,1fr)_260px]">
        <p className="self-center text-[15px] leading-snug">{phraseText(page.what, system)}</p>
        <div aria-hidden>
          <Silhouette
            build={build}
            verdict={verdict}
            width={260}
            height={142}
            scale={Math.min(0.125, scaleInto(build, verdict, 260))}
          />
        </div>
      </div>
      <Class page={page} verdict={verdict} />
      <Block title="What it does">
        <Answer name="Hill" told={page.climbs} />
        <Answer name="Range" told={page.far} />
        <Answer name="Speed" told={page.fast} />
      </Block>
      <Block title="Price">
        <p className="py-1 text-[13px]">
          <b className="head text-[16px]">{price}</b>{' '}
          <span className="text-ink2">
            {unpriced === 0
              ? 'for the bicycle and every part of the list.'
              : `so far; ${counted(unpriced, 'part has', 'parts have')} no price yet${main.length === 0 ? '' : `, among them: ${main.join('; ')}`}.`}
          </span>
        </p>
      </Block>
      <div className="grid grid-cols-2 gap-x-6 max-tablet:grid-cols-1 print:grid-cols-2">
        <Block title="What it needs">
          <List>{text(page.asks)}</List>
        </Block>
        <Block title="Take care">
          <List>{page.cautions}</List>
        </Block>
      </div>
      <p className="pt-2 text-[12px] text-ink2">
        Figures are worked out for the rider, load and hill named here, not measured on the road. What is
        marked with a question is not known yet.
      </p>
      <div className="keep-together grid grid-cols-2 gap-x-8 gap-y-4 pt-4">
        <Line name="Workshop" value={shop.split('\n')[0] ?? ''} />
        <Line name="Customer" />
        <Line name="Date and signature" />
        <Line name="Date and signature" />
      </div>
    </article>
  );
}

/** The workshop's name, which stands on the page; kept in this browser. */
function Shop() {
  const shop = useSettings((state) => state.shop);
  const setShop = useSettings((state) => state.setShop);
  return (
    <label className="flex min-h-9 items-center gap-2 text-[13px] text-ink2 max-bench:min-h-11">
      Workshop
      <input
        value={shop}
        maxLength={80}
        placeholder="name, as it shall stand here"
        onChange={(event) => {
          setShop(event.target.value);
        }}
        className="h-8 w-56 border-b border-ink3 bg-field px-2 text-ink max-bench:h-11"
      />
    </label>
  );
}

/** One page that a customer understands, to print and sign, on A4 and on Letter. */
export const CustomersPage = () => (
  <PrintPage
    title="For the customer"
    back={{ to: 'brief', words: 'Back to the build' }}
    width="sheet"
    buttons={<Shop />}
  >
    {(build) => <Sheet build={build} />}
  </PrintPage>
);
