import { useMemo } from 'react';
import { gridOf, usualAsked, type BuildDocument, type SearchAsked } from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { useBook } from '../../state/rules.ts';
import { useSearchAsked } from '../../state/search-asked.ts';
import { useParts } from '../../state/shelf.ts';
import { startSearch, stopSearch, useSearches, type ShelfSearch } from '../../work/shelf-search.ts';
import { useStage } from '../parts/use-stage.ts';

/** What there is to choose, in numbers. */
export interface Choices {
  readonly motors: number;
  readonly packs: number;
  readonly controllers: number;
  readonly geared: number;
  readonly tyres: number;
  readonly size: number;
}

export interface Searching {
  readonly document: BuildDocument;
  readonly asked: SearchAsked;
  readonly ask: (next: SearchAsked) => void;
  readonly choices: Choices;
  readonly search: ShelfSearch | undefined;
  /** What was searched for is not what is asked now. */
  readonly stale: boolean;
  readonly start: () => void;
  readonly stop: () => void;
}

const count = (all: readonly (string | undefined)[]): number => new Set(all).size;

/** The search of the shelf for the open build. */
export function useShelfSearch(): Searching {
  const { document } = useStage();
  const build = useBuild((state) => state.id) ?? '';
  const parts = useParts();
  const book = useBook();
  const own = useSearchAsked((state) => state.asked[build]);
  const set = useSearchAsked((state) => state.set);
  const usual = useMemo(() => usualAsked(document), [document]);
  const asked = own ?? usual;
  const search = useSearches((state) => state.searches[build]);
  const choices = useMemo((): Choices => {
    const { motors, pairs, size } = gridOf(document, parts, book, asked);
    const geared = motors.flatMap((m) => m.geared);
    return {
      size,
      motors: motors.length,
      packs: count(pairs.map((p) => p.pack.name)),
      controllers: count(pairs.map((p) => p.controller.name)),
      geared: count(geared.map((g) => `${g.ring.name} ${g.cogs.name}`)),
      tyres: count(geared.map((g) => g.tyre.name)),
    };
  }, [document, parts, book, asked]);
  return {
    document,
    asked,
    ask: (next) => {
      set(build, next);
    },
    choices,
    search,
    stale:
      search !== undefined &&
      (search.input.build !== document || JSON.stringify(search.input.asked) !== JSON.stringify(asked)),
    start: () => {
      startSearch(build, { build: document, parts, book, asked });
    },
    stop: () => {
      stopSearch(build);
    },
  };
}
