import { phraseText, type LineFit } from '@apple-cart/core';
import { useSettings } from '../../state/settings-store.ts';
import { StateMark } from '../../ui/state-mark.tsx';

/** What a thing stops at before it is ordered; nothing where it stops at nothing. */
export function NotAsItStands({ stops }: { readonly stops: readonly LineFit[] }) {
  const system = useSettings((state) => state.units);
  return stops.map(({ id, title, why }) => (
    <span key={id} className="flex items-start gap-1.5 pt-0.5 text-[12px] leading-snug">
      <StateMark state="stop" size={12} labelled={false} />
      <span>
        <b className="font-semibold">Not as it stands:</b> {title}. {phraseText(why, system)}
      </span>
    </span>
  ));
}
