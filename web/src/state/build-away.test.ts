import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { withQuantity, newBuild, type BuildDocument } from '@apple-cart/core';
import { fakeStore, type FakeStore } from '../test/fake-store.ts';
import { buildDrafts, useBuild } from './build-store.ts';

let server: FakeStore<BuildDocument>;
const store = () => useBuild.getState();
const rider = (value: number) => (d: BuildDocument) =>
  withQuantity(d, 'brief.riderMassKg', { source: 'measured', value });
const massOf = (d: BuildDocument | undefined): number | undefined =>
  d?.brief.riderMassKg.source === 'unknown' ? undefined : d?.brief.riderMassKg.value;
const quiet = () => vi.advanceTimersByTimeAsync(400);

beforeEach(async () => {
  vi.useFakeTimers();
  server = fakeStore('/api/builds/one', newBuild('Build'));
  await store().open('one');
});
afterEach(async () => {
  server.down = false;
  await store().close();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('a build put away in another window', () => {
  it('says so, keeps what is typed, and goes on when it is brought back', async () => {
    server.putAway = true;
    store().edit(rider(66), 'rider');
    await quiet();
    expect(store()).toMatchObject({ saveState: 'gone' });
    store().edit(rider(67), 'rider');
    await quiet();
    expect(massOf(buildDrafts.read('one')?.document)).toBe(67);
    await store().bringBack();
    expect(store().saveState).toBe('saved');
    expect(massOf(server.stored.document)).toBe(67);
  });

  it('that is opened says so, and is opened once it is back', async () => {
    await store().close();
    server.putAway = true;
    await store().open('one');
    expect(store()).toMatchObject({ isPutAway: true, document: undefined });
    await store().bringBack();
    expect(store()).toMatchObject({ isPutAway: false, loadError: undefined });
    expect(store().document?.name).toBe('Build');
  });

  it('that cannot be brought back says why', async () => {
    server.putAway = true;
    store().edit(rider(66), 'rider');
    await quiet();
    server.down = true;
    await store().bringBack();
    expect(store()).toMatchObject({
      saveState: 'gone',
      notKept: expect.stringMatching(/cannot be reached/) as string,
    });
  });
});

describe('a pin while the server is away', () => {
  it('says that it waits until the server has it', async () => {
    server.down = true;
    await store().pin();
    expect(store()).toMatchObject({ errandsWait: 1, saveState: 'offline' });
    expect(server.revisions).toEqual([]);
    server.down = false;
    await vi.advanceTimersByTimeAsync(5000);
    expect(store()).toMatchObject({ errandsWait: 0, saveState: 'saved' });
    expect(server.revisions).toMatchObject([{ reason: 'pin' }]);
  });
});

describe('a build that cannot be read now', () => {
  it('is not said to be missing, and is read when it is tried again', async () => {
    await store().close();
    server.down = true;
    await store().open('one');
    expect(store()).toMatchObject({ isAway: true, isPutAway: false, document: undefined });
    server.down = false;
    await store().open('one');
    expect(store()).toMatchObject({ isAway: false, loadError: undefined });
    expect(store().document?.name).toBe('Build');
  });
});
