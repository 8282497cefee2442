import { Link, useSearchParams } from 'react-router';
import { Plus } from 'lucide-react';
import { MOST_PACKS, withFurtherPack, type BuildDocument, type PackDocument } from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { packIndexIn } from '../parts/use-pack.ts';

/** A pack by its name, or by its number. */
export const packName = ({ name }: Pick<PackDocument, 'name'>, index: number): string =>
  name === '' ? `Pack ${String(index + 1)}` : name;

/** The address of the same view with another pack looked at. */
function withPackAt(params: URLSearchParams, index: number): URLSearchParams {
  const next = new URLSearchParams(params);
  if (index === 0) next.delete('pack');
  else next.set('pack', String(index + 1));
  return next;
}

/** One more pack, to be looked at at once. */
export function AddPack({ document }: { document: BuildDocument }) {
  const [params, setParams] = useSearchParams();
  const edit = useBuild((state) => state.edit);
  if (document.packs.length >= MOST_PACKS) return null;
  return (
    <button
      type="button"
      className="no-print flex min-h-7 items-center gap-1 px-1 text-[13px] text-slate underline max-bench:min-h-11"
      onClick={() => {
        edit((d) => withFurtherPack(d), 'one more pack');
        setParams(withPackAt(params, document.packs.length), { replace: true });
      }}
    >
      <Plus size={14} strokeWidth={1.6} aria-hidden /> Add a pack
    </button>
  );
}

/** Which pack the fields beneath are of; one more can be added. */
export function PackTabs({ document }: { document: BuildDocument }) {
  const [params] = useSearchParams();
  const chosen = packIndexIn(params, document);
  return (
    <nav
      aria-label="Packs of the build"
      data-testid="packs"
      className="no-print flex flex-wrap items-center gap-x-1 gap-y-1 pb-2"
    >
      {document.packs.length > 1 &&
        document.packs.map((pack, i) => (
          <Link
            key={i}
            to={`?${withPackAt(params, i).toString()}`}
            replace
            aria-current={i === chosen ? 'true' : undefined}
            className={`flex min-h-7 max-w-[18ch] items-center truncate border-[1.5px] px-2 text-[13px] max-bench:min-h-11 max-bench:min-w-11 ${i === chosen ? 'border-ink bg-field font-semibold' : 'border-rule text-ink2 hover:bg-press'}`}
          >
            {String(i + 1)}. {packName(pack, i)}
          </Link>
        ))}
      <AddPack document={document} />
    </nav>
  );
}
