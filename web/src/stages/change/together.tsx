import { useState } from 'react';
import { useNavigate } from 'react-router';
import { clipped, phraseText, type Changed, type StepGain, type StepGains } from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { createBuild } from '../../state/builds.ts';
import { useOnTrial } from '../../state/on-trial.ts';
import { useSettings } from '../../state/settings-store.ts';
import { problemWords } from '../../state/use-attempt.ts';
import { useChange } from '../../state/use-quantity.ts';
import { Button } from '../../ui/button.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { AIM_LOOKS } from './aims.ts';
import { StepSums } from './step-row.tsx';
import { stoodOf } from './stood.ts';
import type { Gaining } from './use-gains.ts';

/** The ticked steps as one build, and what is done with it. */
export function Together({
  gaining,
  joint,
  now,
  steps,
}: {
  gaining: Gaining;
  joint: Changed;
  now: StepGains['now'];
  steps: readonly StepGain[];
}) {
  const { aim, ids, document } = gaining;
  const edit = useBuild((state) => state.edit);
  const pin = useBuild((state) => state.pin);
  const build = useBuild((state) => state.id) ?? '';
  const onTrial = useOnTrial((state) => state.trials[build]);
  const put = useOnTrial((state) => state.set);
  const navigate = useNavigate();
  const change = useChange();
  const [trouble, setTrouble] = useState('');
  const system = useSettings((state) => state.units);
  const taken = steps.filter((s) => ids.includes(s.id));
  const words = taken.map((s) => phraseText(s.what, system)).join('; ');
  const added = taken.reduce((sum, s) => sum + (s.gains[aim] ?? 0), 0);
  const alone = change(added, AIM_LOOKS[aim].unit, 1)?.text ?? '0';
  const { currency } = document.money;
  const cost = joint.allIn.noIdea.length > 0 ? null : joint.allIn.cost;
  const tryThem = (): void => {
    // The build before stays as a pin, so that the tray shows every difference.
    void pin().then(() => {
      edit(() => joint.build, `trial: ${clipped(words, 60)}`);
      put(build, {
        what: clipped(words, 290),
        steps: ids,
        cost,
        before: stoodOf(now),
        after: stoodOf(joint.is),
        was: document,
      });
      gaining.onIds([]);
    });
  };
  const copy = (): void => {
    const name = `${clipped(document.name, 50)}, ${clipped(words, 26)}`;
    createBuild({ ...joint.build, name, sample: false }).then(
      ({ id }) => {
        void navigate(`/builds/${id}/buy`);
      },
      (problem: unknown) => {
        setTrouble(problemWords(problem, 'The copy could not be made.'));
      },
    );
  };
  return (
    <section
      aria-label="The ticked steps together"
      data-testid="together"
      className="mt-2 border-t-2 border-b-[5px] border-double border-ink py-2"
    >
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <p className="flex-1 font-semibold">
          {taken.length === 1
            ? 'The one step, with what goes with it'
            : `${String(taken.length)} steps together`}
        </p>
        <StepSums of={joint} currency={currency} />
        <div className="no-print flex flex-wrap gap-2">
          <Button kind="go" className="h-11!" disabled={onTrial !== undefined} onClick={tryThem}>
            Try {taken.length === 1 ? 'it' : 'them'}
          </Button>
          <Button className="h-11!" onClick={copy}>
            Make a copy
          </Button>
          {onTrial !== undefined && (
            <p className="w-full text-[13px] text-ink2">First keep what is on trial, or take it back.</p>
          )}
        </div>
      </div>
      <p className="text-[13px] leading-snug text-ink2">
        {taken.length > 1 && `as one build; added up they would be ${alone}. `}
        {joint.also.length > 0 && `Also: ${joint.also.join('; ')}. `}
        {joint.allIn.more.length > 0 && `To buy: ${joint.allIn.more.join('; ')}. `}
        {joint.allIn.leftOver.length > 0 && `Left over: ${joint.allIn.leftOver.join('; ')}. `}
        {joint.allIn.noIdea.length > 0 && `Without a known price: ${joint.allIn.noIdea.join('; ')}. `}
        {joint.opens.length > 0 && `Then to be found out: ${joint.opens.join('; ')}.`}
      </p>
      {[...joint.left, ...joint.newStops].length > 0 && (
        <p className="text-[13px] leading-snug text-stop">
          In the way: {[...joint.left, ...joint.newStops].join(', ')}.
        </p>
      )}
      {joint.classRisk !== 'stays' && (
        <p className="flex items-center gap-1.5 text-[14px]">
          <StateMark state={joint.is.classState} size={15} /> {joint.is.className}, it was {now.className}
        </p>
      )}
      {trouble !== '' && (
        <p role="alert" className="text-stop">
          {trouble}
        </p>
      )}
    </section>
  );
}
