import { useQuery } from '@tanstack/react-query';
import { Info } from 'lucide-react';
import { Suspense, lazy, useEffect, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { loadBuildPage } from '../frame/load-build-page.ts';
import { BrokenNotes } from '../frame/broken-notes.tsx';
import { ListPage, PutAwayNotice } from '../frame/list-page.tsx';
import { api } from '../state/api.ts';
import { useBuild } from '../state/build-store.ts';
import { bringBuildBack, putBuildAway, useBuilds } from '../state/builds.ts';
import { anythingHeld } from '../state/held.ts';
import { readTrouble } from '../state/query-client.ts';
import { useShelfInForce } from '../state/shelf-in-force.ts';
import { useRules } from '../state/rules.ts';
import { useAttempt } from '../state/use-attempt.ts';
import { usePutAway } from '../state/use-put-away.ts';
import { fetchDialogs } from '../ui/dialog.tsx';
import { fetchMenus } from '../ui/menu.tsx';
import { Notice } from '../ui/notice.tsx';
import { BuildCard } from './build-card.tsx';
import { ImportBuild } from './import-build.tsx';
import { loadCardVerdict } from './load-card-verdict.ts';
import { loadStartDialog } from './load-start-dialog.ts';
import { StartCard } from './start-card.tsx';

/** Not needed before the cards stand, and seldom then. */
const LeftBehindNotes = lazy(() =>
  import('../frame/left-behind-notes.tsx').then((m) => ({ default: m.LeftBehindNotes })),
);

const FETCH_AHEAD_MS = 1500;

interface Named {
  readonly id: string;
  readonly name: string;
}

const putAwayOf = (state: unknown): Named | undefined => (state as { putAway?: Named } | null)?.putAway;

/** What judges the cards: the code, the rule book and the shelf that prices are guessed by, fetched beside the list. */
function useJudge() {
  const rules = useRules();
  const priced = useShelfInForce();
  const { data, error, refetch } = useQuery({
    queryKey: ['card-verdict'],
    queryFn: async () => ({ Verdict: await loadCardVerdict() }),
    staleTime: Infinity,
  });
  return {
    Verdict: rules.book === undefined || !priced ? undefined : data?.Verdict,
    error:
      rules.error ?? (error === null ? undefined : readTrouble(error, 'The figures cannot be worked out.')),
    load: async () => {
      await Promise.all([rules.load(), refetch()]);
    },
  };
}

/** All builds as cards, drawn to one scale; start one, bring one in, bring one back. */
export function BuildsPage() {
  const { builds, broken, error: unread, load } = useBuilds();
  const judge = useJudge();
  const [trouble, attempt] = useAttempt();
  const error = trouble ?? unread ?? judge.error;
  const location = useLocation();
  const navigate = useNavigate();
  const put = usePutAway<Named>(
    attempt,
    { putAway: ({ id }) => putBuildAway(id), bringBack: ({ id }) => bringBuildBack(id) },
    () => putAwayOf(location.state),
  );
  useEffect(() => {
    // A build left open in the store would show its old state when opened again.
    // The notice of a put-away build is shown once, not again when the page is reloaded.
    if (putAwayOf(location.state) !== undefined) void navigate('.', { replace: true, state: null });
    void useBuild.getState().close().then(load);
  }, [load, navigate, location.state]);

  const shown = builds !== undefined;
  const [held] = useState(anythingHeld);
  useEffect(() => {
    if (!shown) return undefined;
    // A build is what is opened next: its frame is fetched once the cards stand.
    const timer = setTimeout(() => {
      fetchDialogs();
      void fetchMenus().catch(() => undefined);
      void loadStartDialog().catch(() => undefined);
      void loadBuildPage().catch(() => undefined);
    }, FETCH_AHEAD_MS);
    return () => {
      clearTimeout(timer);
    };
  }, [shown]);

  const samples = builds?.filter((b) => b.document.sample).length ?? 0;
  const tryAgain = async (): Promise<void> => {
    await Promise.all([load(), judge.load()]);
  };
  return (
    <ListPage
      title="Builds"
      words="Bicycles on their way to electric. Start your own, or open one to see how it is done."
      actions={
        <>
          {samples > 0 && (
            <p className="flex items-center gap-2 text-[13px] text-ink2 max-bench:hidden">
              <Info size={16} strokeWidth={1.6} className="text-slate" aria-hidden />
              {samples} sample {samples === 1 ? 'build' : 'builds'} of Quince & Ladder, all invented; drawn to
              one scale
            </p>
          )}
          <ImportBuild />
        </>
      }
    >
      <PutAwayNotice of={put} words={({ name }) => `${name} was put away.`} />
      {error !== undefined && (
        <Notice kind="trouble" action={{ words: 'Try again', act: () => void attempt(tryAgain) }}>
          {error}
        </Notice>
      )}
      <Suspense>{shown && held && <LeftBehindNotes />}</Suspense>
      <BrokenNotes
        word="build"
        api={api.builds}
        broken={broken}
        onPutAway={(id) => void put.putAway({ id, name: 'The build that cannot be read' })}
      />
      <div className="grid grid-cols-1 gap-[18px] tablet:grid-cols-2 bench:grid-cols-3">
        <StartCard />
        {builds === undefined && error === undefined && (
          <p role="status" className="grid min-h-40 place-items-center text-ink2">
            Fetching the cards…
          </p>
        )}
        {builds?.map((build) => (
          <BuildCard
            key={build.id}
            build={build}
            Verdict={judge.Verdict}
            onPutAway={() => void put.putAway({ id: build.id, name: build.document.name })}
          />
        ))}
      </div>
    </ListPage>
  );
}
