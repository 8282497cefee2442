// @vitest-environment happy-dom
import { cleanup } from '@testing-library/react';
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '@apple-cart/core';
import { anyBuild, anyRecords, wholeBuild } from '@apple-cart/core/test';
import { verdictOf } from '../state/verdicts.ts';
import { useSettings } from '../state/settings-store.ts';
import { answered } from '../test/at-work.ts';
import { PROGRAM, inHand, shown, showsPages, stumbles, textsOf } from '../test/pages.ts';
import { WorkerHere } from '../test/worker-here.ts';
import { EVERY_PAGE } from '../test/every-page.ts';

showsPages();

/** A page says this much at least, characters: a hand-over that is not begun says least. */
const SAYS = 40;
/** A build with what a workshop has written down of it. */
const withRecords = (document: BuildDocument) =>
  fc.tuple(fc.constant(document), anyRecords(verdictOf(document).bench));
/** Other machines for every page: one page is one look at each kind. */
const looks = (seed: number) => ({ seed, numRuns: 1, endOnFailure: true });

describe.each(EVERY_PAGE.map((page, i) => ({ ...page, i })))('the page $name', ({ address, Page, i }) => {
  it('reads as a person writes, for any machine', async () => {
    const systems = fc.constantFrom('metric' as const, 'imperial' as const);
    await fc.assert(
      fc.asyncProperty(anyBuild.chain(withRecords), systems, async ([document, records], units) => {
        useSettings.setState({ units });
        inHand(document, records);
        const { page, complaints } = await shown(Page, address);
        expect(page.textContent.length).toBeGreaterThan(SAYS);
        expect(stumbles(page)).toEqual([]);
        expect(complaints).toEqual([]);
        cleanup();
      }),
      looks(20261129 + i),
    );
  });

  it('stands for whatever a document may hold', async () => {
    await fc.assert(
      fc.asyncProperty(wholeBuild, async (document) => {
        inHand(document);
        const { page, complaints } = await shown(Page, address);
        expect(page.textContent.length).toBeGreaterThan(SAYS);
        expect(textsOf(page).filter((t) => PROGRAM.test(t))).toEqual([]);
        const ids = [...page.querySelectorAll('[id]')].map((e) => e.id);
        expect(ids.filter((id, i) => ids.indexOf(id) !== i)).toEqual([]);
        expect(complaints).toEqual([]);
        cleanup();
      }),
      looks(20271129 + i),
    );
  });
});

describe('what is worked out beside a page', () => {
  const ASKING = ['donor', 'drive', 'power', 'law', 'hill', 'range', 'change gain', 'change moves'];
  const asking = EVERY_PAGE.filter(({ name }) => ASKING.some((begins) => name.startsWith(begins)));

  it.each(asking)('reads as a person writes, for any machine: $name', async ({ address, Page }) => {
    await fc.assert(
      fc.asyncProperty(anyBuild, async (document) => {
        WorkerHere.silent = false;
        inHand(document);
        const { page } = await shown(Page, address);
        await answered(page);
        expect(stumbles(page)).toEqual([]);
        cleanup();
      }),
      looks(20281129),
    );
  });
});
