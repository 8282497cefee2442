import { useState } from 'react';
import { Link } from 'react-router';
import { OTHER_CAUSE, SYMPTOM_WORDS, causeOf, faultSays } from '@apple-cart/core';
import { useBuilds } from '../../state/builds.ts';
import { dayShort, today } from '../../state/today.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { SearchBox } from '../../ui/search-box.tsx';
import { ShowAll } from '../../ui/show-all.tsx';

import type { FaultInHand } from './use-fault.ts';

const FEW = 6;

/** What was cured before on any machine of the shop, found by its words; of the symptom in hand, where there is one. */
export function CuredBefore({ fault: { shop, ready, search } }: { fault: FaultInHand }) {
  const { builds } = useBuilds();
  const [words, setWords] = useState('');
  const [all, setAll] = useState(false);
  const { symptom } = search;
  const found = shop
    .map((one) => {
      const { fault, build } = one;
      const cause =
        fault.cause === OTHER_CAUSE ? 'Something else' : (causeOf(fault.cause)?.name ?? fault.cause);
      return {
        ...one,
        cause,
        name: builds?.find((b) => b.id === build)?.document.name ?? 'a build that was put away',
      };
    })
    .filter(
      ({ fault, cause, name }) =>
        (symptom === null || fault.symptom === symptom || words !== '') &&
        faultSays(fault, [SYMPTOM_WORDS[fault.symptom].name, cause, name], words),
    );
  const count = `${String(found.length)} of ${String(shop.length)}`;
  return (
    <section aria-label="Cured before" data-testid="cured-before" className="mt-3">
      <PanelHead title="Cured before in this shop" note={shop.length === 0 ? undefined : count}>
        {shop.length > 0 && (
          <SearchBox
            label="Search what was cured"
            placeholder="plug, rain, tandem…"
            value={words}
            onChange={setWords}
          />
        )}
      </PanelHead>
      {shop.length === 0 && (
        <p className="py-1 text-[14px] text-ink2">
          {ready
            ? 'Nothing yet. Say what the machine does: the likely causes come with what to look at, and what cured it is kept here for the next time.'
            : 'Being fetched…'}
        </p>
      )}
      {shop.length > 0 && found.length === 0 && (
        <p className="py-1 text-[14px] text-ink2">
          {words === '' ? 'Nothing of this kind yet.' : 'No cure has these words.'}
        </p>
      )}
      <ul>
        {(all ? found : found.slice(0, FEW)).map(({ key, fault, cause, name, build }) => (
          <li
            key={key}
            data-cured={fault.cause}
            className="border-b border-hair py-1.5 text-[14px] leading-snug"
          >
            <b className="head text-[15px] font-semibold">
              {SYMPTOM_WORDS[fault.symptom].name}: {cause}
            </b>
            <span className="block">{fault.cure}</span>
            {fault.told !== '' && <span className="block text-ink2">“{fault.told}”</span>}
            <p className="text-[12.5px] text-ink3">
              {dayShort(fault.on, today())}, {fault.who},{' '}
              <Link className="underline" to={`/builds/${build}/road?view=faults`}>
                {name}
              </Link>
            </p>
          </li>
        ))}
      </ul>
      {found.length > FEW && <ShowAll all={all} count={found.length} of="cures" onTurn={setAll} />}
    </section>
  );
}
