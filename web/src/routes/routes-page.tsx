import { Plus } from 'lucide-react';
import { Link, useNavigate } from 'react-router';
import { drawnRoute, formatNumber, profileOf } from '@apple-cart/core';
import { BrokenNotes } from '../frame/broken-notes.tsx';
import { ListPage, PutAwayNotice } from '../frame/list-page.tsx';
import { api } from '../state/api.ts';
import {
  bringRouteBack,
  createRoute,
  putRouteAway,
  useRouteList,
  type ListedRoute,
} from '../state/routes.ts';
import { useQuantity } from '../state/use-quantity.ts';
import { useAttempt } from '../state/use-attempt.ts';
import { usePutAway } from '../state/use-put-away.ts';
import { Button } from '../ui/button.tsx';
import { Notice } from '../ui/notice.tsx';
import { ImportRoute } from './import-route.tsx';
import { RouteSilhouette } from './silhouette.tsx';

/** A road to begin drawing from: level, up, level, down. */
const FIRST = [
  { lengthM: 500, gradePct: 0, bearingDeg: null },
  { lengthM: 600, gradePct: 6, bearingDeg: null },
  { lengthM: 400, gradePct: 0, bearingDeg: null },
  { lengthM: 720, gradePct: -5, bearingDeg: null },
] as const;

function RouteCard({ listed, onAway }: { listed: ListedRoute; onAway: () => void }) {
  const shown = useQuantity();
  const { summary } = listed;
  const [length, up] = [shown(summary.riddenM / 1000, 'km', 1), shown(summary.upM, 'm', 0)];
  return (
    <li className="flex flex-col border-2 border-ink bg-sheet">
      <Link to={`/routes/${listed.id}`} className="block flex-1 px-4 pt-2.5 hover:bg-press">
        <span className="flex items-baseline gap-2">
          <span className="head text-[19px] font-bold">{summary.name}</span>
          {summary.sample && <span className="text-[12px] text-ink2">sample, invented</span>}
          {summary.recorded && <span className="text-[12px] text-ink2">recorded</span>}
        </span>
        <span className="block h-[46px] border-b border-rule">
          <RouteSilhouette outline={summary.outline} />
        </span>
        <span className="flex flex-wrap gap-x-4 py-1.5 text-[14px]">
          <span>
            <b className="num">{length.text}</b>{' '}
            <span className="text-[12.5px] text-ink3">{length.unit}</span>
          </span>
          <span>
            up <b className="num">{up.text}</b> <span className="text-[12.5px] text-ink3">{up.unit}</span>
          </span>
          <span>
            at most <b className="num">{formatNumber(summary.steepestPct, 1)}</b>{' '}
            <span className="text-[12.5px] text-ink3">%</span>
          </span>
          {summary.stops > 0 && (
            <span>
              <b className="num">{summary.stops}</b> {summary.stops === 1 ? 'stop' : 'stops'}
            </span>
          )}
        </span>
        <span className="block pb-2 text-[13px] leading-snug text-ink2">{summary.note}</span>
      </Link>
      <span className="flex justify-end border-t border-hair px-2 py-1">
        <button
          type="button"
          className="min-h-7 px-2 text-[13px] text-ink2 underline hover:text-ink max-bench:min-h-11"
          aria-label={`Put away: ${summary.name}`}
          onClick={onAway}
        >
          Put away
        </button>
      </span>
    </li>
  );
}

/** All roads: bring one in, draw one, look at one. */
export function RoutesPage() {
  const { listed, broken, error, load } = useRouteList();
  const navigate = useNavigate();
  const [trouble, attempt] = useAttempt();
  const put = usePutAway<ListedRoute>(attempt, {
    putAway: ({ id }) => putRouteAway(id),
    bringBack: ({ id }) => bringRouteBack(id),
  });
  return (
    <ListPage
      title="Routes"
      words="Roads that builds are ridden on. Bring in a recording (GPX), a table of distance and elevation (CSV), or draw one."
      actions={
        <>
          <ImportRoute />
          <Button
            kind="go"
            onClick={() => {
              void attempt(async () => {
                const stored = await createRoute(drawnRoute('New road', profileOf(FIRST, 100)));
                void navigate(`/routes/${stored.id}`);
              });
            }}
          >
            <Plus size={15} strokeWidth={1.8} aria-hidden /> Draw one
          </Button>
        </>
      }
    >
      {(error ?? trouble) !== undefined && (
        <Notice kind="trouble" action={{ words: 'Try again', act: () => void load() }}>
          {error ?? trouble}
        </Notice>
      )}
      <BrokenNotes
        word="route"
        api={api.routes}
        broken={broken}
        onPutAway={(id) => void attempt(() => putRouteAway(id))}
      />
      <PutAwayNotice
        of={put}
        words={({ summary }) => `${summary.name} was put away. Builds that name it say so.`}
      />
      {listed === undefined && error === undefined && (
        <p role="status" className="py-10 text-center text-ink2">
          Fetching the roads…
        </p>
      )}
      {listed?.length === 0 && (
        <p className="border-2 border-dashed border-rule px-6 py-10 text-center text-ink2">
          No road yet. Bring in a recording of your hill, or draw it in a minute.
        </p>
      )}
      <ul className="grid gap-[18px] tablet:grid-cols-2 bench:grid-cols-3">
        {listed?.map((one) => (
          <RouteCard
            key={one.id}
            listed={one}
            onAway={() => {
              void put.putAway(one);
            }}
          />
        ))}
      </ul>
    </ListPage>
  );
}
