import { useQueries, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import {
  moneyText,
  type BuildDocument,
  type Contestant,
  type Finalist,
  type ReadyMade,
} from '@apple-cart/core';
import { api } from '../../state/api.ts';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { useBuilds } from '../../state/builds.ts';
import { useBook } from '../../state/rules.ts';
import { useParts } from '../../state/shelf.ts';
import { verdictOf } from '../../state/verdicts.ts';
import { finalistsIn, useSearches } from '../../work/shelf-search.ts';
import { leafletName } from '../parts/leaflets.ts';

/** So many stand beside each other. */
export const MOST_SIDES = 4;

/** One that may be compared, before it is read. */
interface Offered {
  /** How it is named in the address: now, pin, ready, ready:…, build:…, version:…, finalist:…. */
  readonly id: string;
  readonly name: string;
  readonly under: string;
}

/** One of those that stand beside each other. */
export interface Side extends Offered {
  /** Undefined for a ready-made bicycle. */
  readonly document: BuildDocument | undefined;
  readonly contestant: Contestant;
}

export interface Sides {
  readonly sides: readonly Side[];
  readonly offered: readonly Offered[];
  /** Some are still being read. */
  readonly reading: boolean;
  readonly chosen: readonly string[];
  readonly choose: (ids: readonly string[]) => void;
}

const dayTime = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});

const leafletsOf = ({ readyMade, moreReady }: BuildDocument): readonly ReadyMade[] => [
  readyMade,
  ...moreReady,
];
/** The first has the short name that addresses had before there were several. */
const leafletId = (index: number): string => (index === 0 ? 'ready' : `ready:${String(index + 1)}`);

/** The leaflet of a ready-made bicycle says something. */
const isTyped = (r: ReadyMade): boolean =>
  [r.price, r.energyWh, r.packV, r.motorW, r.torqueNm, r.massKg, r.rangeKm].some((v) => v !== null);

/** Everything that the open build may be compared with, and what is chosen in the address. */
export function useSides(): Sides {
  const now = useDocument();
  const build = useBuild((state) => state.id) ?? '';
  const pinned = useBuild((state) => state.pinned);
  const search = useSearches((state) => state.searches[build]);
  const { builds } = useBuilds();
  useBook();
  // Prices that nobody has entered are guessed by the shelf.
  useParts();
  const [params, setParams] = useSearchParams();
  const versions = useQuery({
    queryKey: ['versions-to-compare', build],
    queryFn: () => api.builds.versions.list(build),
    enabled: build !== '',
  });
  const finalists = useMemo(() => [...finalistsIn(search)].sort((a, b) => a.price - b.price), [search]);
  const offered = useMemo((): readonly Offered[] => {
    const { currency } = now.money;
    return [
      { id: 'now', name: 'Now', under: now.name },
      ...(pinned === undefined ? [] : [{ id: 'pin', name: 'Pinned', under: pinned.name }]),
      ...finalists.slice(0, 12).map((f, i) => ({
        id: `finalist:${String(i + 1)}`,
        name: `Finalist ${String(i + 1)}`,
        under: `${f.names.join(', ')}, ${moneyText(f.total, currency)}`,
      })),
      ...leafletsOf(now).flatMap((one, i) =>
        isTyped(one)
          ? [{ id: leafletId(i), name: leafletName(one, i), under: 'ready-made, from its leaflet' }]
          : [],
      ),
      ...(builds ?? [])
        .filter((b) => b.id !== build)
        .map((b) => ({ id: `build:${b.id}`, name: b.document.name, under: 'another build' })),
      ...(versions.data?.revisions ?? []).slice(0, 20).map((r) => ({
        id: `version:${String(r.id)}`,
        name: r.name ?? 'Before a change',
        under: `version of ${dayTime.format(new Date(r.createdAt))}`,
      })),
    ];
  }, [now, pinned, finalists, builds, build, versions.data]);
  const asked = params.get('with');
  const usual = offered
    .filter((o) => !o.id.startsWith('version:') && !o.id.startsWith('build:'))
    .map((o) => o.id);
  const chosen = (asked === null ? usual : asked.split(',').filter((id) => id !== '')).slice(0, MOST_SIDES);
  const wanted = chosen.filter((id) => id.startsWith('version:')).map((id) => id.slice('version:'.length));
  const read = useQueries({
    queries: wanted.map((id) => ({
      queryKey: ['version-to-compare', build, id],
      queryFn: () => api.builds.versions.get(build, Number(id)),
      staleTime: Infinity,
    })),
  });
  const documentOf = (id: string): BuildDocument | undefined => {
    const colon = id.indexOf(':');
    const [kind, rest] = [colon < 0 ? id : id.slice(0, colon), id.slice(colon + 1)];
    switch (kind) {
      case 'now':
        return now;
      case 'pin':
        return pinned?.document;
      case 'finalist':
        return (finalists[Number(rest) - 1] satisfies Finalist | undefined)?.build;
      case 'build':
        return builds?.find((b) => b.id === rest)?.document;
      case 'version':
        return read[wanted.indexOf(rest)]?.data?.document;
      default:
        return undefined;
    }
  };
  const sides = chosen.flatMap((id): readonly Side[] => {
    const named = offered.find((o) => o.id === id);
    if (named === undefined) return [];
    const ready = leafletsOf(now).find((_, i) => leafletId(i) === id);
    if (ready !== undefined) return [{ ...named, document: undefined, contestant: { kind: 'ready', ready } }];
    const document = documentOf(id);
    return document === undefined
      ? []
      : [{ ...named, document, contestant: { kind: 'build', verdict: verdictOf(document) } }];
  });
  return {
    sides,
    offered,
    reading: read.some((r) => r.isPending) || builds === undefined,
    chosen,
    choose: (ids) => {
      const next = new URLSearchParams(params);
      next.set('with', ids.join(','));
      setParams(next, { replace: true });
    },
  };
}
