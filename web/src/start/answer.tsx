import { saidOf } from '@apple-cart/core';
import { Link, useParams } from 'react-router';
import { PLACE_WORD } from '../stages/law/law-words.ts';
import { useStage } from '../stages/parts/use-stage.ts';
import { figureText } from '../state/figure-text.ts';
import { useSettings } from '../state/settings-store.ts';
import { PanelHead } from '../ui/panel.tsx';
import { StateMark } from '../ui/state-mark.tsx';
import { Caution } from '../ui/caution.tsx';

const TOLD = [
  { id: 'hill', name: 'On the hill', stage: 'hill' },
  { id: 'range', name: 'Range', stage: 'range' },
  { id: 'top-speed', name: 'Top speed', stage: 'hill' },
] as const;

/** What the build is as it stands: class in a sentence, hill, range, and where to go on. */
export function Answer() {
  const { verdict } = useStage();
  const { id } = useParams();
  const units = useSettings((state) => state.units);
  const { here } = verdict.law;
  const said = saidOf(here);
  const law = verdict.figures.find((f) => f.id === 'class');
  return (
    <section aria-label="As it stands" className="keep-together pt-1" data-testid="answer">
      <PanelHead
        title="As it stands"
        note={`${PLACE_WORD[here.outcome].toLowerCase()}, ${here.place.name}`}
      />
      <div className="flex items-start gap-2.5 border-t-[1.5px] border-b border-t-ink border-b-hair py-2">
        <span className="pt-0.5">{law !== undefined && <StateMark state={law.state} size={17} />}</span>
        <p className="leading-snug">
          <b>{said.what}</b> {said.decides} <span className="text-ink2">{said.todo}</span>{' '}
          <Link
            to={`/builds/${id ?? ''}/law`}
            className="no-print whitespace-nowrap text-slate underline max-bench:py-3.5"
          >
            Law, clause by clause
          </Link>
        </p>
      </div>
      <ul>
        {TOLD.map(({ id: figure, name, stage }) => {
          const found = verdict.figures.find((f) => f.id === figure);
          if (found === undefined) return null;
          const { value, unit, condition } = figureText(found, units);
          return (
            <li
              key={figure}
              className="grid grid-cols-[20px_120px_minmax(0,1fr)_auto] items-baseline gap-x-2.5 border-b border-hair py-1.5"
            >
              <StateMark state={found.state} size={15} />
              <span>{name}</span>
              <span>
                <b className="figure-number text-[18px]">{value}</b>{' '}
                <span className="text-[13px]">{unit}</span>{' '}
                <span className="text-[13px] text-ink2">{condition}</span>
              </span>
              <Link
                to={`/builds/${id ?? ''}/${stage}`}
                className="no-print text-[13px] text-slate underline max-bench:min-w-11 max-bench:py-3.5"
              >
                Why
              </Link>
            </li>
          );
        })}
      </ul>
      <Caution>A planning aid, not legal advice: the police and the vehicle authority decide.</Caution>
    </section>
  );
}
