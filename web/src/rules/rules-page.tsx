import { Plus } from 'lucide-react';
import { useMemo, useState } from 'react';
import { BrokenNotes } from '../frame/broken-notes.tsx';
import { ListPage, PutAwayNotice } from '../frame/list-page.tsx';
import { SendingNotes } from '../frame/sending-notes.tsx';
import { api } from '../state/api.ts';
import type { ListedRules } from '@apple-cart/contracts';
import { bringRulesBack, takeRulesOut, useRules } from '../state/rules.ts';
import { rulesSender } from '../state/rules-sender.ts';
import { useAttempt } from '../state/use-attempt.ts';
import { usePutAway } from '../state/use-put-away.ts';
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
  const [trouble, attempt] = useAttempt();
  const put = usePutAway<ListedRules>(attempt, {
    putAway: ({ document: rules }) => takeRulesOut(rules.id),
    bringBack: ({ document: rules }) => bringRulesBack(rules.id),
  });
  const found = useMemo(() => {
    const words = search.trim().toLowerCase();
    return listed.filter(({ document: rules }) =>
      `${rules.name} ${rules.region}`.toLowerCase().includes(words),
    );
  }, [listed, search]);
  return (
    <ListPage
      title="Rule book"
      words="The rules that builds are judged by. Correct one that you have read, add a place, share the file."
      actions={
        <>
          <ImportRules />
          <Button
            kind="go"
            onClick={() => {
              setAdding(true);
            }}
          >
            <Plus size={15} strokeWidth={1.8} aria-hidden /> Add a place
          </Button>
        </>
      }
    >
      {(error ?? trouble) !== undefined && (
        <Notice kind="trouble" action={{ words: 'Try again', act: () => void load() }}>
          {error ?? trouble}
        </Notice>
      )}
      <SendingNotes sender={rulesSender} word="place’s rules" />
      <BrokenNotes
        word="file of rules"
        api={api.rules}
        broken={broken}
        onPutAway={(id) => void attempt(() => takeRulesOut(id))}
      />
      <PutAwayNotice
        of={put}
        words={({ origin, document: { name } }) =>
          origin === 'own' ? `${name} was taken out.` : `${name} is as shipped again.`
        }
      />
      <section className="border-2 border-ink bg-sheet px-4 pt-3 pb-4 max-tablet:px-2" aria-label="Places">
        <div className="flex pb-2">
          <SearchBox label="Search places" value={search} onChange={setSearch} />
        </div>
        <RulesTable
          shown={found}
          all={listed}
          onRemove={(one) => {
            void put.putAway(one);
          }}
        />
        {found.length === 0 && <p className="py-6 text-center text-ink2">No place like that.</p>}
        <div className="pt-3">
          <Caution>
            <b>A planning aid, not legal advice.</b> The shipped rules were written from memory and say how
            sure each limit is. A rule that you have read yourself is better: correct it here and note where
            it stands.
          </Caution>
        </div>
      </section>
      {adding && (
        <NewPlace
          onClose={() => {
            setAdding(false);
          }}
        />
      )}
    </ListPage>
  );
}
