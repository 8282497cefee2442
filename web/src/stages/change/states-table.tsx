import { useQueries, useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import type { BuildDocument, FigureId } from '@apple-cart/core';
import { api } from '../../state/api.ts';
import { changesTold } from '../../state/changes-told.ts';
import { figureDelta } from '../../state/figure-text.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useParts } from '../../state/shelf.ts';
import { verdictOf } from '../../state/verdicts.ts';
import { ShowAll } from '../../ui/show-all.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { figureOf } from '../parts/use-stage.ts';

/** A state of the build that was kept, and when. */
interface Kept {
  readonly name: string;
  readonly at: Date | undefined;
  readonly document: BuildDocument;
}

/** From one kept state to the next. */
interface Stepped {
  readonly before: Kept;
  readonly after: Kept;
  readonly words: readonly string[];
}

const SHOWN: readonly (readonly [FigureId, string])[] = [
  ['hill', 'hill'],
  ['top-speed', 'top'],
  ['range', 'range'],
  ['heat', 'heat'],
  ['mass', 'mass'],
  ['price', 'price'],
];
/** So many steps are told before the rest is asked for. */
const FIRST = 8;
/** Of one step so many changes are told. */
const MOST_WORDS = 8;

const dayTime = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  hour: '2-digit',
  minute: '2-digit',
});

/** The build's history in words: what became what from one kept state to the next, and what that gained. */
export function StatesTable({ build, now }: { build: string; now: BuildDocument }) {
  const [all, setAll] = useState(false);
  const system = useSettings((state) => state.units);
  useParts();
  const list = useQuery({
    queryKey: ['versions-to-compare', build],
    queryFn: () => api.builds.versions.list(build),
    enabled: build !== '',
  });
  const revisions = useMemo(() => [...(list.data?.revisions ?? [])].sort((a, b) => b.id - a.id), [list.data]);
  const wanted = all ? revisions : revisions.slice(0, FIRST);
  const read = useQueries({
    queries: wanted.map((r) => ({
      queryKey: ['version-to-compare', build, String(r.id)],
      queryFn: () => api.builds.versions.get(build, r.id),
      staleTime: Infinity,
    })),
  });
  const states: readonly Kept[] = [
    { name: 'Now', at: undefined, document: now },
    ...read.flatMap(({ data }, i): Kept[] => {
      const revision = wanted[i];
      return data === undefined || revision === undefined
        ? []
        : [
            {
              name: revision.name ?? 'before a change',
              at: new Date(revision.createdAt),
              document: data.document,
            },
          ];
    }),
  ];
  const steps = states.slice(0, -1).flatMap((after, i): readonly Stepped[] => {
    const before = states[i + 1];
    const words = before === undefined ? [] : changesTold(before.document, after.document, system);
    return before === undefined || words.length === 0 ? [] : [{ before, after, words }];
  });
  if (list.error !== null)
    return (
      <p role="alert" className="py-2">
        The kept states cannot be read now: the server is away.
      </p>
    );
  return (
    <section aria-label="What was changed" data-testid="states" className="pt-3">
      <PanelHead title="From state to state" note="kept by you, pinned, or before a change; the last first" />
      {list.isPending && (
        <p role="status" className="text-ink2">
          Fetching the kept states…
        </p>
      )}
      {list.data !== undefined && revisions.length === 0 && (
        <p className="py-2 text-[15px] text-ink2">
          No earlier state was kept yet: the build is as it was made.
        </p>
      )}
      {revisions.length > 0 && states.length > 1 && steps.length === 0 && (
        <p className="py-2 text-[15px] text-ink2">Nothing differs between the kept states and now.</p>
      )}
      <ul>
        {steps.map((step, i) => (
          <Step key={i} {...step} />
        ))}
      </ul>
      {revisions.length > FIRST && (
        <ShowAll all={all} count={revisions.length} few="Show the last ones only" onTurn={setAll} />
      )}
    </section>
  );
}

function Step({ before, after, words }: Stepped) {
  const system = useSettings((state) => state.units);
  const [was, is] = [verdictOf(before.document), verdictOf(after.document)];
  const moved = SHOWN.flatMap(([id, name]) => {
    const delta = figureDelta(figureOf(is, id), figureOf(was, id), system);
    return delta === undefined ? [] : [`${name} ${delta.text}`];
  });
  const more = words.length - MOST_WORDS;
  return (
    <li className="border-b border-hair py-2 text-[14px] leading-snug">
      {words.slice(0, MOST_WORDS).join('; ')}
      {more > 0 && `; and ${String(more)} more`}
      <span className="block text-[13px] text-ink2">
        {moved.length === 0 ? 'moved no headline' : moved.join('; ')}
      </span>
      <span className="block text-[12.5px] text-ink2">
        since {before.at === undefined ? '' : dayTime.format(before.at)} ({before.name})
      </span>
    </li>
  );
}
