// @vitest-environment happy-dom
import { act } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { longtail } from '@apple-cart/core/test';
import { queryClient } from '../state/query-client.ts';
import { SHELF_KEY } from '../state/shelf-in-force.ts';
import { AtWork } from '../test/at-work.ts';
import { showsPages } from '../test/pages.ts';

showsPages();

/** A server that answers for the shelf when it is told to, and for nothing else. */
function shelfOnItsWay() {
  const shelf = queryClient.getQueryData(SHELF_KEY);
  queryClient.removeQueries({ queryKey: SHELF_KEY });
  let answer: (response: Response) => void = () => undefined;
  const waiting = new Promise<Response>((done) => {
    answer = done;
  });
  vi.stubGlobal('fetch', (url: string) =>
    url.includes('/api/parts') ? waiting : new Promise(() => undefined),
  );
  return {
    shelf,
    answers: (response: Response) =>
      act(async () => {
        answer(response);
        await waiting;
      }),
  };
}

describe('a page that is printed from a window of its own', () => {
  it('waits for the shelf, which prices and days come from', async () => {
    const { page: beside } = await AtWork.at('print plan', longtail);
    const words = beside.textContent;
    const { shelf, answers } = shelfOnItsWay();
    const work = await AtWork.at('print plan', longtail);
    expect(work.page.textContent).toBe('Fetching the shelf and the rules.');
    await answers(Response.json(shelf));
    await vi.waitFor(() => {
      expect(work.page.textContent).toBe(words);
    });
    expect(work.page.querySelector('[role=alert]')).toBeNull();
  });

  it('says what is missing where the shelf cannot be read', async () => {
    const { shelf, answers } = shelfOnItsWay();
    const work = await AtWork.at('print plan', longtail);
    await answers(Response.json({ error: 'broken', message: 'no' }, { status: 400 }));
    await vi.waitFor(() => {
      expect(work.page.querySelector('[role=alert]')?.textContent).toMatch(
        /shelf.*cannot be read, and is missing here/,
      );
    }, 20_000);
    expect(work.page.textContent).toContain('Plan of the work');
    queryClient.setQueryData(SHELF_KEY, shelf);
  });

  it('says so of the rules as well, and stays while they are asked for again', async () => {
    const rules = queryClient.getQueryData(['rules']);
    queryClient.removeQueries({ queryKey: ['rules'] });
    vi.stubGlobal('fetch', () => Promise.resolve(Response.json({}, { status: 400 })));
    const work = await AtWork.at('print plan', longtail);
    await vi.waitFor(() => {
      expect(work.page.querySelector('[role=alert]')?.textContent).toMatch(/rules.*cannot be read/);
    });
    expect(work.page.textContent).toContain('Plan of the work');
    queryClient.setQueryData(['rules'], rules);
  });
});
