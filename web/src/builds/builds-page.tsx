import { useQuery } from '@tanstack/react-query';
import { Info } from 'lucide-react';
import { useEffect, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { describeIssue } from '@apple-cart/core';
import { loadBuildPage } from '../frame/load-build-page.ts';
import { PageBar } from '../frame/page-bar.tsx';
import { useBuild } from '../state/build-store.ts';
import { bringBuildBack, putBuildAway, useBuilds, type StoredBuild } from '../state/builds.ts';
import { readTrouble } from '../state/query-client.ts';
import { useRules } from '../state/rules.ts';
import { useAttempt } from '../state/use-attempt.ts';
import { Button } from '../ui/button.tsx';
import { fetchDialogs } from '../ui/dialog.tsx';
import { fetchMenus } from '../ui/menu.tsx';
import { BuildCard } from './build-card.tsx';
import { ImportBuild } from './import-build.tsx';
import { loadCardVerdict } from './load-card-verdict.ts';
import { loadStartDialog } from './load-start-dialog.ts';
import { StartCard } from './start-card.tsx';

const FETCH_AHEAD_MS = 1500;

interface PutAway {
  readonly id: string;
  readonly name: string;
}

const putAwayOf = (state: unknown): PutAway | undefined => (state as { putAway?: PutAway } | null)?.putAway;

/** What judges the cards: the code and the rule book, fetched beside the list. */
function useJudge() {
  const rules = useRules();
  const { data, error, refetch } = useQuery({
    queryKey: ['card-verdict'],
    queryFn: async () => ({ Verdict: await loadCardVerdict() }),
    staleTime: Infinity,
  });
  return {
    Verdict: rules.book === undefined ? undefined : data?.Verdict,
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
  const [away, setAway] = useState<PutAway | undefined>(() => putAwayOf(location.state));
  useEffect(() => {
    document.title = 'Builds, Apple Cart';
    // A build left open in the store would show its old state when opened again.
    // The notice of a put-away build is shown once, not again when the page is reloaded.
    if (putAwayOf(location.state) !== undefined) void navigate('.', { replace: true, state: null });
    void useBuild.getState().close().then(load);
  }, [load, navigate, location.state]);

  const shown = builds !== undefined;
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
  const putAway = (build: StoredBuild): Promise<void> =>
    attempt(async () => {
      await putBuildAway(build.id);
      setAway({ id: build.id, name: build.document.name });
    });
  const bringBack = (): Promise<void> =>
    attempt(async () => {
      if (away === undefined) return;
      await bringBuildBack(away.id);
      setAway(undefined);
    });

  return (
    <div className="grid h-full grid-rows-[44px_minmax(0,1fr)]">
      <PageBar />
      <main className="overflow-y-auto">
        <div className="mx-auto max-w-[1280px] px-8 pt-3 pb-8 max-tablet:px-3">
          <div className="flex flex-wrap items-end gap-x-4 gap-y-2 pb-3.5">
            <div>
              <h1 className="head text-[36px] font-extrabold tracking-[-.015em]">Builds</h1>
              <p className="text-[15px] text-ink2">
                Bicycles on their way to electric. Start your own, or open one to see how it is done.
              </p>
            </div>
            <div className="ml-auto flex items-center gap-4">
              {samples > 0 && (
                <p className="flex items-center gap-2 text-[13px] text-ink2 max-bench:hidden">
                  <Info size={16} strokeWidth={1.6} className="text-slate" aria-hidden />
                  {samples} sample {samples === 1 ? 'build' : 'builds'} of Quince & Ladder, all invented;
                  drawn to one scale
                </p>
              )}
              <ImportBuild />
            </div>
          </div>
          {away !== undefined && (
            <p
              role="status"
              className="mb-3 flex items-center gap-4 border-[1.5px] border-ink bg-sheet px-4 py-2"
            >
              <span className="flex-1">{away.name} was put away.</span>
              <Button onClick={() => void bringBack()}>Bring it back</Button>
            </p>
          )}
          {error !== undefined && (
            <p
              role="alert"
              className="mb-3 flex items-center gap-4 border-[1.5px] border-stop bg-stop-tint px-4 py-2"
            >
              <span className="flex-1">{error}</span>
              <Button onClick={() => void attempt(tryAgain)}>Try again</Button>
            </p>
          )}
          {broken.map((one) => (
            <p
              key={one.id}
              role="alert"
              className="mb-3 border-[1.5px] border-stop bg-stop-tint px-4 py-2"
              data-broken={one.id}
            >
              A stored build cannot be read: {one.issues.slice(0, 2).map(describeIssue).join(' ')} The others
              are untouched.
            </p>
          ))}
          <div className="grid gap-[18px] tablet:grid-cols-2 bench:grid-cols-3">
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
                onPutAway={() => void putAway(build)}
              />
            ))}
          </div>
        </div>
      </main>
    </div>
  );
}
