import { Link } from 'react-router';
import { formatNumber, type Route } from '@apple-cart/core';
import { ChoiceField } from '../fields/choice-field.tsx';
import { useBuild, useDocument } from '../state/build-store.ts';
import { withSection } from '../state/paths.ts';
import { useRoute, useRouteList } from '../state/routes.ts';
import { useQuantity } from '../state/use-quantity.ts';
import { Notice } from '../ui/notice.tsx';

type Which = 'hillRoute' | 'rangeRoute';

/** Which road the build is ridden on: one of the routes kept, or the one that needs no route. */
export function RouteField({ which, none }: { which: Which; none: string }) {
  const document = useDocument();
  const edit = useBuild((state) => state.edit);
  const { listed, error } = useRouteList();
  const shown = useQuantity();
  const chosen = document.brief[which];
  const road = useRoute(chosen);
  const known = listed ?? [];
  const unlisted = chosen !== '' && !known.some((r) => r.id === chosen);
  const gone = road.state === 'gone';
  return (
    <>
      <ChoiceField
        label="Road"
        value={chosen}
        unknown={gone}
        options={[
          { value: '', label: none },
          ...(unlisted
            ? [{ value: chosen, label: gone ? 'a route that is gone' : 'a route not read yet' }]
            : []),
          ...known.map(({ id, summary }) => {
            const [km, up] = [shown(summary.riddenM / 1000, 'km', 1), shown(summary.upM, 'm', 0)];
            return {
              value: id,
              label: summary.name,
              note: `${km.text} ${km.unit}, up ${up.text} ${up.unit}, at most ${formatNumber(summary.steepestPct, 0)} %`,
            };
          }),
        ]}
        onChange={(value) => {
          edit((d) => withSection(d, 'brief', { [which]: value }), 'road');
        }}
      />
      {gone && (
        <p className="border-b border-hair py-1 text-[12.5px] text-stop" role="alert">
          The route this build names has been put away: choose another. Until then the {none} is ridden.
        </p>
      )}
      {error !== undefined && (
        <p className="border-b border-hair py-1 text-[12.5px] text-stop" role="alert">
          {error}
        </p>
      )}
      {road.state === 'there' && road.stale !== undefined && (
        <p className="border-b border-hair py-1 text-[12.5px] text-stop" role="alert">
          {road.stale} The road as it was read last is ridden.
        </p>
      )}
      <p className="no-print flex gap-4 border-b border-hair py-1.5 text-[13px]">
        <Link to="/routes" className="text-slate underline max-bench:py-2.5">
          All routes, bring one in
        </Link>
        {chosen !== '' && !gone && (
          <Link to={`/routes/${chosen}`} className="text-slate underline max-bench:py-2.5">
            Look at this one
          </Link>
        )}
      </p>
    </>
  );
}

/** The road that a build is ridden on, as far as it can be had. */
export interface RoadRead {
  /** Undefined while it is being read, and while it cannot be. */
  readonly road: Route | undefined;
  /** Why there is none, where it cannot be read: nothing else is ridden in its place. */
  readonly unread: { readonly why: string; readonly retry: () => void } | undefined;
}

/** The road named by the build; the other one where none is named, or the one named is gone, which its field says. */
export function useRoad(which: Which, otherwise: Route): RoadRead {
  const document = useDocument();
  const read = useRoute(document.brief[which]);
  switch (read.state) {
    case 'there':
      return { road: read.stored.document, unread: undefined };
    case 'none':
    case 'gone':
      return { road: otherwise, unread: undefined };
    case 'reading':
      return { road: undefined, unread: undefined };
    case 'unread':
      return { road: undefined, unread: { why: read.why, retry: read.retry } };
  }
}

/** In place of a ride while its road is not there. */
export function RoadWaits({ unread }: Pick<RoadRead, 'unread'>) {
  if (unread === undefined)
    return (
      <p role="status" className="py-6 text-ink2">
        Fetching the road…
      </p>
    );
  return (
    <div className="py-4">
      <Notice kind="trouble" action={{ words: 'Try again', act: unread.retry }}>
        <b>The road cannot be read, so nothing is ridden.</b> {unread.why}
      </Notice>
    </div>
  );
}
