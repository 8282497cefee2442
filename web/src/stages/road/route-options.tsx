import { useRouteList } from '../../state/routes.ts';

/** The roads that are kept here, to choose from; the first says what none of them means. */
export function RouteOptions({ none }: { none: string }) {
  const { listed } = useRouteList();
  return (
    <>
      <option value="">{none}</option>
      {(listed ?? []).map(({ id, summary }) => (
        <option key={id} value={id}>
          {summary.name}
        </option>
      ))}
    </>
  );
}
