import { Suspense, useEffect, useState } from 'react';
import { useParams } from 'react-router';
import { STAGE_IDS, type FigureId } from '@apple-cart/core';
import { STAGE_SHEETS, START, StartSheet, fetchAllSheets } from '../stages/sheets.tsx';
import { SCREENS, isStage } from '../screens/registry.ts';
import { useBuild } from '../state/build-store.ts';
import { verdictOf } from '../state/verdicts.ts';
import { fetchDialogs } from '../ui/dialog.tsx';
import { fetchMenus } from '../ui/menu.tsx';
import { BuildTroubles } from './build-troubles.tsx';
import { LeftBehindNotes } from './left-behind-notes.tsx';
import { NotFound } from '../paper/not-found.tsx';
import { PrintHead } from './print-head.tsx';
import { TopBar } from './top-bar.tsx';
import { Tray } from './tray.tsx';
import { SkipLink } from '../ui/skip-link.tsx';
import { useKeepSaved } from './use-keep-saved.ts';
import { useStageKeys } from './use-stage-keys.ts';
import { WorkOrder } from './work-order.tsx';
import { WorkingPanel } from './working-panel.tsx';

/** Between two tries to read a build that could not be read, ms. */
const AGAIN_MS = 4000;

/** The frame of an open build: bar, work order, sheet, tray. */
export function BuildPage() {
  const { id, stage } = useParams();
  const open = useBuild((state) => state.open);
  const openId = useBuild((state) => state.id);
  const build = useBuild((state) => state.document);
  const loadError = useBuild((state) => state.loadError);
  const isPutAway = useBuild((state) => state.isPutAway);
  const isAway = useBuild((state) => state.isAway);
  const notKept = useBuild((state) => state.notKept);
  const [working, setWorking] = useState<FigureId>();
  useKeepSaved();
  useStageKeys(id);

  useEffect(() => {
    if (id !== undefined) void open(id);
  }, [id, open]);
  // A tablet that wakes on a weak line comes back by itself: hands may be dirty.
  const isStranded = isAway && loadError !== undefined;
  useEffect(() => {
    if (!isStranded || id === undefined) return undefined;
    const again = (): void => void open(id);
    const timer = setTimeout(again, AGAIN_MS);
    window.addEventListener('online', again);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('online', again);
    };
  }, [isStranded, id, open]);
  useEffect(() => {
    const timer = setTimeout(() => {
      fetchDialogs();
      void fetchMenus().catch(() => undefined);
      fetchAllSheets();
    }, 400);
    return () => {
      clearTimeout(timer);
    };
  }, []);
  useEffect(() => {
    const name = isStage(stage) ? `${SCREENS[stage].name}, ` : '';
    document.title = build === undefined ? 'Apple Cart' : `${name}${build.name}, Apple Cart`;
  }, [build, stage]);

  const starts = stage === START;
  if (!starts && !isStage(stage))
    return (
      <NotFound
        what="stage"
        detail={`The work order has these stages: ${STAGE_IDS.map((s) => SCREENS[s].name.toLowerCase()).join(', ')}.`}
      />
    );
  if (isPutAway)
    return (
      <NotFound
        what="build"
        title="This build was put away"
        detail={notKept ?? 'It is kept as it was, and can be brought back.'}
        action={{ words: 'Bring it back', act: () => void useBuild.getState().bringBack() }}
      />
    );
  if (loadError !== undefined)
    return isAway ? (
      <NotFound
        what="build"
        title="The build cannot be read now"
        detail={`${loadError} What you typed before is kept in this browser. It is tried again every few seconds.`}
        action={{
          words: 'Try again',
          act: () => {
            if (id !== undefined) void open(id);
          },
        }}
      />
    ) : (
      <NotFound what="build" detail={loadError} />
    );
  if (id === undefined || build === undefined || openId !== id) {
    return (
      <p role="status" className="grid h-full place-items-center text-ink2">
        Fetching the card…
      </p>
    );
  }
  const Sheet = starts ? StartSheet : STAGE_SHEETS[stage];
  return (
    <div className="print-flow grid h-full grid-cols-[minmax(0,1fr)] grid-rows-[46px_auto_minmax(0,1fr)_auto] tablet:grid-cols-[132px_minmax(0,1fr)] tablet:grid-rows-[46px_minmax(0,1fr)_auto] bench:grid-cols-[216px_minmax(0,1fr)]">
      <SkipLink to="fields">To the fields of this sheet</SkipLink>
      <TopBar />
      <WorkOrder />
      {/* A sheet ends above the tab of the tray, which stands over it on narrow screens. */}
      <main
        className="print-flow relative min-h-0 min-w-0 overflow-y-auto bg-sheet max-bench:pb-8 print:pb-0"
        key={stage}
      >
        <PrintHead />
        <BuildTroubles />
        <div className="px-4 empty:hidden">
          <LeftBehindNotes only={{ word: 'build', id }} />
        </div>
        <Suspense
          fallback={
            <p role="status" className="p-6 text-ink2">
              Fetching the sheet…
            </p>
          }
        >
          <Sheet />
        </Suspense>
      </main>
      <Tray onOpen={setWorking} />
      <WorkingPanel
        figure={working === undefined ? undefined : verdictOf(build).figures.find((f) => f.id === working)}
        onClose={() => {
          setWorking(undefined);
        }}
      />
    </div>
  );
}
