import {
  HALL_ORDERS,
  TRIAL_OUTCOMES,
  hallAdvice,
  type HallOrder,
  type HallTrial,
  type TrialOutcome,
} from '@apple-cart/core';
import { useState } from 'react';
import { ChoiceField } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import type { NO_NOTES } from '../../state/bench-notes.ts';
import { Button } from '../../ui/button.tsx';
import { Caution } from '../../ui/caution.tsx';
import { NumberCell } from '../../ui/number-cell.tsx';
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

type Notes = typeof NO_NOTES;
interface Guide {
  readonly notes: Notes;
  readonly note: (next: Partial<Notes>) => void;
}

const ALIKE_OPTIONS = [
  { value: 'unknown', label: 'not looked' },
  { value: 'no', label: 'never all alike' },
  { value: 'yes', label: 'all alike somewhere' },
] as const;

export function PhasesInputs({ notes: { trials, alike }, note }: Guide) {
  return (
    <>
      <FieldGroup title="Trials" note={`${String(trials.length)} of four at the most`}>
        <ol data-testid="hall-trials">
          {trials.map((t, i) => (
            <li key={i} className="border-b border-hair py-1 leading-snug">
              <b className="num font-semibold">{t.order}</b> {OUTCOME_NAMES[t.outcome]}
              {t.backwards ? ', backwards' : ''}
              {t.amps === null ? '' : `, ${String(t.amps)} A`}
            </li>
          ))}
        </ol>
        {trials.length > 0 && (
          <Button
            kind="quiet"
            className="my-2"
            onClick={() => {
              note({ trials: [] });
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
        <ChoiceField
          label="Sensors over one turn"
          value={alike}
          unknown={alike === 'unknown'}
          options={ALIKE_OPTIONS}
          onChange={(next) => {
            note({ alike: next });
          }}
        />
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
export function PhasesPicture({ notes: { trials, alike }, note }: Guide) {
  const onTrials = (next: readonly HallTrial[]): void => {
    note({ trials: next });
  };
  const [amps, setAmps] = useState<number | null>(null);
  const [backwards, setBackwards] = useState(false);
  const advice = hallAdvice(trials, alike === 'yes');
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
          <div className="grid max-w-[300px] grid-cols-[minmax(0,1fr)_80px] items-center py-1 text-[13.5px]">
            <span>
              Battery amps, if a meter was on <span className="text-[12.5px] text-ink3">A</span>
            </span>
            <NumberCell label="Battery amps of the trial" value={amps} most={200} onChange={setAmps} />
          </div>
          <p className="flex flex-wrap gap-2 py-2">
            {TRIAL_OUTCOMES.map((outcome) => (
              <Button
                key={outcome}
                onClick={() => {
                  onTrials([...trials, { order: advice.order, outcome, backwards, amps }]);
                  setBackwards(false);
                  setAmps(null);
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
      {advice.kind === 'sixty' && (
        <>
          <PanelHead title="Sensors 60 degrees apart" note="seen all alike at some angle" />
          <p className="py-1.5 leading-snug" data-testid="hall-sixty">
            On a controller for 120 degrees none of the 36 joins runs well. Set the controller to 60 degrees
            where it knows that; else one line has to be turned round (an inverter in the line of the sensor
            that stands in the middle): three at 60 with the middle one inverted are three at 120 with two of
            them swapped. Then answer “never all alike” and go on with the trials.
          </p>
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
