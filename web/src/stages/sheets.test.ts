// @vitest-environment happy-dom
import { act, cleanup, render } from '@testing-library/react';
import { QueryClientProvider } from '@tanstack/react-query';
import * as fc from 'fast-check';
import { createElement, Suspense, type ComponentType } from 'react';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { STAGE_IDS, readPart, type BuildDocument } from '@apple-cart/core';
import { anyBuild, wholeBuild } from '@apple-cart/core/test';
import shelfFile from '../../../demo/parts.json' with { type: 'json' };
import { SCREENS } from '../screens/registry.ts';
import { useBuild } from '../state/build-store.ts';
import { queryClient } from '../state/query-client.ts';
import { useSettings } from '../state/settings-store.ts';
import { SHELF_KEY } from '../state/shelf-in-force.ts';
import { WorkerHere, workersHere } from '../test/worker-here.ts';
import { PRINTED_SHEETS, STAGE_SHEETS } from './sheets.tsx';

const [build, settings] = [useBuild.getState(), useSettings.getState()];
beforeAll(() => {
  const documents = shelfFile.flatMap((file) => {
    const part = readPart(file);
    return part.ok ? [{ id: part.value.id, version: 1, document: part.value, changedAt: '' }] : [];
  });
  queryClient.setQueryData(SHELF_KEY, { documents, broken: [] });
});
beforeEach(() => {
  workersHere();
  // Studies never answer and the server never does: what stands at once is what is read here.
  WorkerHere.silent = true;
  vi.stubGlobal('fetch', () => new Promise(() => undefined));
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});
afterAll(() => {
  WorkerHere.silent = false;
  queryClient.clear();
  useBuild.setState(build, true);
  useSettings.setState(settings, true);
});

interface Page {
  readonly name: string;
  readonly address: string;
  readonly Page: ComponentType;
}
const PAGES: readonly Page[] = [
  ...STAGE_IDS.flatMap((stage) =>
    (SCREENS[stage].views.length === 0 ? [''] : SCREENS[stage].views.map(({ id }) => id)).map((view) => ({
      name: `${stage} ${view}`.trim(),
      address: `/builds/one/${stage}${view === '' ? '' : `?view=${view}`}`,
      Page: STAGE_SHEETS[stage],
    })),
  ),
  ...PRINTED_SHEETS.map(({ path, Page }) => ({
    name: `print ${path}`,
    address: `/builds/one/${path}`,
    Page,
  })),
];

/** A page as it stands for a build, and what React complained of while it drew it. */
async function shown({ address, Page }: Page, document: BuildDocument) {
  useBuild.setState({ id: 'one', version: 1, document, open: () => Promise.resolve() });
  const complaints = vi.spyOn(console, 'error').mockImplementation(() => undefined);
  const route = createElement(Route, { path: '/builds/:id/:page', element: createElement(Page) });
  const { container } = render(
    createElement(
      QueryClientProvider,
      { client: queryClient },
      createElement(
        MemoryRouter,
        { initialEntries: [address] },
        createElement(Suspense, null, createElement(Routes, null, route)),
      ),
    ),
  );
  await act(() => vi.dynamicImportSettled());
  const told = complaints.mock.calls.map((words) => words.map(String).join(' ').slice(0, 400));
  return { container, complaints: told.filter((words) => !words.includes('No queryFn was passed')) };
}

/** Pieces of text, each with what it stands in. */
function textsOf(container: HTMLElement): readonly string[] {
  const walker = document.createTreeWalker(container, NodeFilter.SHOW_TEXT);
  const found: string[] = [];
  while (walker.nextNode() !== null) found.push(walker.currentNode.textContent ?? '');
  return found;
}

/** Whole lines: sentences, rows of lists, headings, what stands on a button. */
const linesOf = (container: HTMLElement): readonly string[] =>
  [...container.querySelectorAll('p, li, h1, h2, h3, figcaption, dd, dt, legend, summary, button')]
    .filter((e) => e.querySelector('p, li, table, input, select, svg text') === null)
    .map((e) => e.textContent.trim());

/** Controls that a reader of screens cannot name. */
const nameless = (container: HTMLElement): readonly string[] =>
  [...container.querySelectorAll('button, a, input:not(.hidden), select, textarea')]
    .filter((e) => {
      const label = e.id === '' ? null : container.querySelector(`label[for="${e.id}"]`);
      const said = [
        e.getAttribute('aria-label'),
        e.textContent,
        label?.textContent,
        e.closest('label')?.textContent,
      ];
      return !said.some((words) => (words ?? '').trim() !== '') && !e.hasAttribute('aria-labelledby');
    })
    .map((e) => e.outerHTML.slice(0, 200));

/** What a program says where a builder should be told something. */
const PROGRAM = /\b(NaN|Infinity|undefined|null)\b|\[object/;
/** A name of the code, but for what is written so. */
const KEY = /\b(?!iCalendar)[a-z]+[A-Z][a-z]/;
/** Blanks before a stop, two stops, an empty bracket, a list that ends in a comma, a word said twice. */
const STRAY = /\s[,;:.](?:\s|$)|,,|,\.|;\.|(?<!\.)\.\.(?!\.)|\(\)|[,;]$|: ?\.|\b([a-z]+) \1\b/;
const SEVERAL =
  /(?:^|[^\w.,–-] |about |after |of |in )1[  ](days|hours|packs|rides|lines|cables|steps|cogs|pairs|places|pieces|cells|links|brakes|boxes|pins|years|minutes|charges|checks|teeth)\b/;

describe.each(PAGES)('the page $name', (page) => {
  it('reads as a person writes, for any machine', async () => {
    await fc.assert(
      fc.asyncProperty(
        anyBuild,
        fc.constantFrom('metric' as const, 'imperial' as const),
        async (document, units) => {
          useSettings.setState({ units });
          const { container, complaints } = await shown(page, document);
          expect(container.textContent.length).toBeGreaterThan(40);
          const texts = textsOf(container);
          expect(texts.filter((t) => PROGRAM.test(t) || KEY.test(t))).toEqual([]);
          expect(linesOf(container).filter((t) => STRAY.test(t) || SEVERAL.test(t))).toEqual([]);
          expect(nameless(container)).toEqual([]);
          expect(complaints).toEqual([]);
          cleanup();
        },
      ),
      { seed: 20261129, numRuns: 2, endOnFailure: true },
    );
  });

  it('stands for whatever a document may hold', async () => {
    await fc.assert(
      fc.asyncProperty(wholeBuild, async (document) => {
        const { container, complaints } = await shown(page, document);
        expect(container.textContent.length).toBeGreaterThan(40);
        expect(textsOf(container).filter((t) => PROGRAM.test(t))).toEqual([]);
        const ids = [...container.querySelectorAll('[id]')].map((e) => e.id);
        expect(ids.filter((id, i) => ids.indexOf(id) !== i)).toEqual([]);
        expect(complaints).toEqual([]);
        cleanup();
      }),
      { seed: 20261129, numRuns: 2, endOnFailure: true },
    );
  });
});
