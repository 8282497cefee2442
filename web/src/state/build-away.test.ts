import { describe, expect, it, vi } from 'vitest';
import { massOf, openBuild, quiet, rider, store } from '../test/build-stand.ts';
import { buildDrafts } from './build-store.ts';

const stand = openBuild();

describe('a build put away in another window', () => {
  it('says so, keeps what is typed, and goes on when it is brought back', async () => {
    stand.server.putAway = true;
    store().edit(rider(66), 'rider');
    await quiet();
    expect(store()).toMatchObject({ saveState: 'gone' });
    store().edit(rider(67), 'rider');
    await quiet();
    expect(massOf(buildDrafts.read('one')?.document)).toBe(67);
    await store().bringBack();
    expect(store().saveState).toBe('saved');
    expect(massOf(stand.server.stored.document)).toBe(67);
  });

  it('that is opened says so, and is opened once it is back', async () => {
    await store().close();
    stand.server.putAway = true;
    await store().open('one');
    expect(store()).toMatchObject({ isPutAway: true, document: undefined });
    await store().bringBack();
    expect(store()).toMatchObject({ isPutAway: false, loadError: undefined });
    expect(store().document?.name).toBe('Build');
  });

  it('that cannot be brought back says why', async () => {
    stand.server.putAway = true;
    store().edit(rider(66), 'rider');
    await quiet();
    stand.server.down = true;
    await store().bringBack();
    expect(store()).toMatchObject({
      saveState: 'gone',
      notKept: expect.stringMatching(/cannot be reached/) as string,
    });
  });
});

describe('a pin while the server is away', () => {
  it('says that it waits until the server has it', async () => {
    stand.server.down = true;
    await store().pin();
    expect(store()).toMatchObject({ errandsWait: 1, saveState: 'offline' });
    expect(stand.server.revisions).toEqual([]);
    stand.server.down = false;
    await vi.advanceTimersByTimeAsync(5000);
    expect(store()).toMatchObject({ errandsWait: 0, saveState: 'saved' });
    expect(stand.server.revisions).toMatchObject([{ reason: 'pin' }]);
  });
});

describe('a build that cannot be read now', () => {
  it('is not said to be missing, and is read when it is tried again', async () => {
    await store().close();
    stand.server.down = true;
    await store().open('one');
    expect(store()).toMatchObject({ isAway: true, isPutAway: false, document: undefined });
    stand.server.down = false;
    await store().open('one');
    expect(store()).toMatchObject({ isAway: false, loadError: undefined });
    expect(store().document?.name).toBe('Build');
  });
});
