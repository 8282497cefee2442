import { useEffect, useRef, useState } from 'react';
import { moneyText, readBuild, type BuildDocument, type TrialSays } from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { useOnTrial, type OnTrial } from '../../state/on-trial.ts';
import { usePeople } from '../../state/people.ts';
import { keepRecord } from '../../state/records.ts';
import { today } from '../../state/today.ts';
import { Button } from '../../ui/button.tsx';
import { WhoField } from '../parts/who-field.tsx';

/** What a build has on trial: kept, or taken back with a reason. */
export function TrialStrip({ build, document }: { build: string; document: BuildDocument }) {
  const trial = useOnTrial((state) => state.trials[build]);
  return trial === undefined ? null : <Strip build={build} document={document} trial={trial} />;
}

function Strip({ build, document, trial }: { build: string; document: BuildDocument; trial: OnTrial }) {
  const clear = useOnTrial((state) => state.set);
  const version = useBuild((state) => state.version);
  const edit = useBuild((state) => state.edit);
  const unpin = useBuild((state) => state.unpin);
  const { who, remember } = usePeople();
  const [reason, setReason] = useState('');
  const [trouble, setTrouble] = useState('');
  const strip = useRef<HTMLElement>(null);
  useEffect(() => {
    // Whoever has just put it on trial stands far below.
    strip.current?.scrollIntoView({ block: 'nearest' });
  }, [trial]);
  const { currency } = document.money;
  const say = (says: TrialSays): void => {
    // It may have been written by an older page.
    const was = readBuild(trial.was);
    if (says !== 'kept' && !was.ok) {
      setTrouble('The build as it was cannot be read any more: take it from its versions.');
      return;
    }
    remember(who);
    keepRecord(build, 'trial', null, {
      on: today(),
      who: who.trim(),
      what: trial.what,
      steps: [...trial.steps],
      says,
      reason: reason.trim(),
      planVersion: version,
      cost: trial.cost,
      currency,
      before: trial.before,
      after: trial.after,
      corrects: null,
    }).then(
      () => {
        if (says !== 'kept' && was.ok) edit(() => was.value, 'the trial taken back');
        void unpin();
        clear(build, undefined);
      },
      () => {
        setTrouble('This browser could not write it down: its storage is full or switched off.');
      },
    );
  };
  const nobody = who.trim() === '';
  return (
    <section
      ref={strip}
      aria-label="On trial"
      className="no-print mt-2 border-2 border-ink bg-field px-3 py-2"
      data-testid="on-trial"
    >
      <p className="text-[15px] leading-snug">
        <b className="font-semibold">On trial: {trial.what}.</b>{' '}
        {trial.cost !== null && <>All in {moneyText(trial.cost, currency)}. </>}
        <span className="text-ink2">
          The tray shows every difference to the build before. Taken back, the build is as it was then; what
          was changed since goes with it, and one undo brings it back.
        </span>
      </p>
      <div className="grid gap-x-5 gap-y-1 py-1 tablet:grid-cols-2">
        <label className="flex items-center gap-3 text-[15px]">
          Why
          <input
            value={reason}
            maxLength={400}
            placeholder="what the next one should know"
            className="h-12 w-full min-w-0 border-b-[1.5px] border-ink3 bg-field px-2 text-[16px]"
            onChange={(event) => {
              setReason(event.target.value);
            }}
          />
        </label>
        <WhoField />
      </div>
      <div className="flex flex-wrap items-center gap-2 pt-1">
        <Button
          kind="go"
          disabled={nobody}
          onClick={() => {
            say('kept');
          }}
        >
          Keep it
        </Button>
        <Button
          disabled={nobody}
          onClick={() => {
            say('undone');
          }}
        >
          Take it back
        </Button>
        <Button
          kind="quiet"
          disabled={nobody || reason.trim() === ''}
          onClick={() => {
            say('rejected');
          }}
        >
          Reject it, so that nobody tries it again
        </Button>
        <span className="text-[13px] text-ink2" role="status">
          {nobody ? 'Who says it?' : ''}
        </span>
      </div>
      {trouble !== '' && (
        <p role="alert" className="pt-1 text-stop">
          {trouble}
        </p>
      )}
    </section>
  );
}
