// @vitest-environment happy-dom
import { act, cleanup, renderHook } from '@testing-library/react';
import { QueryClientProvider } from '@tanstack/react-query';
import { createElement, type ReactNode } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import { queryClient } from '../../state/query-client.ts';
import { today } from '../../state/today.ts';
import { openBuild, store } from '../../test/build-stand.ts';
import { standsWords } from './stands-words.ts';
import { useSettingsSheet } from './use-settings-sheet.ts';

openBuild();
afterEach(cleanup);
const shown = () =>
  renderHook(() => useSettingsSheet(), {
    wrapper: ({ children }: { children: ReactNode }) =>
      createElement(QueryClientProvider, { client: queryClient }, children),
  });
const line = (key: string) => store().document?.settings.lines[key];

describe('what is said of a setting', () => {
  it('is dated when it is read back, and loses the date with the value', () => {
    const { result } = shown();
    act(() => {
      result.current.tell('battery-amps', { entered: 18 }, 'entered');
    });
    expect(line('battery-amps')).toMatchObject({ entered: 18, readBack: null, readOn: '' });
    act(() => {
      result.current.tell('battery-amps', { readBack: 17 }, 'read back');
    });
    expect(line('battery-amps')).toMatchObject({ entered: 18, readBack: 17, readOn: today() });
    act(() => {
      result.current.tell('battery-amps', { readBack: null }, 'read back');
    });
    expect(line('battery-amps')?.readOn).toBe('');
  });

  it('is simulated where the programmer wrote it, until a hand types over it; its name stays', () => {
    const { result } = shown();
    act(() => {
      result.current.tell('low-volts', { name: 'LVC' }, 'name');
      result.current.programmed({ 'low-volts': 42, 'battery-amps': 20 }, { 'low-volts': 42 });
    });
    expect(line('low-volts')).toMatchObject({ name: 'LVC', entered: 42, readBack: 42, simulated: true });
    // What it did not show is not read.
    expect(line('battery-amps')).toMatchObject({ entered: 20, readBack: null });
    act(() => {
      result.current.tell('low-volts', { readBack: 41.5 }, 'read back');
    });
    expect(line('low-volts')).toMatchObject({ name: 'LVC', readBack: 41.5, simulated: false });
    // All that the programmer wrote is one step of undo.
    act(() => {
      store().undo();
      store().undo();
    });
    expect(line('battery-amps')).toBeUndefined();
  });

  it('is told in a word, and by how much', () => {
    const { result } = shown();
    act(() => {
      result.current.change(() => ({ chosen: { softStartS: 1, autoOffMin: null } }), 'chosen');
      result.current.tell('soft-start', { entered: 3, readBack: 3 }, 'entered');
    });
    const words = (key: string) => {
      const row = result.current.rows.find((r) => r.setting.key === key);
      return row === undefined ? '' : standsWords(row);
    };
    expect(words('soft-start')).toBe('+2.0');
    expect(words('auto-off')).toBe('as it comes');
    act(() => {
      result.current.tell('soft-start', { entered: 1, readBack: 0.5 }, 'entered');
    });
    expect(words('soft-start')).toBe('not taken');
    act(() => {
      result.current.tell('soft-start', { entered: 1, readBack: 1 }, 'entered');
    });
    expect(words('soft-start')).toBe('same');
  });
});
