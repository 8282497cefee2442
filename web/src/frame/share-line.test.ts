// @vitest-environment happy-dom
import { QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { createElement } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { ShareState } from '@apple-cart/contracts';
import { queryClient } from '../state/query-client.ts';
import { ShareLine } from './share-line.tsx';

const TABLET = { id: 't', name: 'Tablet', address: '192.0.2.7', since: '2026-11-01', seen: '2026-11-02' };

/** The computer, with a server that knows one tablet and signs it out when it is asked to and can. */
function atTheComputer(can: { signOut: boolean }) {
  const state: { now: ShareState } = {
    now: { on: true, addresses: ['http://192.0.2.1:4100/'], devices: [TABLET] },
  };
  vi.stubGlobal('fetch', (_url: string, { method = 'GET' }: RequestInit = {}) => {
    if (method === 'GET') return Promise.resolve(Response.json(state.now));
    if (!can.signOut) return Promise.resolve(new Response('', { status: 500 }));
    state.now = { ...state.now, devices: [] };
    return Promise.resolve(new Response(null, { status: 204 }));
  });
  queryClient.removeQueries({ queryKey: ['share'] });
  render(createElement(QueryClientProvider, { client: queryClient }, createElement(ShareLine)));
  const press = async (): Promise<void> => {
    const button = await screen.findByText('Sign out');
    await act(async () => {
      fireEvent.click(button);
      await Promise.resolve();
    });
  };
  return { press };
}

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('a device that was let in', () => {
  it('is gone from the list once it is signed out', async () => {
    const { press } = atTheComputer({ signOut: true });
    await press();
    await vi.waitFor(() => {
      expect(screen.queryByText(/192\.0\.2\.7/)).toBeNull();
    });
    expect(screen.queryByRole('alert')).toBeNull();
  });

  it('stays, and it is said why, where the server cannot', async () => {
    const can = { signOut: false };
    const { press } = atTheComputer(can);
    await press();
    expect((await screen.findByRole('alert')).textContent).toBe('The server answered 500.');
    expect(screen.queryByText(/192\.0\.2\.7/)).not.toBeNull();
    can.signOut = true;
    await press();
    await vi.waitFor(() => {
      expect(screen.queryByText(/192\.0\.2\.7/)).toBeNull();
    });
    expect(screen.queryByRole('alert')).toBeNull();
  });
});
