// @vitest-environment happy-dom
import { fireEvent, screen, act } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { longtail } from '@apple-cart/core/test';
import { AtWork } from '../test/at-work.ts';
import { showsPages } from '../test/pages.ts';

showsPages();

it('a picture that the browser cannot draw is told, where it was asked for', async () => {
  // What stands in for a browser here has no canvas to draw on.
  const work = await AtWork.at('hill grade', longtail);
  expect(work.text).not.toContain('could not draw');
  await work.press('Export');
  const item = screen.getByRole('menuitem', { name: 'Picture (PNG)' });
  await act(async () => {
    fireEvent.click(item);
    await Promise.resolve();
  });
  await vi.waitFor(() => {
    expect(work.text).toContain('could not draw the picture');
  }, 60_000);
});
