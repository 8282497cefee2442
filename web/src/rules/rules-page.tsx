import { Plus, Search } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { describeIssue, readRulesText, type Certainty, type PlaceRules } from '@apple-cart/core';
import { ChoiceField } from '../fields/choice-field.tsx';
import { TextField } from '../fields/text-field.tsx';
import { PageBar } from '../frame/page-bar.tsx';
import { ApiError, type ListedRules } from '../state/api.ts';
import { downloadText } from '../state/download.ts';
import { useRules } from '../state/rules.ts';
import { Button } from '../ui/button.tsx';
import { Caution } from '../ui/caution.tsx';
import { Dialog } from '../ui/dialog.tsx';
import { TextButton } from '../ui/text-button.tsx';
import { CertaintyMark } from '../stages/law/certainty-mark.tsx';
import { freshPlaceId, rulesFrom } from './new-rules.ts';

const ORIGIN: Readonly<Record<ListedRules['origin'], string>> = {
  shipped: 'as shipped',
  corrected: 'corrected by you',
  own: 'your own',
};

export const rulesFile = (rules: PlaceRules): void => {
  downloadText(`${rules.id}.rules.json`, `${JSON.stringify(rules, null, 2)}\n`, 'application/json');
};

/** The least sure of a place's limits. */
function leastSure(rules: PlaceRules): Certainty {
  const all = rules.tests.flatMap((t) => t.categories.flatMap((c) => c.clauses.map((l) => l.certainty)));
  return all.includes('low') ? 'low' : all.includes('medium') ? 'medium' : 'high';
}

function NewPlace({ onClose }: { onClose: () => void }) {
  const { listed, save } = useRules();
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const [from, setFrom] = useState('eu');
  const [error, setError] = useState<string>();
  const create = async (): Promise<void> => {
    const base = listed.find((l) => l.rules.id === from);
    if (base === undefined || name.trim() === '') {
      setError('Give the place a name.');
      return;
    }
    const id = freshPlaceId(
      name,
      listed.map((l) => l.rules.id),
    );
    try {
      // Begun from a place that names others, it names them too.
      await save(rulesFrom(base.rules, id, name.trim(), new Date().getFullYear()), 0);
      void navigate(`/rules/${id}`);
    } catch (problem) {
      setError(
        problem instanceof ApiError && problem.issues.length > 0
          ? problem.issues.map(describeIssue).join(' ')
          : problem instanceof Error
            ? problem.message
            : 'It could not be added.',
      );
    }
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title="Add a place"
      description="It begins as a copy of another place’s rules; every limit of it can then be changed, with its source, year and certainty."
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void create();
        }}
      >
        <TextField
          label="Name"
          value={name}
          max={80}
          placeholder="for example: our park’s own rules"
          onChange={setName}
        />
        <ChoiceField
          label="Begin from"
          value={from}
          options={listed.map((l) => ({ value: l.rules.id, label: l.rules.name, group: l.rules.region }))}
          onChange={setFrom}
        />
        {error !== undefined && (
          <p role="alert" className="pt-3 text-stop">
            {error}
          </p>
        )}
        <div className="flex justify-end pt-4">
          <Button kind="go" type="submit">
            Add it
          </Button>
        </div>
      </form>
    </Dialog>
  );
}

/** Larger than any file of rules. */
const LARGEST = 240 * 1024;

function ImportRules() {
  const input = useRef<HTMLInputElement>(null);
  const { listed, save } = useRules();
  const [failed, setFailed] = useState<{ readonly file: string; readonly lines: readonly string[] }>();
  const [done, setDone] = useState<PlaceRules>();
  const bringIn = async (file: File): Promise<void> => {
    const fail = (...lines: readonly string[]): void => {
      setFailed({ file: file.name, lines });
    };
    if (file.size > LARGEST) {
      fail(`The file has more than ${String(LARGEST / 1024)} kB.`);
      return;
    }
    const read = readRulesText(await file.text());
    if (!read.ok) {
      fail(...read.issues.map(describeIssue));
      return;
    }
    try {
      const now = listed.find((l) => l.rules.id === read.value.id);
      await save(read.value, now?.version ?? 0);
      setDone(read.value);
    } catch (problem) {
      fail(problem instanceof Error ? problem.message : 'It could not be stored.');
    }
  };
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        className="hidden"
        data-testid="import-rules"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file !== undefined) void bringIn(file);
        }}
      />
      <Button onClick={() => input.current?.click()}>Bring in a file</Button>
      {failed !== undefined && (
        <Dialog
          open
          onClose={() => {
            setFailed(undefined);
          }}
          title="The file cannot be used"
          description={`${failed.file}: nothing was changed, and the rules that were in force stay in force.`}
        >
          <ul data-testid="import-rules-issues" className="list-disc pl-5">
            {failed.lines.slice(0, 30).map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </Dialog>
      )}
      {done !== undefined && (
        <Dialog
          open
          onClose={() => {
            setDone(undefined);
          }}
          title="Brought in"
          description={`The rules of ${done.name} are in force as the file has them.`}
        >
          <Link to={`/rules/${done.id}`} className="text-slate underline">
            Look at them
          </Link>
        </Dialog>
      )}
    </>
  );
}

/** The rule book: every place, how sure its rules are, and whose they are; add, correct, share. */
export function RulesPage() {
  const { listed, broken, error, load, remove, restore } = useRules();
  const [search, setSearch] = useState('');
  const [adding, setAdding] = useState(false);
  const [away, setAway] = useState<ListedRules>();
  const [trouble, setTrouble] = useState<string>();
  useEffect(() => {
    document.title = 'Rule book, Apple Cart';
    void load();
  }, [load]);
  const found = useMemo(() => {
    const words = search.trim().toLowerCase();
    return listed.filter(({ rules }) => `${rules.name} ${rules.region}`.toLowerCase().includes(words));
  }, [listed, search]);
  const attempt = async (work: () => Promise<void>): Promise<void> => {
    try {
      setTrouble(undefined);
      await work();
    } catch (problem) {
      setTrouble(problem instanceof Error ? problem.message : 'It could not be done.');
    }
  };
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
          {(error ?? trouble) !== undefined && (
            <p role="alert" className="mb-3 border-[1.5px] border-stop bg-stop-tint px-4 py-2">
              {error ?? trouble}
            </p>
          )}
          {broken.map(({ id, issues }) => (
            <p key={id} role="alert" className="mb-3 border-[1.5px] border-stop bg-stop-tint px-4 py-2">
              <b>The stored rules of “{id}” cannot be used</b>, so what ships is in force.{' '}
              {issues.slice(0, 3).map(describeIssue).join(' ')}{' '}
              <TextButton
                onClick={() => {
                  void attempt(() => remove(id));
                }}
              >
                Take them out
              </TextButton>
            </p>
          ))}
          {away !== undefined && (
            <p
              role="status"
              className="mb-3 flex items-center gap-4 border-[1.5px] border-ink bg-sheet px-4 py-2"
            >
              <span className="flex-1">
                {away.origin === 'own'
                  ? `${away.rules.name} was taken out.`
                  : `${away.rules.name} is as shipped again.`}
              </span>
              <Button
                onClick={() => {
                  void attempt(async () => {
                    await restore(away.rules.id);
                    setAway(undefined);
                  });
                }}
              >
                Bring it back
              </Button>
            </p>
          )}
          <section
            className="border-2 border-ink bg-sheet px-4 pt-3 pb-4 max-tablet:px-2"
            aria-label="Places"
          >
            <label className="mb-2 flex h-8 items-center gap-2 border-b border-ink3 bg-field px-2 max-bench:h-11">
              <Search size={15} strokeWidth={1.6} aria-hidden />
              <input
                type="search"
                className="w-full bg-transparent outline-none"
                placeholder="Search places"
                aria-label="Search places"
                value={search}
                onChange={(event) => {
                  setSearch(event.target.value);
                }}
              />
            </label>
            <table className="w-full border-collapse text-[14px]">
              <thead>
                <tr className="border-b-[1.5px] border-ink text-left text-[12.5px]">
                  <th className="py-1.5 font-semibold">Place</th>
                  <th className="py-1.5 font-semibold max-tablet:hidden">Classes</th>
                  <th className="py-1.5 font-semibold max-tablet:hidden">Read</th>
                  <th className="py-1.5 font-semibold max-tablet:hidden">Least sure limit</th>
                  <th className="py-1.5 font-semibold">Whose</th>
                  <th />
                </tr>
              </thead>
              <tbody>
                {found.map((one) => {
                  const { rules, origin } = one;
                  const classes = rules.tests.flatMap((t) => t.categories.map((c) => c.shortName));
                  const also = rules.also.map(
                    (id) => listed.find((l) => l.rules.id === id)?.rules.shortName ?? id,
                  );
                  return (
                    <tr key={rules.id} className="border-b border-hair align-top" data-rules={rules.id}>
                      <th scope="row" className="py-1 pr-2 text-left font-normal">
                        <Link
                          to={`/rules/${rules.id}`}
                          className="inline-block py-0.5 font-semibold hover:underline max-bench:py-3"
                        >
                          {rules.name}
                        </Link>
                        <span className="block text-[12px] text-ink2">{rules.region}</span>
                      </th>
                      <td className="py-1.5 pr-2 text-[13px] text-ink2 max-tablet:hidden">
                        {classes.join(', ')}
                        {also.length > 0 && `${classes.length > 0 ? '; ' : ''}and ${also.join(', ')}`}
                        {rules.ask && '; ask the authority'}
                      </td>
                      <td className="num py-1.5 pr-2 max-tablet:hidden">{rules.readYear}</td>
                      <td className="py-1.5 pr-2 text-[12.5px] max-tablet:hidden">
                        {rules.tests.length === 0 ? '' : <CertaintyMark certainty={leastSure(rules)} />}
                      </td>
                      <td
                        className={`py-1.5 pr-2 text-[13px] ${origin === 'shipped' ? 'text-ink2' : 'font-semibold'}`}
                      >
                        {ORIGIN[origin]}
                      </td>
                      <td className="py-1 text-right whitespace-nowrap">
                        <TextButton
                          aria-label={`Save the rules of ${rules.name} as a file`}
                          onClick={() => {
                            rulesFile(rules);
                          }}
                        >
                          File
                        </TextButton>
                        {origin !== 'shipped' && (
                          <TextButton
                            aria-label={
                              origin === 'own' ? `Take out ${rules.name}` : `${rules.name} as shipped`
                            }
                            onClick={() => {
                              void attempt(async () => {
                                await remove(rules.id);
                                setAway(one);
                              });
                            }}
                          >
                            {origin === 'own' ? 'Take out' : 'As shipped'}
                          </TextButton>
                        )}
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
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
