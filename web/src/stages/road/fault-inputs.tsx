import { SYMPTOM_WORDS, lookOf, symptomsOf, type FaultKept } from '@apple-cart/core';
import { dayShort, today } from '../../state/today.ts';
import { FieldGroup } from '../../fields/field-group.tsx';
import { Button } from '../../ui/button.tsx';
import { Caution } from '../../ui/caution.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { TextButton } from '../../ui/text-button.tsx';
import { OutboxNotice } from '../parts/outbox-notice.tsx';

import { useFault, type FaultInHand } from './use-fault.ts';
import type { Road } from './use-road.ts';

/** Faults that were left open: each can be taken up where it was left. */
function OpenFaults({ fault }: { fault: FaultInHand }) {
  const { open, search, set } = fault;
  const takeUp = ({ key, fault: { symptom, told, answers, cure } }: FaultKept): void => {
    set({ symptom, told, answers, skipped: [], cause: '', cure, corrects: key });
  };
  if (open.length === 0) return null;
  return (
    <FieldGroup title="Not found yet">
      <ul data-testid="open-faults">
        {open.map((one) => (
          <li key={one.key} className="flex items-center gap-2 border-b border-hair py-1.5">
            <StateMark state="look" size={15} />
            <span className="flex-1 leading-snug">
              <b className="head text-[15px] font-semibold">{SYMPTOM_WORDS[one.fault.symptom].name}</b>{' '}
              <span className="text-[13.5px] text-ink2">since {dayShort(one.fault.on, today())}</span>
              {one.fault.told !== '' && (
                <span className="block text-[13.5px] text-ink2">{one.fault.told}</span>
              )}
            </span>
            {search.corrects === one.key ? (
              <span className="text-[13.5px] text-ink2">in hand</span>
            ) : (
              <Button
                kind="quiet"
                onClick={() => {
                  takeUp(one);
                }}
              >
                Go on
              </Button>
            )}
          </li>
        ))}
      </ul>
    </FieldGroup>
  );
}

/** What a machine does that it should not: one is chosen. */
function Symptoms({ packs, fault }: { packs: number; fault: FaultInHand }) {
  return (
    <FieldGroup title="What does it do?">
      <ul data-testid="symptoms">
        {symptomsOf(packs).map((id) => (
          <li key={id} className="border-b border-hair">
            <button
              type="button"
              data-symptom={id}
              className="block min-h-11 w-full py-1 text-left leading-snug hover:bg-press"
              onClick={() => {
                fault.set({ symptom: id });
              }}
            >
              <b className="head text-[15px] font-semibold">{SYMPTOM_WORDS[id].name}</b>
              <span className="block text-[13px] text-ink2">{SYMPTOM_WORDS[id].means}</span>
            </button>
          </li>
        ))}
      </ul>
    </FieldGroup>
  );
}

/** What was looked at so far, each answer to be turned or taken back. */
function LookedAt({ fault }: { fault: FaultInHand }) {
  const { answers } = fault.search;
  return (
    <FieldGroup title="Looked at" note={answers.length === 0 ? 'nothing yet' : ''}>
      <ul data-testid="looked-at">
        {answers.map(({ look, says }) => (
          <li
            key={look}
            className="flex items-start gap-2 border-b border-hair py-1.5 text-[14px] leading-snug"
          >
            <span className="flex-1">
              {lookOf(look)?.ask ?? look} <b className="font-semibold">{says === 'yes' ? 'Yes' : 'No'}</b>
            </span>
            <TextButton
              aria-label={`Take back: ${lookOf(look)?.ask ?? look}`}
              onClick={() => {
                fault.set({ answers: answers.filter((a) => a.look !== look) });
              }}
            >
              Take back
            </TextButton>
          </li>
        ))}
      </ul>
    </FieldGroup>
  );
}

/** What the machine shows, in a choice and in words, and what was looked at. */
export function FaultInputs({ road }: { road: Road }) {
  const fault = useFault(road);
  const { search, set, clear } = fault;
  const { symptom } = search;
  return (
    <>
      <OpenFaults fault={fault} />
      {symptom === null ? (
        <Symptoms packs={road.document.packs.length} fault={fault} />
      ) : (
        <>
          <FieldGroup title="What does it do?">
            <div className="flex items-start gap-2 border-b border-hair py-1.5">
              <span className="flex-1 leading-snug">
                <b className="head text-[16px] font-semibold">{SYMPTOM_WORDS[symptom].name}</b>
                <span className="block text-[13.5px] text-ink2">{SYMPTOM_WORDS[symptom].means}</span>
              </span>
              <Button kind="quiet" onClick={clear}>
                Something else
              </Button>
            </div>
            <label className="block pt-2 text-[14px] font-semibold">
              In the words of whoever rode it
              <textarea
                className="mt-1 block h-16 w-full border border-ink3 bg-field p-2 text-[16px] font-normal"
                value={search.told}
                maxLength={400}
                placeholder="for example: only when it rains, after ten minutes"
                onChange={(event) => {
                  set({ told: event.target.value });
                }}
              />
            </label>
          </FieldGroup>
          <LookedAt fault={fault} />
        </>
      )}
      <Caution>
        Common practice, judged and not measured: it ranks where to look. Packs, chargers and whatever guards
        a person are for licensed practice and the maker’s sheet.
      </Caution>
      <OutboxNotice build={road.build} broken={0} />
    </>
  );
}
