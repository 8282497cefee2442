import { Link, useSearchParams } from 'react-router';

/** The address of a view; which pack is looked at stays. */
function withView(params: URLSearchParams, view: string): string {
  const next = new URLSearchParams({ view });
  const pack = params.get('pack');
  if (pack !== null) next.set('pack', pack);
  return next.toString();
}

/** The views of a stage, each at an address of its own. */
export function ViewLinks<V extends string>({
  label,
  views,
  view,
}: {
  label: string;
  views: readonly { readonly id: V; readonly name: string }[];
  view: V;
}) {
  const [params] = useSearchParams();
  return (
    <nav
      aria-label={label}
      className="no-print mx-6 flex flex-wrap gap-x-1 border-b border-rule pt-1.5 max-tablet:mx-3"
    >
      {views.map(({ id, name }) => (
        <Link
          key={id}
          to={`?${withView(params, id)}`}
          replace
          aria-current={id === view ? 'page' : undefined}
          className={`flex min-h-8 items-center border-[1.5px] border-b-0 px-3 text-[13.5px] max-bench:min-h-11 ${id === view ? 'border-ink bg-field font-semibold text-ink' : 'border-transparent text-ink2 hover:bg-press'}`}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}
