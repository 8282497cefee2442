import { placeState, saidOf, type PlaceVerdict } from '@apple-cart/core';
import type { ReactNode } from 'react';
import { StateMark } from '../../ui/state-mark.tsx';

/** Another answer for the machine as its controller was set: it is that one which is ridden. */
export function AsSet({ set, children }: { set: PlaceVerdict | undefined; children?: ReactNode }) {
  if (set === undefined) return null;
  const { what, decides } = saidOf(set);
  const state = placeState(set.outcome);
  return (
    <div
      className="mb-2 flex items-start gap-2.5 border-y border-hair py-2 leading-snug"
      data-testid="law-as-set"
    >
      <span className="pt-0.5">
        <StateMark state={state === 'fine' ? 'look' : state} size={15} labelled={false} />
      </span>
      <span>
        <b className="font-semibold">As its controller is set: {what}</b>
        <span className="block text-[12.5px] text-ink2">
          {decides} So it was told, or shows. {children}
        </span>
      </span>
    </div>
  );
}
