import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { part, type Part } from '@apple-cart/core';
import { full, fakeStore, type FakeStore } from '../test/fake-store.ts';
import { queryClient } from './query-client.ts';
import { partSender, partsTyped } from './shelf.ts';
import { leavesBehind } from './leaving.ts';

const ring = (name: string, teeth = 38): Part =>
  part.parse({
    id: 'ring-38',
    type: 'ring',
    name,
    maker: 'Test',
    price: 30,
    currency: 'GBP',
    massKg: 0.2,
    teeth,
  });
let server: FakeStore<Part>;
const sending = () => partSender.use.getState()['ring-38'];
const pass = (ms: number) => vi.advanceTimersByTimeAsync(ms);

beforeEach(() => {
  vi.useFakeTimers();
  server = fakeStore('/api/parts/ring-38', ring('First'));
  queryClient.clear();
});
afterEach(() => {
  partSender.stop();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('what a form gives away', () => {
  it('is sent at once, and leaves nothing behind when it is kept', async () => {
    partsTyped.keep('ring-38', { cells: {}, version: 1 });
    expect(await partSender.send('ring-38', 1, ring('Second'))).toMatchObject({ saveState: 'saved' });
    expect(server.stored.document.name).toBe('Second');
    expect(sending()).toBeUndefined();
    expect(partSender.drafts.mine()).toEqual([]);
    expect(partsTyped.own('ring-38')).toBeUndefined();
    expect(leavesBehind()).toBe(false);
  });

  it('waits while the server is away, over a page that is reloaded, and is sent by itself', async () => {
    server.down = true;
    expect(await partSender.send('ring-38', 1, ring('Second'))).toMatchObject({
      saveState: 'offline',
      held: true,
    });
    expect(leavesBehind()).toBe(true);
    // The page is reloaded: what it had in hand is gone, its draft is there.
    partSender.stop();
    expect(partSender.drafts.mine()).toEqual(['ring-38']);
    server.down = false;
    partSender.resumeAll();
    await pass(1000);
    expect(server.stored.document.name).toBe('Second');
    expect(partSender.drafts.mine()).toEqual([]);
  });

  it('is said not to be held where the browser’s store is full', async () => {
    server.down = true;
    full.now = true;
    expect(await partSender.send('ring-38', 1, ring('Second'))).toMatchObject({ held: false });
  });

  it.each(['mine', 'theirs'] as const)(
    'meets another window’s: with %s the other is a version',
    async (choice) => {
      server.changeElsewhere(() => ring('Theirs'));
      expect(await partSender.send('ring-38', 1, ring('Mine'))).toMatchObject({ saveState: 'conflict' });
      expect(server.stored.document.name).toBe('Theirs');
      await partSender.resolve('ring-38', choice);
      await pass(1000);
      expect(server.stored.document.name).toBe(choice === 'mine' ? 'Mine' : 'Theirs');
      expect(server.revisions).toMatchObject([
        { reason: 'set-aside', document: { name: choice === 'mine' ? 'Theirs' : 'Mine' } },
      ]);
      expect(sending()).toBeUndefined();
    },
  );

  it('for a part that another window put away waits until it is back', async () => {
    server.putAway = true;
    expect(await partSender.send('ring-38', 1, ring('Mine'))).toMatchObject({ saveState: 'gone' });
    await partSender.bringBack('ring-38');
    expect(server.stored.document.name).toBe('Mine');
    expect(sending()).toBeUndefined();
  });

  it('that the server does not take says why, and is let go when it is in the form again', async () => {
    server.refuse = (request) => (request === 'PUT ' ? [400, 'teeth: wanted fewer.'] : undefined);
    expect(await partSender.send('ring-38', 1, ring('Mine'))).toMatchObject({
      saveState: 'refused',
      refusal: 'teeth: wanted fewer.',
    });
    partSender.drop('ring-38');
    expect(sending()).toBeUndefined();
    expect(partSender.drafts.mine()).toEqual([]);
  });
});
