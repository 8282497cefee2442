import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import { NotFound } from '../paper/not-found.tsx';
import { PageBar } from '../frame/page-bar.tsx';
import { useRules } from '../state/rules.ts';
import { Caution } from '../ui/caution.tsx';
import { RulesEditor } from './rules-editor.tsx';

const ORIGIN = {
  shipped: 'As shipped. What you change becomes your own correction; the shipped rules can always come back.',
  corrected: 'Corrected by you.',
  own: 'A place of your own.',
} as const;

/** The rules of one place, to read, correct and share. */
export function RulesFilePage() {
  const { id } = useParams();
  const listed = useRules().listed.find((l) => l.id === id);
  const name = listed?.document.name;
  useEffect(() => {
    document.title = `${name ?? 'Rules'}, Apple Cart`;
  }, [name]);
  if (listed === undefined)
    return <NotFound what="place" detail="The rule book has no rules under this address." />;
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)] grid-rows-[46px_minmax(0,1fr)]">
      <PageBar />
      <main className="relative overflow-y-auto">
        <div className="mx-auto max-w-[1120px] px-8 pt-3 pb-8 max-tablet:px-3">
          <Link to="/rules" className="text-[13px] text-slate underline max-bench:py-3.5">
            Rule book
          </Link>
          <h1 className="head text-[32px] leading-tight font-extrabold tracking-[-.015em]">
            {listed.document.name}
          </h1>
          <p className="pb-2 text-[14px] text-ink2">{ORIGIN[listed.origin]}</p>
          <RulesEditor key={listed.id} listed={listed} />
          <Caution>
            <b>A planning aid, not legal advice.</b> Note for every limit where it stands, its year and how
            sure you are: the law stage shows them with every verdict.
          </Caution>
        </div>
      </main>
    </div>
  );
}
