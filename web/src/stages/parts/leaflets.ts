import { NO_LEAFLET, type ReadyMade } from '@apple-cart/core';
import { useSearchParams } from 'react-router';
import { useBuild, useDocument } from '../../state/build-store.ts';

/** The leaflets of the build, the one that is looked at by the address, and what changes it. */
export function useLeaflets() {
  const { readyMade, moreReady } = useDocument();
  const edit = useBuild((state) => state.edit);
  const [params, setParams] = useSearchParams();
  const all = [readyMade, ...moreReady];
  const asked = Number(params.get('leaflet') ?? '1') - 1;
  const index = Number.isInteger(asked) && asked >= 0 && asked < all.length ? asked : 0;
  const ready = all[index] ?? readyMade;
  const look = (at: number): void => {
    const next = new URLSearchParams(params);
    next.set('leaflet', String(at + 1));
    setParams(next, { replace: true });
  };
  return {
    all,
    index,
    ready,
    look,
    change: (changes: Partial<ReadyMade>, label: string, key?: string): void => {
      edit(
        (d) =>
          index === 0
            ? { ...d, readyMade: { ...d.readyMade, ...changes } }
            : { ...d, moreReady: d.moreReady.map((r, i) => (i === index - 1 ? { ...r, ...changes } : r)) },
        label,
        key === undefined ? undefined : `${key} ${String(index)}`,
      );
    },
    add: (): void => {
      edit((d) => ({ ...d, moreReady: [...d.moreReady, NO_LEAFLET] }), 'another leaflet');
      look(all.length);
    },
    takeOut: (): void => {
      edit((d) => ({ ...d, moreReady: d.moreReady.filter((_, i) => i !== index - 1) }), 'leaflet taken out');
      look(0);
    },
  };
}

/** How a leaflet is called: by its name, or by its place. */
export const leafletName = ({ name }: ReadyMade, index: number): string =>
  name.trim() === '' ? `Ready-made ${String(index + 1)}` : name.trim();
