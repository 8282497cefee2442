import { useState } from 'react';
import { moneyText, type BuildDocument, type Stood, type TrialKept } from '@apple-cart/core';
import { FieldGroup } from '../../fields/field-group.tsx';
import { useBuild } from '../../state/build-store.ts';
import { usePeople } from '../../state/people.ts';
import { keepRecord } from '../../state/records.ts';
import { today } from '../../state/today.ts';
import { useChange } from '../../state/use-quantity.ts';
import { Button } from '../../ui/button.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { WhoField } from '../parts/who-field.tsx';

/** Writes down what was tried by hand or only thought of, and why it was not kept. */
export function RejectedInputs({ build, document }: { build: string; document: BuildDocument }) {
  const version = useBuild((state) => state.version);
  const { who, remember } = usePeople();
  const [what, setWhat] = useState('');
  const [reason, setReason] = useState('');
  const [trouble, setTrouble] = useState('');
  const ready = what.trim() !== '' && reason.trim() !== '' && who.trim() !== '';
  const keep = (): void => {
    remember(who);
    keepRecord(build, 'trial', null, {
      on: today(),
      who: who.trim(),
      what: what.trim(),
      steps: [],
      says: 'rejected',
      reason: reason.trim(),
      planVersion: version,
      cost: null,
      currency: document.money.currency,
      before: null,
      after: null,
      corrects: null,
    }).then(
      () => {
        setWhat('');
        setReason('');
        setTrouble('');
      },
      () => {
        setTrouble(
          'This browser could not keep it: its storage is full or switched off. What is typed stays here.',
        );
      },
    );
  };
  const area = 'mt-1 block h-20 w-full border border-ink3 bg-field p-2 text-[16px] font-normal';
  return (
    <FieldGroup title="Tried, and not kept">
      <form
        className="grid gap-2 pt-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (ready) keep();
        }}
      >
        <label className="text-[14px] font-semibold">
          What was tried
          <textarea
            className={area}
            value={what}
            maxLength={300}
            placeholder="for example: pack in a bag under the saddle"
            onChange={(event) => {
              setWhat(event.target.value);
            }}
          />
        </label>
        <label className="text-[14px] font-semibold">
          Why it was not kept
          <textarea
            className={area}
            value={reason}
            maxLength={400}
            placeholder="for example: swings, and rubs the tyre when laden"
            onChange={(event) => {
              setReason(event.target.value);
            }}
          />
        </label>
        <WhoField />
        <Button type="submit" disabled={!ready} className="h-11!">
          Write it down
        </Button>
        {trouble !== '' && (
          <p role="alert" className="text-stop">
            {trouble}
          </p>
        )}
      </form>
    </FieldGroup>
  );
}

const SAYS = { kept: 'Kept', undone: 'Taken back', rejected: 'Rejected' } as const;
const STATES = { kept: 'fine', undone: 'look', rejected: 'stop' } as const;

/** What a trial gained, in the figures that moved. */
function Moved({ before, after }: { before: Stood | null; after: Stood | null }) {
  const change = useChange();
  if (before === null || after === null) return null;
  const rows = (
    [
      ['hill', 'hillKmh', 'km/h', 1],
      ['top', 'topKmh', 'km/h', 1],
      ['range, near end', 'rangeLowKm', 'km', 0],
      ['heat', 'hottestC', 'C', 0],
      ['mass', 'massKg', 'kg', 1],
    ] as const
  ).flatMap(([name, key, unit, digits]) => {
    const [a, b] = [before[key], after[key]];
    const moved = a === null || b === null ? undefined : change(b - a, unit, digits);
    return moved === undefined ? [] : [`${name} ${moved.text} ${moved.unit}`];
  });
  const classes =
    before.className === after.className ? [] : [`${before.className} becomes ${after.className}`];
  return (
    <span className="block text-[13px] text-ink2">{[...rows, ...classes].join('; ') || 'moved nothing'}</span>
  );
}

/** Every trial of the build, the last first. */
function Trials({ trials }: { trials: readonly TrialKept[] }) {
  if (trials.length === 0)
    return (
      <p className="py-2 text-[15px] leading-snug text-ink2">
        Nothing was tried yet. What is put on trial in “What would it gain?” is written down here when it is
        kept or taken back.
      </p>
    );
  return (
    <ul data-testid="trials">
      {trials.map(({ key, trial }) => (
        <li key={key} className="flex gap-2.5 border-b border-hair py-2 text-[14.5px] leading-snug">
          <span className="pt-0.5">
            <StateMark state={STATES[trial.says]} size={15} />
          </span>
          <span className="min-w-0 flex-1">
            <b className="font-semibold">{trial.what}.</b> {SAYS[trial.says]}
            {trial.reason !== '' && `: ${trial.reason}`}
            <Moved before={trial.before} after={trial.after} />
            <span className="block text-[12.5px] text-ink2">
              {trial.on}, {trial.who}
              {trial.cost !== null && `; ${moneyText(trial.cost, trial.currency)} all in`}
            </span>
          </span>
        </li>
      ))}
    </ul>
  );
}

export function TrialsPicture({ trials }: { trials: readonly TrialKept[] }) {
  return (
    <section aria-label="Trials">
      <PanelHead title="What was tried" note="the last first; nothing here is ever changed" />
      <Trials trials={trials} />
    </section>
  );
}
