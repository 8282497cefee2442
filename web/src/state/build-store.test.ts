import { beforeEach, describe, expect, it, vi } from 'vitest';
import { withQuantity, type BuildDocument } from '@apple-cart/core';
import { massOf, openBuild, quiet, rider, store } from '../test/build-stand.ts';
import { buildDrafts } from './build-store.ts';

const stand = openBuild();

describe('saving by itself', () => {
  it('shows a change at once and sends it after a pause, once for a burst of typing', async () => {
    for (const kg of [7, 78, 78.5]) store().edit(rider(kg), 'rider', 'brief.riderMassKg');
    expect(massOf(store().document)).toBe(78.5);
    expect(store().saveState).toBe('waiting');
    expect(stand.server.saves).toBe(0);
    await quiet();
    expect(stand.server.saves).toBe(1);
    expect(massOf(stand.server.stored.document)).toBe(78.5);
    expect(store()).toMatchObject({ saveState: 'saved', version: 2 });
    expect(buildDrafts.read('one')).toBeUndefined();
  });

  it('sends at once when asked to, as when the page is hidden', async () => {
    store().edit(rider(70), 'rider');
    await store().flush(true);
    expect(massOf(stand.server.stored.document)).toBe(70);
  });

  it('does nothing for an edit that changes nothing', () => {
    store().edit((d) => d, 'nothing');
    expect(store().saveState).toBe('saved');
    expect(store().history.past).toEqual([]);
  });
});

describe('a server that is away', () => {
  it('is told, the edit is kept in the browser, and sent again until it is acknowledged', async () => {
    stand.server.down = true;
    store().edit(rider(66), 'rider');
    await quiet();
    expect(store().saveState).toBe('offline');
    expect(massOf(buildDrafts.read('one')?.document)).toBe(66);
    await vi.advanceTimersByTimeAsync(7000);
    stand.server.down = false;
    await vi.advanceTimersByTimeAsync(4000);
    expect(store().saveState).toBe('saved');
    expect(massOf(stand.server.stored.document)).toBe(66);
    expect(buildDrafts.read('one')).toBeUndefined();
  });

  it('brings an unsent edit back when the build is opened again', async () => {
    stand.server.down = true;
    store().edit(rider(61), 'rider');
    await quiet();
    await store().close();
    stand.server.down = false;
    await store().open('one');
    expect(massOf(store().document)).toBe(61);
    await quiet();
    expect(massOf(stand.server.stored.document)).toBe(61);
  });

  it('lets a draft that began from an older version show itself as a conflict', async () => {
    await store().close();
    buildDrafts.keep('one', {
      baseVersion: 1,
      document: rider(59)(stand.server.stored.document),
      edited: true,
      keepPrevious: undefined,
      errands: [],
    });
    stand.server.changeElsewhere(rider(99));
    await store().open('one');
    await quiet();
    expect(store().saveState).toBe('conflict');
    expect(massOf(store().theirs?.document)).toBe(99);
  });

  it('says so when a build cannot be read', async () => {
    await store().open('two');
    expect(store().loadError).toBe('There is no such document.');
    expect(store().document).toBeUndefined();
  });

  it('throws a broken draft away', () => {
    localStorage.setItem('apple-cart-draft-build-one', '{"baseVersion": 1, "document": {"name": "half"');
    expect(buildDrafts.read('one')).toBeUndefined();
    localStorage.setItem('apple-cart-draft-build-one', '{"baseVersion": 1, "document": {"name": "half"}}');
    expect(buildDrafts.read('one')).toBeUndefined();
  });
});

describe('a conflict', () => {
  beforeEach(async () => {
    stand.server.changeElsewhere(rider(99));
    store().edit(rider(55), 'rider');
    await quiet();
  });

  it('waits for a decision and stores nothing meanwhile', async () => {
    expect(store().saveState).toBe('conflict');
    const { saves } = stand.server;
    store().edit(rider(56), 'rider');
    await quiet();
    expect(stand.server.saves).toBe(saves);
    expect(massOf(stand.server.stored.document)).toBe(99);
  });

  it('goes on with mine and keeps theirs', async () => {
    await store().resolve('mine');
    expect(store()).toMatchObject({ saveState: 'saved', theirs: undefined });
    expect(massOf(stand.server.stored.document)).toBe(55);
    expect(stand.server.revisions.map((r) => [r.name, massOf(r.document as BuildDocument)])).toEqual([
      ['from the other window', 99],
    ]);
  });

  it('takes theirs, keeps mine, and can be undone', async () => {
    await store().resolve('theirs');
    expect(massOf(store().document)).toBe(99);
    expect(stand.server.revisions.map((r) => [r.reason, massOf(r.document as BuildDocument)])).toEqual([
      ['set-aside', 55],
    ]);
    store().undo();
    expect(massOf(store().document)).toBe(55);
    await quiet();
    expect(massOf(stand.server.stored.document)).toBe(55);
  });
});

describe('undo and redo', () => {
  it('go over the whole build and are saved like any edit', async () => {
    const before = massOf(store().document);
    store().edit(rider(70), 'rider');
    store().edit((d) => withQuantity(d, 'packs.0.capacityAh', { source: 'measured', value: 30 }), 'capacity');
    store().undo();
    store().undo();
    expect(massOf(store().document)).toBe(before);
    store().undo();
    store().redo();
    await quiet();
    expect(massOf(stand.server.stored.document)).toBe(70);
  });
});

describe('the pin', () => {
  const pins = (): readonly string[] => stand.server.revisions.map((r) => r.reason);

  it('stays through a reload and is taken out again', async () => {
    await store().pin();
    expect(pins()).toEqual(['pin']);
    store().edit(rider(120), 'rider');
    await quiet();
    await store().close();
    await store().open('one');
    expect(massOf(store().pinned?.document)).not.toBe(120);
    expect(store().pinned?.name).toMatch(/^as at \d\d:\d\d$/);
    await store().unpin();
    expect(store().pinned).toBeUndefined();
    expect(pins()).toEqual(['was-pin']);
  });

  it('set while the server is away is not lost: it is said to be unsent, and sent when it can be', async () => {
    stand.server.down = true;
    await store().pin();
    expect(store()).toMatchObject({
      saveState: 'offline',
      pinned: { document: stand.server.stored.document },
    });
    expect(pins()).toEqual([]);
    stand.server.down = false;
    await vi.advanceTimersByTimeAsync(3000);
    expect(pins()).toEqual(['pin']);
    expect(store().saveState).toBe('saved');
  });

  it('set while the server is away outlives the page', async () => {
    stand.server.down = true;
    await store().pin();
    await store().close();
    stand.server.down = false;
    await store().open('one');
    expect(store().pinned?.name).toMatch(/^as at/);
    await quiet();
    expect(pins()).toEqual(['pin']);
    expect(buildDrafts.read('one')).toBeUndefined();
  });

  it('that the server will not keep is taken out again, and said', async () => {
    stand.server.refuse = (request) =>
      request === 'POST /revisions' ? [404, 'There is no such build.'] : undefined;
    await store().pin();
    expect(store()).toMatchObject({
      pinned: undefined,
      notKept: 'There is no such build.',
      saveState: 'saved',
    });
  });

  it('that the server will not keep leaves the pin that it has', async () => {
    await store().pin();
    const before = store().pinned;
    expect(before).toBeDefined();
    store().edit(rider(91), 'rider');
    stand.server.refuse = (request) => (request === 'POST /revisions' ? [400, 'Too many.'] : undefined);
    await store().pin();
    expect(store()).toMatchObject({ pinned: before, notKept: 'Too many.' });
  });

  it('that the server will not take out stays', async () => {
    await store().pin();
    const before = store().pinned;
    stand.server.refuse = (request) => (request.startsWith('DELETE') ? [400, 'Not now.'] : undefined);
    await store().unpin();
    expect(store()).toMatchObject({ pinned: before, notKept: 'Not now.' });
  });
});

describe('a slow answer', () => {
  it('does not let a build conflict with its own edit', async () => {
    let go: (() => void) | undefined;
    stand.server.hold = () =>
      new Promise((done) => {
        go = done;
      });
    store().edit(rider(70), 'rider');
    await quiet();
    store().edit(rider(71), 'rider');
    await vi.advanceTimersByTimeAsync(5000);
    expect(stand.server.saves).toBe(1);
    stand.server.hold = undefined;
    go?.();
    await quiet();
    expect(store().saveState).toBe('saved');
    expect(massOf(stand.server.stored.document)).toBe(71);
  });

  it('that is lost after the save was stored is no conflict when it is sent again', async () => {
    stand.server.losesAnswers = true;
    store().edit(rider(70), 'rider');
    await quiet();
    expect(store().saveState).toBe('offline');
    stand.server.losesAnswers = false;
    await vi.advanceTimersByTimeAsync(3000);
    expect(store()).toMatchObject({ saveState: 'saved', version: 2 });
  });
});
