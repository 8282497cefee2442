import { act, cleanup, render } from '@testing-library/react';
import { QueryClientProvider } from '@tanstack/react-query';
import { createElement, Suspense, type ComponentType } from 'react';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterAll, afterEach, beforeAll, beforeEach, vi } from 'vitest';
import {
  readPart,
  readRoute,
  routeSummary,
  shippedRules,
  type BuildDocument,
  type Kept,
} from '@apple-cart/core';
import crateLane from '../../../demo/routes/crate-lane.json' with { type: 'json' };
import marketRun from '../../../demo/routes/market-run.json' with { type: 'json' };
import tideCauseway from '../../../demo/routes/tide-causeway.json' with { type: 'json' };
import shelfFile from '../../../demo/parts.json' with { type: 'json' };
import { useBuild } from '../state/build-store.ts';
import { queryClient } from '../state/query-client.ts';
import { useSettings } from '../state/settings-store.ts';
import { SHELF_KEY } from '../state/shelf-in-force.ts';
import { WorkerHere, workersHere } from './worker-here.ts';

/** A document as the server stores it. */
export const stored = <T>(id: string, document: T) => ({
  id,
  version: 1,
  createdAt: '2026-11-01T10:00:00.000Z',
  updatedAt: '2026-11-01T10:00:00.000Z',
  document,
});

/** The shelf of the demo. */
const shelf = shelfFile.flatMap((file) => {
  const part = readPart(file);
  return part.ok ? [part.value] : [];
});

/** Roads of the demo, by the names that its builds give. */
const roads = Object.entries({
  'crate-lane': crateLane,
  'market-run': marketRun,
  'tide-causeway': tideCauseway,
}).flatMap(([id, file]) => {
  const road = readRoute(file);
  return road.ok ? [{ id, road: road.value }] : [];
});

/** Pages are shown by themselves: studies never answer and the server never does, so that what stands at once is read. */
export function showsPages(): void {
  const [build, settings] = [useBuild.getState(), useSettings.getState()];
  beforeAll(() => {
    const book = shippedRules();
    const documents = book.map((rules) => ({ ...stored(rules.id, rules), origin: 'shipped' }));
    queryClient.setQueryData(['rules'], { documents, broken: [], book });
    const parts = shelf.map((part) => stored(part.id, part));
    queryClient.setQueryData(SHELF_KEY, { documents: parts, broken: [] });
    const listed = roads.map(({ id, road }) => ({ ...stored(id, undefined), summary: routeSummary(road) }));
    queryClient.setQueryData(['routes'], { documents: listed, broken: [] });
    for (const { id, road } of roads) queryClient.setQueryData(['route', id], stored(id, road));
  });
  beforeEach(() => {
    workersHere();
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
}

/** What is changed on a page is changed in hand, and sent nowhere. */
const edit = (change: (document: BuildDocument) => BuildDocument): void => {
  useBuild.setState(({ document }) => ({ document: document && change(document) }));
};

/** Puts a build in hand, whose id is `one`, with what was written down of it. */
export const inHand = (document: BuildDocument, records: readonly Kept[] = []): void => {
  useBuild.setState({ id: 'one', version: 1, document, edit, open: () => Promise.resolve() });
  queryClient.setQueryData(['records', 'one'], { records, broken: [] });
};

/**
 * A page as it stands at an address, with what lies over it, and what React complained of while it drew it.
 * @param path the pattern that the address is of
 */
export async function shown(Page: ComponentType, address: string, path = '/builds/:id/:stage') {
  const complaints = vi.spyOn(console, 'error').mockImplementation(() => undefined);
  const route = createElement(Route, { path, element: createElement(Page) });
  const { baseElement } = render(
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
  complaints.mockRestore();
  return { page: baseElement, complaints: told.filter((words) => !words.includes('No queryFn was passed')) };
}

/** Pieces of text. */
export function textsOf(page: HTMLElement): readonly string[] {
  const walker = document.createTreeWalker(page, NodeFilter.SHOW_TEXT);
  const found: string[] = [];
  while (walker.nextNode() !== null) found.push(walker.currentNode.textContent ?? '');
  return found;
}

/** Whole lines: sentences, rows of lists, headings, what stands on a button. */
const linesOf = (page: HTMLElement): readonly string[] =>
  [...page.querySelectorAll('p, li, h1, h2, h3, figcaption, dd, dt, legend, summary, button')]
    .filter((e) => e.querySelector('p, li, table, input, select, svg text') === null)
    .map((e) => e.textContent.trim());

/** Controls that a reader of screens cannot name. */
const nameless = (page: HTMLElement): readonly string[] =>
  [...page.querySelectorAll('button, a, input:not(.hidden), select, textarea')]
    .filter((e) => {
      const label = e.id === '' ? null : page.querySelector(`label[for="${e.id}"]`);
      const said = [e.getAttribute('aria-label'), e.textContent, label?.textContent];
      const named = [...said, e.closest('label')?.textContent].some((words) => (words ?? '').trim() !== '');
      return !named && !e.hasAttribute('aria-labelledby');
    })
    .map((e) => e.outerHTML.slice(0, 200));

/** What a program says where a builder should be told something. */
export const PROGRAM = /\b(NaN|Infinity|undefined|null)\b|\[object/;
/** A name of the code, but for what is written so: a calendar’s format, units, the change of a temperature. */
const KEY = /\b(?!iCalendar|dT|mAh|kWh)[a-z]+[A-Z][a-z]/;
/** Blanks before a stop, two stops, an empty bracket, a list that ends in a comma, a word said twice. */
const STRAY = /\s[,;:.](?:\s|$)|,,|,\.|;\.|(?<!\.)\.\.(?!\.)|\(\)|[,;]$|: ?\.|\b([a-z]+) \1\b/;
/** A sentence that begins small, but for the mark of how certain one is; short words may be abbreviations. */
const SMALL = /\b[a-z]{4,}\. (?!(?:high|medium|low)$)[a-z]{2,}/;
/** More decimals than anybody reads or measures. */
const DECIMALS = /\d\.\d{6}/;
const SEVERAL =
  /(?:^|[^\w.,–-] |about |after |of |in )1[ \u00a0](days|hours|packs|rides|lines|cables|steps|cogs|pairs|places|pieces|cells|links|brakes|boxes|pins|years|minutes|charges|checks|teeth|groups)\b/;

/** What a person would stumble over on a page; empty for one that reads as a person writes. */
export const stumbles = (page: HTMLElement): readonly string[] => [
  ...textsOf(page).filter((t) => PROGRAM.test(t) || KEY.test(t) || DECIMALS.test(t)),
  ...linesOf(page).filter((t) => STRAY.test(t) || SEVERAL.test(t) || SMALL.test(t)),
  ...nameless(page),
];
