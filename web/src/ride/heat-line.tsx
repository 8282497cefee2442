import { formatNumber, type Ride, type State } from '@apple-cart/core';
import { useQuantity } from '../state/use-quantity.ts';
import { StateMark } from '../ui/state-mark.tsx';

const minutes = (seconds: number): string => `${formatNumber(seconds / 60, 1)} min`;

function borne({ damageAfter, rollbackAfter, foldAfter }: Ride): {
  readonly state: State;
  readonly words: string;
} {
  if (damageAfter !== undefined)
    return { state: 'stop', words: `The winding suffers after ${minutes(damageAfter)}.` };
  if (rollbackAfter !== undefined)
    return { state: 'look', words: `The controller holds back after ${minutes(rollbackAfter)}.` };
  if (foldAfter !== undefined)
    return {
      state: 'look',
      words: `The controller holds back by its own heat after ${minutes(foldAfter)}.`,
    };
  return { state: 'fine', words: 'The motor is never too hot on the way.' };
}

/** Whether the motor bears a ride, in one line. */
export function HeatLine({ ride, damageC }: { ride: Ride; damageC: number }) {
  const shown = useQuantity();
  const [hot, limit] = [shown(ride.hottestC, 'C', 0), shown(damageC, 'C', 0)];
  const { state, words } = borne(ride);
  return (
    <p className="flex items-start gap-2 pt-1 text-[13.5px] leading-snug" data-testid="ride-heat">
      <span className="pt-0.5">
        <StateMark state={state} size={14} />
      </span>
      <span>
        <b>{words}</b>{' '}
        <span className="text-ink2">
          Hottest {hot.text} {hot.unit}; it suffers from {limit.text} {limit.unit}.
        </span>
      </span>
    </p>
  );
}
