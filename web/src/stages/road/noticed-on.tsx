import { SYMPTOM_WORDS, type RideRecord } from '@apple-cart/core';
import { Link } from 'react-router';
import { beginFault } from '../../state/bench-notes.ts';
import { StateMark } from '../../ui/state-mark.tsx';

/** What the machine did on a ride that it should not, each a way into the search for its cause. */
export function NoticedOn({ build, ride }: { build: string; ride: RideRecord }) {
  const told = [`On the ride of ${ride.on}`, ride.title, ride.note].filter((w) => w !== '').join(', ');
  return (
    <ul aria-label="Noticed on this ride" data-testid="noticed" className="border-t border-hair">
      {ride.noticed.map((id) => (
        <li key={id} className="flex items-center gap-2 border-b border-hair py-1.5 text-[14px]">
          <StateMark state="look" size={15} />
          <span className="flex-1 leading-snug">
            <b className="font-semibold">{SYMPTOM_WORDS[id].name}</b>{' '}
            <span className="text-ink2">
              {SYMPTOM_WORDS[id].first === '' ? SYMPTOM_WORDS[id].means : SYMPTOM_WORDS[id].first}
            </span>
          </span>
          <Link
            to="?view=faults"
            className="text-slate underline max-bench:py-3"
            onClick={() => {
              beginFault(build, id, told.slice(0, 400));
            }}
          >
            Look for its cause
          </Link>
        </li>
      ))}
    </ul>
  );
}
