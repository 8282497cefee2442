import { phraseText, type Finding } from '@apple-cart/core';
import { Link } from 'react-router';
import { SCREENS } from '../../screens/registry.ts';
import { useSettings } from '../../state/settings-store.ts';
import { StateMark } from '../../ui/state-mark.tsx';

/** What the plan itself stops at, each with the stage that mends it; nothing where it stops at nothing. */
export function PlanStops({ stops, words }: { readonly stops: readonly Finding[]; readonly words: string }) {
  const system = useSettings((state) => state.units);
  if (stops.length === 0) return null;
  return (
    <section aria-label="What the plan stops at" className="border-2 border-stop px-3 py-2">
      <h3 className="head text-[14px]">
        The plan itself stops at {stops.length === 1 ? 'one thing' : `${String(stops.length)} things`}
      </h3>
      <p className="text-[13.5px] leading-snug">{words}</p>
      <ul>
        {stops.map((stop) => (
          <li
            key={stop.code + stop.path}
            className="flex items-start gap-2 border-t border-hair py-1.5 text-[13.5px] leading-snug"
          >
            <span className="pt-0.5">
              <StateMark state="stop" size={14} />
            </span>
            <span>
              <b className="font-semibold">{stop.title}.</b> {phraseText(stop.detail, system)}{' '}
              <Link className="text-slate underline" to={`../${stop.stage}`} relative="path">
                {SCREENS[stop.stage].name}
              </Link>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
