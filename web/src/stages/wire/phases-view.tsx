import {
  HALL_ORDERS,
  TRIAL_OUTCOMES,
  hallAdvice,
  type HallOrder,
  type HallTrial,
  type TrialOutcome,
} from '@apple-cart/core';
import { useState } from 'react';
import { FieldGroup } from '../../fields/field-group.tsx';
import { Button } from '../../ui/button.tsx';
import { Caution } from '../../ui/caution.tsx';
import { PanelHead } from '../../ui/panel.tsx';

const OUTCOME_NAMES: Readonly<Record<TrialOutcome, string>> = {
  smooth: 'runs smooth, little current',
  rough: 'runs, but rough and hungry',
  locked: 'locks, twitches or hums',
  silent: 'nothing at all',
};

/** Which sensor wire of the motor goes to which input of the controller. */
const orderWords = (order: HallOrder): string =>
  Array.from(order)
    .map((wire, i) => `sensor ${'ABC'[i] ?? ''} of the controller to ${wire} of the motor`)
    .join(', ');

export function PhasesInputs({
  trials,
  onTrials,
}: {
  trials: readonly HallTrial[];
  onTrials: (next: readonly HallTrial[]) => void;
}) {
  return (
    <>
      <FieldGroup title="Trials" note={`${String(trials.length)} of four at the most`}>
        <ol data-testid="hall-trials">
          {trials.map((t, i) => (
            <li key={i} className="border-b border-hair py-1 leading-snug">
              <b className="num font-semibold">{t.order}</b> {OUTCOME_NAMES[t.outcome]}
              {t.backwards ? ', backwards' : ''}
            </li>
          ))}
        </ol>
        {trials.length > 0 && (
          <Button
            kind="quiet"
            className="my-2"
            onClick={() => {
              onTrials([]);
            }}
          >
            Begin again
          </Button>
        )}
      </FieldGroup>
      <Caution>
        Wheel off the ground, nothing near it; current limit as low as the controller goes, and a hand on the
        switch. Battery out before wires are changed. A wrong order draws a multiple of the current and heats
        the motor: a second or two is enough to see.
      </Caution>
      <FieldGroup title="Before the first trial">
        <p className="border-b border-hair py-1.5 leading-snug">
          Turn the wheel slowly by hand and meter the three sensor wires: each goes between 0 and 5 V. If all
          three are ever alike, they stand 60 degrees apart, and a controller for 120 does not run them in any
          order.
        </p>
      </FieldGroup>
    </>
  );
}

/** Every order with what is known of it. */
function Orders({ trials, advice }: { trials: readonly HallTrial[]; advice: ReturnType<typeof hallAdvice> }) {
  return (
    <table className="mt-3 w-full border-collapse text-[13px]">
      <thead>
        <tr className="border-b-[1.5px] border-ink text-left text-[12.5px]">
          <th className="py-1 font-semibold">Order</th>
          <th className="py-1 font-semibold">What is known of it</th>
        </tr>
      </thead>
      <tbody>
        {HALL_ORDERS.map((order) => {
          const tried = trials.find((t) => t.order === order);
          const open = advice.kind === 'try' && advice.left.includes(order) ? 'may be right' : 'ruled out';
          const words = tried === undefined ? open : OUTCOME_NAMES[tried.outcome];
          return (
            <tr key={order} className="border-b border-hair">
              <th scope="row" className="num py-1 text-left font-normal">
                {order}
              </th>
              <td className="py-1">{words}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** The next order to try, or the right one, and how to reverse it. */
export function PhasesPicture({
  trials,
  onTrials,
}: {
  trials: readonly HallTrial[];
  onTrials: (next: readonly HallTrial[]) => void;
}) {
  const [backwards, setBackwards] = useState(false);
  const advice = hallAdvice(trials);
  return (
    <section aria-label="Phases and halls" data-testid="hall-guide">
      {advice.kind === 'try' && (
        <>
          <PanelHead
            title={`Try ${advice.order}`}
            note={`${String(advice.left.length)} orders are left, ${String(advice.most)} ${advice.most === 1 ? 'trial' : 'trials'} at the most`}
          />
          <p className="py-1.5 leading-snug">
            The three phases stay as they are. Join {orderWords(advice.order)}. Open the throttle a little,
            and say what it does.
          </p>
          <label className="flex min-h-8 items-center gap-2 text-[13.5px] max-bench:min-h-11">
            <input
              type="checkbox"
              className="size-4 accent-ink"
              checked={backwards}
              onChange={(event) => {
                setBackwards(event.target.checked);
              }}
            />
            it turned backwards
          </label>
          <p className="flex flex-wrap gap-2 py-2">
            {TRIAL_OUTCOMES.map((outcome) => (
              <Button
                key={outcome}
                onClick={() => {
                  onTrials([...trials, { order: advice.order, outcome, backwards, amps: null }]);
                  setBackwards(false);
                }}
              >
                {OUTCOME_NAMES[outcome]}
              </Button>
            ))}
          </p>
        </>
      )}
      {advice.kind === 'right' && (
        <>
          <PanelHead
            title={`${advice.order} is right`}
            note={`after ${String(trials.length)} ${trials.length === 1 ? 'trial' : 'trials'}`}
          />
          <p className="py-1.5 leading-snug">Keep it: {orderWords(advice.order)}.</p>
          {advice.backwards && (
            <p className="py-1.5 leading-snug" data-testid="hall-reverse">
              It runs backwards. Swap phases {advice.reverse[0]?.phases.join(' and ')}, and try these sensor
              orders until it runs smooth:{' '}
              <b className="num font-semibold">{advice.reverse.map((r) => r.order).join(', ')}</b>. Swapping
              only phases, or only sensors, never runs well.
            </p>
          )}
        </>
      )}
      {advice.kind === 'silent' && (
        <>
          <PanelHead title="Silent: that says nothing of the order" />
          <p className="py-1.5 leading-snug">
            The controller does not drive at all. Look for its own reason first: throttle at rest above its
            start, a brake line pulled, no 5 V at the sensors, a lock that is not on. Then try the same order
            again.
          </p>
          <Button
            onClick={() => {
              onTrials(trials.filter((t) => t.outcome !== 'silent'));
            }}
          >
            Try {advice.order} again
          </Button>
        </>
      )}
      {advice.kind === 'none' && (
        <>
          <PanelHead title="No order is right" />
          <p className="py-1.5 leading-snug">
            {advice.trials} orders were tried, and none runs well. A sensor line may be dead or turned, or the
            sensors stand 60 degrees apart: meter each as the wheel is turned by hand.
          </p>
        </>
      )}
      <Orders trials={trials} advice={advice} />
      <p className="pt-2 text-[12.5px] text-ink2">
        Of the 36 ways to join three phases and three sensors six run well, three each way; for phases as they
        are exactly one order of the sensors does. Derived with a simulated six-step motor.
      </p>
    </section>
  );
}
