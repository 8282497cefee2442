import { useState } from 'react';
import { MOST_MONEY, OPEN_FAULT, OTHER_CAUSE } from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { usePeople } from '../../state/people.ts';
import { keepRecord } from '../../state/records.ts';
import { today } from '../../state/today.ts';
import { Button } from '../../ui/button.tsx';
import { NumberCell } from '../../ui/number-cell.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { WhoField } from '../parts/who-field.tsx';
import { upkeepNow } from './upkeep-view.tsx';
import type { FaultInHand } from './use-fault.ts';
import type { Road } from './use-road.ts';

/** What it was and what was done: written down, or left open to be taken up again. */
export function FaultFound({
  road,
  fault,
  onKept,
}: {
  road: Road;
  fault: FaultInHand;
  onKept: (words: string) => void;
}) {
  const { search, set, clear } = fault;
  const version = useBuild((state) => state.version);
  const { who, remember } = usePeople();
  const [trouble, setTrouble] = useState('');
  const [cost, setCost] = useState<number | null>(null);
  const { currency } = road.document.money;
  const { symptom, cause, cure } = search;
  if (symptom === null) return null;
  const keep = (as: string): void => {
    remember(who);
    const { km } = upkeepNow(road);
    keepRecord(road.build, 'fault', null, {
      on: today(),
      who: who.trim(),
      symptom,
      told: search.told.trim(),
      answers: [...search.answers],
      cause: as,
      cure: cure.trim(),
      km: km > 0 ? Number(km.toFixed(1)) : null,
      paid: as === OPEN_FAULT || cost === null ? null : { sum: cost, currency },
      planVersion: version,
      corrects: search.corrects,
    }).then(
      () => {
        clear();
        onKept(
          as === OPEN_FAULT
            ? 'Left open: it stands in the work order until it is found.'
            : 'Written down: it is found again by its words, and counts the next time.',
        );
      },
      () => {
        setTrouble(
          'This browser could not keep it: its storage is full or switched off. What is typed stays here.',
        );
      },
    );
  };
  const named = who.trim() !== '';
  return (
    <form
      aria-label="What it was"
      data-testid="found"
      className="no-print mt-3 grid gap-2 border-t border-rule pt-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (named && cause !== '' && cure.trim() !== '') keep(cause);
      }}
    >
      <PanelHead title="What it was" note={cause === '' ? 'press “This was it” beside a cause' : undefined} />
      <label className="flex min-h-11 items-center gap-2 text-[14px]">
        <input
          type="checkbox"
          className="size-5"
          checked={cause === OTHER_CAUSE}
          onChange={(event) => {
            set({ cause: event.target.checked ? OTHER_CAUSE : '' });
          }}
        />
        Something that is not in the list
      </label>
      <label className="text-[14px] font-semibold">
        What was found, and what was done
        <textarea
          className="mt-1 block h-20 w-full border border-ink3 bg-field p-2 text-[16px] font-normal"
          value={cure}
          maxLength={600}
          placeholder="for example: green line half out of its plug; pushed home and sealed"
          onChange={(event) => {
            set({ cure: event.target.value });
          }}
        />
      </label>
      <div className="flex items-center gap-2 text-[14px]">
        <span className="font-semibold">What it cost, {currency}</span>
        <span className="w-28">
          <NumberCell
            label="What the cure cost"
            value={cost}
            most={MOST_MONEY}
            placeholder="not noted"
            onChange={setCost}
          />
        </span>
      </div>
      <WhoField />
      <div className="flex flex-wrap gap-2">
        <Button type="submit" kind="go" disabled={!named || cause === '' || cure.trim() === ''}>
          Write the cure down
        </Button>
        <Button
          disabled={!named}
          onClick={() => {
            keep(OPEN_FAULT);
          }}
        >
          Leave it open
        </Button>
      </div>
      {trouble !== '' && (
        <p role="alert" className="text-stop">
          {trouble}
        </p>
      )}
    </form>
  );
}
