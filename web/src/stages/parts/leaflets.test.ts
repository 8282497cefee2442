// @vitest-environment happy-dom
import { act, cleanup, renderHook } from '@testing-library/react';
import { createElement, type ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach, describe, expect, it } from 'vitest';
import { openBuild, store } from '../../test/build-stand.ts';
import { leafletName, useLeaflets } from './leaflets.ts';

openBuild();
afterEach(cleanup);
const shown = () =>
  renderHook(() => useLeaflets(), {
    wrapper: ({ children }: { children: ReactNode }) => createElement(MemoryRouter, undefined, children),
  });
const documentNow = () => {
  const { document } = store();
  if (document === undefined) throw new Error('no build is open');
  return document;
};

describe('leaflets of ready-made bicycles', () => {
  it('are typed one by one: what is typed goes to the one that is looked at', () => {
    const { result } = shown();
    act(() => {
      result.current.change({ price: 3000 }, 'price');
    });
    act(() => {
      result.current.add();
    });
    expect(result.current.index).toBe(1);
    act(() => {
      result.current.change({ price: 2000, name: 'The other' }, 'price');
    });
    expect(documentNow().readyMade.price).toBe(3000);
    expect(documentNow().moreReady.map((r) => [r.name, r.price])).toEqual([['The other', 2000]]);
    act(() => {
      result.current.look(0);
    });
    expect(result.current.ready.price).toBe(3000);
  });

  it('can be taken out, and that can be undone', () => {
    const { result } = shown();
    act(() => {
      result.current.add();
    });
    act(() => {
      result.current.change({ price: 5 }, 'price');
    });
    act(() => {
      result.current.takeOut();
    });
    expect(documentNow().moreReady).toEqual([]);
    expect(result.current.index).toBe(0);
    act(() => {
      store().undo();
    });
    expect(documentNow().moreReady[0]?.price).toBe(5);
  });

  it('are called by their names, else by their places', () => {
    const { result } = shown();
    expect(leafletName(result.current.ready, 0)).toBe('Ready-made 1');
    expect(leafletName({ ...result.current.ready, name: '  Plain one ' }, 2)).toBe('Plain one');
  });
});
