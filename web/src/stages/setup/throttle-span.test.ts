// @vitest-environment happy-dom
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { QueryClientProvider } from '@tanstack/react-query';
import { createElement } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach, expect, it } from 'vitest';
import { queryClient } from '../../state/query-client.ts';
import { openBuild, store } from '../../test/build-stand.ts';
import { ThrottleSpan } from './throttle-span.tsx';
import { useSettingsSheet } from './use-settings-sheet.ts';

openBuild();
afterEach(cleanup);

function Shown() {
  return createElement(ThrottleSpan, { sheet: useSettingsSheet() });
}

it('stays marked as simulated until somebody says that both ends were read at the plug', () => {
  store().edit(
    (d) => ({
      ...d,
      controls: { ...d.controls, throttle: 'full' },
      settings: { ...d.settings, throttle: { restV: 0.85, fullV: 3.6, simulated: true } },
    }),
    'throttle',
  );
  render(
    createElement(
      QueryClientProvider,
      { client: queryClient },
      createElement(MemoryRouter, undefined, createElement(Shown)),
    ),
  );
  expect(screen.getByText('from a simulated meter, V')).toBeTruthy();
  const rest = screen.getByLabelText('Throttle’s signal: Let go, V');
  act(() => {
    fireEvent.change(rest, { target: { value: '0.9' } });
    fireEvent.blur(rest);
  });
  // One end typed over leaves the other as the stand-in gave it.
  expect(store().document?.settings.throttle).toEqual({ restV: 0.9, fullV: 3.6, simulated: true });
  act(() => {
    fireEvent.click(screen.getByText('Both were read at its plug'));
  });
  expect(store().document?.settings.throttle).toEqual({ restV: 0.9, fullV: 3.6, simulated: false });
  expect(screen.getByText('read at its plug, V')).toBeTruthy();
  expect(screen.queryByText('Both were read at its plug')).toBeNull();
  act(() => {
    store().undo();
  });
  expect(store().document?.settings.throttle.simulated).toBe(true);
});
