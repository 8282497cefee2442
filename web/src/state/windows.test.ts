import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { readRoute, evenHill, type Route } from '@apple-cart/core';
import type { Unsent } from './saving.ts';

/** Stores of a browser: one for all windows, and one for each. */
class Store {
  readonly map = new Map<string, string>();
  full = false;
  getItem = (key: string): string | null => this.map.get(key) ?? null;
  setItem = (key: string, value: string): void => {
    if (this.full) throw new DOMException('full', 'QuotaExceededError');
    this.map.set(key, value);
  };
  removeItem = (key: string): void => void this.map.delete(key);
  key = (i: number): string | null => [...this.map.keys()][i] ?? null;
  get length(): number {
    return this.map.size;
  }
}

let shared: Store;
const closers: (() => void)[] = [];
beforeEach(() => {
  shared = new Store();
  vi.stubGlobal('localStorage', shared);
});
afterEach(() => {
  for (const close of closers.splice(0)) close();
  vi.unstubAllGlobals();
  vi.resetModules();
});

/** A window: its own copy of the code, its own session. A copied window begins with the session of another. */
async function open(session = new Store()) {
  vi.resetModules();
  vi.stubGlobal('sessionStorage', session);
  const page = await import('./this-window.ts');
  const { drafts } = await import('./drafts.ts');
  page.joinWindows();
  closers.push(page.leaveWindows);
  const id = page.windowId();
  await page.windowSettled();
  return { ...page, session, first: id, drafts: drafts('route', readRoute) };
}

const unsent = (name: string): Unsent<Route> => ({
  baseVersion: 1,
  document: evenHill(name, 500, 5),
  edited: true,
  keepPrevious: undefined,
  errands: [],
});
const names = (left: readonly { readonly unsent: Unsent<Route> }[]) =>
  left.map((l) => l.unsent.document.name);

describe('two windows', () => {
  it('have ids of their own, and each knows that the other is open', async () => {
    const [a, b] = [await open(), await open()];
    expect(a.windowId()).not.toBe(b.windowId());
    expect([...(await a.otherWindows())]).toEqual([b.windowId()]);
    b.leaveWindows();
    expect([...(await a.otherWindows())]).toEqual([]);
  });

  it('one of which is a copy of the other part at once: the copy takes another id', async () => {
    const a = await open();
    const copy = new Store();
    for (const [key, value] of a.session.map) copy.map.set(key, value);
    const b = await open(copy);
    expect(b.first).toBe(a.first);
    expect(b.windowId()).not.toBe(a.windowId());
    expect(copy.map.get('apple-cart-window')).toBe(b.windowId());
  });

  it('that is reloaded is the same window', async () => {
    const a = await open();
    const before = a.windowId();
    a.leaveWindows();
    expect((await open(a.session)).windowId()).toBe(before);
  });

  it('hear from each other what was put away', async () => {
    const [a, b] = [await open(), await open()];
    const heard: string[] = [];
    a.onMoved((address) => heard.push(address));
    b.tellMoved('/builds/x');
    await vi.waitFor(() => {
      expect(heard).toEqual(['/builds/x']);
    });
  });
});

describe('drafts', () => {
  it('of two windows stand beside each other: none is written over or dropped by the other', async () => {
    const [a, b] = [await open(), await open()];
    a.drafts.keep('lane', unsent('of A'));
    b.drafts.keep('lane', unsent('of B'));
    expect(a.drafts.read('lane')?.document.name).toBe('of A');
    expect(b.drafts.read('lane')?.document.name).toBe('of B');
    b.drafts.keep('lane', undefined);
    expect(a.drafts.read('lane')?.document.name).toBe('of A');
    expect(names(b.drafts.left())).toEqual(['of A']);
    expect(a.drafts.mine()).toEqual(['lane']);
    expect(b.drafts.mine()).toEqual([]);
  });

  it('of a closed window can be taken over, once it is held here, or dropped', async () => {
    const [a, b] = [await open(), await open()];
    a.drafts.keep('lane', unsent('of A'));
    const [left] = b.drafts.left();
    if (left === undefined) throw new Error('nothing left');
    shared.full = true;
    expect(b.drafts.adopt(left)).toBe(false);
    expect(names(b.drafts.left())).toEqual(['of A']);
    shared.full = false;
    expect(b.drafts.adopt(left)).toBe(true);
    expect(b.drafts.read('lane')?.document.name).toBe('of A');
    expect(b.drafts.left()).toEqual([]);
  });

  it('say when the browser’s store does not take them', async () => {
    const a = await open();
    expect(a.drafts.keep('lane', unsent('x'))).toBe(true);
    shared.full = true;
    expect(a.drafts.keep('lane', unsent('y'))).toBe(false);
    vi.stubGlobal('localStorage', {
      get length(): number {
        throw new DOMException('denied');
      },
    });
    expect(a.drafts.keep('lane', unsent('y'))).toBe(false);
    expect(a.drafts.left()).toEqual([]);
  });

  it('of a page from before windows had ids are offered too, and rubbish is not', async () => {
    shared.map.set('apple-cart-draft-route-lane', JSON.stringify(unsent('old')));
    shared.map.set('apple-cart-held:route:torn:0123', '{"value":');
    shared.map.set('apple-cart-held:route:wrong:0123', '{"value":{"baseVersion":1,"document":{}}}');
    const a = await open();
    expect(names(a.drafts.left())).toEqual(['old']);
    const [left] = a.drafts.left();
    if (left !== undefined) a.drafts.drop(left);
    expect(shared.map.has('apple-cart-draft-route-lane')).toBe(false);
  });
});
