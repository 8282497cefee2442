import { Link } from 'react-router';
import { formatNumber, type Route } from '@apple-cart/core';
import { ChoiceField } from '../fields/choice-field.tsx';
import { useBuild, useDocument } from '../state/build-store.ts';
import { withSection } from '../state/paths.ts';
import { useRoute, useRouteList } from '../state/routes.ts';
import { useQuantity } from '../state/use-quantity.ts';

type Which = 'hillRoute' | 'rangeRoute';

/** Which road the build is ridden on: one of the routes kept, or the one that needs no route. */
export function RouteField({ which, none }: { which: Which; none: string }) {
  const document = useDocument();
  const edit = useBuild((state) => state.edit);
  const { listed, error } = useRouteList();
  const shown = useQuantity();
  const chosen = document.brief[which];
  const known = listed ?? [];
  const gone = listed !== undefined && chosen !== '' && !known.some((r) => r.id === chosen);
  return (
    <>
      <ChoiceField
        label="Road"
        value={chosen}
        unknown={gone}
        options={[
          { value: '', label: none },
          ...(gone ? [{ value: chosen, label: 'a route that is gone' }] : []),
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

/** The road named by the build, or the other one; undefined while it is being read. */
export function useRoad(
  which: Which,
  otherwise: Route,
): { readonly road: Route | undefined; readonly named: boolean } {
  const document = useDocument();
  const stored = useRoute(document.brief[which]);
  if (stored === undefined) return { road: undefined, named: true };
  return stored === null ? { road: otherwise, named: false } : { road: stored.route, named: true };
}
