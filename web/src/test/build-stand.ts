import { afterEach, beforeEach, vi } from 'vitest';
import { withQuantity, newBuild, type BuildDocument } from '@apple-cart/core';
import { useBuild } from '../state/build-store.ts';
import { fakeStore, type FakeStore } from './fake-store.ts';

export const store = (): ReturnType<typeof useBuild.getState> => useBuild.getState();
export const rider = (value: number) => (d: BuildDocument) =>
  withQuantity(d, 'brief.riderMassKg', { source: 'measured', value });
export const massOf = (d: BuildDocument | undefined): number | undefined =>
  d?.brief.riderMassKg.source === 'unknown' ? undefined : d?.brief.riderMassKg.value;
/** The pause after which typing is sent. */
export const quiet = () => vi.advanceTimersByTimeAsync(400);

/** Opens a build on a server of its own before every test of the file. */
export function openBuild(): { readonly server: FakeStore<BuildDocument> } {
  let server: FakeStore<BuildDocument> | undefined;
  const stand = {
    get server() {
      if (server === undefined) throw new Error('there is a server only within a test');
      return server;
    },
  };
  beforeEach(async () => {
    vi.useFakeTimers();
    server = fakeStore('/api/builds/one', newBuild('Build'));
    await store().open('one');
  });
  afterEach(async () => {
    stand.server.down = false;
    await store().close();
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });
  return stand;
}
