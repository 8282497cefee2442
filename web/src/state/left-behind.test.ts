// @vitest-environment happy-dom
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { newBuild, withQuantity, type BuildDocument } from '@apple-cart/core';
import { fakeStore, type FakeStore } from '../test/fake-store.ts';
import { buildDrafts, useBuild } from './build-store.ts';
import { useLeftBehind } from './left-behind.ts';
import { partsTyped } from './shelf.ts';
import '../test/patience.ts';

let server: FakeStore<BuildDocument>;
const rider = (d: BuildDocument, value: number) =>
  withQuantity(d, 'brief.riderMassKg', { source: 'measured', value });
const massOf = (d: BuildDocument | undefined) =>
  (d?.brief.riderMassKg as { value?: number } | undefined)?.value;
/** As a window that is closed now has left it. */
const leave = (kg: number, baseVersion = 1): void => {
  localStorage.setItem(
    'apple-cart-held:build:one:c105ed',
    JSON.stringify({
      at: '2026-04-12T08:00:00.000Z',
      value: { baseVersion, document: rider(server.stored.document, kg), edited: true, errands: [] },
    }),
  );
};
async function found() {
  const { result } = renderHook(() => useLeftBehind());
  await waitFor(() => {
    expect(result.current.left).toHaveLength(1);
  });
  const [one] = result.current.left;
  if (one === undefined) throw new Error('nothing left');
  return { one, result };
}

beforeEach(() => {
  server = fakeStore('/api/builds/one', newBuild('Build'));
});
afterEach(async () => {
  cleanup();
  server.down = false;
  await useBuild.getState().close();
  vi.unstubAllGlobals();
});

describe('what a closed window left unsent', () => {
  it('is offered with what differs, and brought in: shown, sent, and held by this window alone', async () => {
    leave(66);
    const { one } = await found();
    expect(one).toMatchObject({
      word: 'build',
      name: 'Build',
      differ: [expect.stringMatching(/ider/) as string],
    });
    expect(await one.bringIn()).toEqual({ at: '/builds/one/brief' });
    expect(massOf(useBuild.getState().document)).toBe(66);
    await waitFor(() => {
      expect(massOf(server.stored.document)).toBe(66);
    });
    expect(localStorage.length).toBe(0);
  });

  it('on top of what has moved on meanwhile is a conflict, not an overwriting', async () => {
    leave(66);
    server.changeElsewhere((d) => rider(d, 90));
    const { one } = await found();
    await one.bringIn();
    await waitFor(() => {
      expect(useBuild.getState().saveState).toBe('conflict');
    });
    expect(massOf(server.stored.document)).toBe(90);
  });

  it('waits while this window has something unsent of its own', async () => {
    await useBuild.getState().open('one');
    server.down = true;
    useBuild.getState().edit((d) => rider(d, 70), 'rider');
    await useBuild.getState().flush();
    expect(massOf(buildDrafts.read('one')?.document)).toBe(70);
    leave(66);
    const { one } = await found();
    expect(one.differ).toBeUndefined();
    expect(await one.bringIn()).toEqual({ why: expect.stringMatching(/changes of its own/) as string });
    expect(buildDrafts.left()).toHaveLength(1);
  });

  it('by this window itself, before it went on to another page, is offered too', async () => {
    await useBuild.getState().open('one');
    server.down = true;
    useBuild.getState().edit((d) => rider(d, 71), 'rider');
    await useBuild.getState().close();
    server.down = false;
    const { one } = await found();
    expect(one.own).toBe(true);
    expect(await one.bringIn()).toEqual({ at: '/builds/one/brief' });
    await waitFor(() => {
      expect(massOf(server.stored.document)).toBe(71);
    });
    expect(localStorage.length).toBe(0);
  });

  it('is dropped when its user says so', async () => {
    leave(66);
    const { one, result } = await found();
    act(() => {
      one.drop();
      result.current.again();
    });
    await waitFor(() => {
      expect(result.current.left).toEqual([]);
    });
    expect(localStorage.length).toBe(0);
  });
});

describe('what a closed window typed into a form', () => {
  it('is offered beside it, and is in the form of this window when it is brought in', async () => {
    localStorage.setItem(
      'apple-cart-held:typed-part:new-ring:c105ed',
      JSON.stringify({
        at: '2026-04-12T08:00:00.000Z',
        value: { type: 'ring', cells: { name: 'Half typed' }, version: 0 },
      }),
    );
    const { one } = await found();
    expect(one).toMatchObject({ word: 'form of the part', name: 'Half typed', half: true });
    expect(await one.bringIn()).toEqual({ at: '/shelf/ring' });
    expect(partsTyped.own('new-ring')?.value).toMatchObject({ cells: { name: 'Half typed' } });
    expect(localStorage.length).toBe(1);
  });
});
