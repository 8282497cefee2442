import { Plus } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { describeIssue } from '@apple-cart/core';
import { PageBar } from '../frame/page-bar.tsx';
import type { ListedRules } from '@apple-cart/contracts';
import { bringRulesBack, takeRulesOut, useRules } from '../state/rules.ts';
import { useAttempt } from '../state/use-attempt.ts';
import { Button } from '../ui/button.tsx';
import { Caution } from '../ui/caution.tsx';
import { SearchBox } from '../ui/search-box.tsx';
import { Notice } from '../ui/notice.tsx';
import { ImportRules } from './import-rules.tsx';
import { NewPlace } from './new-place.tsx';
import { RulesTable } from './rules-table.tsx';

/** The rule book: every place, how sure its rules are, and whose they are; add, correct, share. */
export function RulesPage() {
  const { listed, broken, error, load } = useRules();
  const [search, setSearch] = useState('');
  const [adding, setAdding] = useState(false);
  const [away, setAway] = useState<ListedRules>();
  const [trouble, attempt] = useAttempt();
  useEffect(() => {
    document.title = 'Rule book, Apple Cart';
  }, [load]);
  const found = useMemo(() => {
    const words = search.trim().toLowerCase();
    return listed.filter(({ document: rules }) =>
      `${rules.name} ${rules.region}`.toLowerCase().includes(words),
    );
  }, [listed, search]);
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)] grid-rows-[44px_minmax(0,1fr)]">
      <PageBar />
      <main className="overflow-y-auto">
        <div className="mx-auto max-w-[1280px] px-8 pt-3 pb-8 max-tablet:px-3">
          <div className="flex flex-wrap items-end gap-x-4 gap-y-2 pb-3">
            <div className="min-w-0">
              <h1 className="head text-[36px] font-extrabold tracking-[-.015em]">Rule book</h1>
              <p className="text-[15px] text-ink2">
                The rules that builds are judged by. Correct one that you have read, add a place, share the
                file.
              </p>
            </div>
            <div className="ml-auto flex flex-wrap items-center gap-3">
              <ImportRules />
              <Button
                kind="go"
                onClick={() => {
                  setAdding(true);
                }}
              >
                <Plus size={15} strokeWidth={1.8} aria-hidden /> Add a place
              </Button>
            </div>
          </div>
          {(error ?? trouble) !== undefined && <Notice kind="trouble">{error ?? trouble}</Notice>}
          {broken.map(({ id, issues }) => (
            <Notice
              key={id}
              kind="trouble"
              action={{ words: 'Take them out', act: () => void attempt(() => takeRulesOut(id)) }}
            >
              <b>The stored rules of “{id}” cannot be used</b>, so what ships is in force.{' '}
              {issues.slice(0, 3).map(describeIssue).join(' ')}
            </Notice>
          ))}
          {away !== undefined && (
            <Notice
              kind="done"
              action={{
                words: 'Bring it back',
                act: () =>
                  void attempt(async () => {
                    await bringRulesBack(away.document.id);
                    setAway(undefined);
                  }),
              }}
            >
              {away.origin === 'own'
                ? `${away.document.name} was taken out.`
                : `${away.document.name} is as shipped again.`}
            </Notice>
          )}
          <section
            className="border-2 border-ink bg-sheet px-4 pt-3 pb-4 max-tablet:px-2"
            aria-label="Places"
          >
            <div className="flex pb-2">
              <SearchBox label="Search places" value={search} onChange={setSearch} />
            </div>
            <RulesTable
              shown={found}
              all={listed}
              onRemove={(one) => {
                void attempt(async () => {
                  await takeRulesOut(one.document.id);
                  setAway(one);
                });
              }}
            />
            {found.length === 0 && <p className="py-6 text-center text-ink2">No place like that.</p>}
            <div className="pt-3">
              <Caution>
                <b>A planning aid, not legal advice.</b> The shipped rules were written from memory and say
                how sure each limit is. A rule that you have read yourself is better: correct it here and note
                where it stands.
              </Caution>
            </div>
          </section>
        </div>
      </main>
      {adding && (
        <NewPlace
          onClose={() => {
            setAdding(false);
          }}
        />
      )}
    </div>
  );
}
