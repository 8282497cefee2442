// @vitest-environment happy-dom
import { createElement } from 'react';
import { render } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { Studying } from './studying.tsx';

const shown = (studied: { value?: number; busy: boolean; why?: string }, retry = vi.fn<() => void>()) =>
  render(
    createElement(Studying<number>, {
      value: studied.value,
      busy: studied.busy,
      why: studied.why,
      retry,
      children: (value) => createElement('p', null, `${String(value)} km`),
    }),
  ).container;

describe('an answer of a study', () => {
  it('says that it is of before while the next is worked out, in ink that can be read', () => {
    const container = shown({ value: 41, busy: true });
    expect(container.textContent).toContain('41 km');
    expect(container.querySelector('[role=status]')?.textContent).toBe('as before; being worked out anew…');
    expect(container.querySelector('[aria-busy=true]')?.textContent).toContain('41 km');
    // Ink that is paled falls below the 4.5 to 1 of WCAG 2.1, 1.4.3.
    expect(container.innerHTML).not.toContain('opacity');
  });

  it('stands alone when it is of now', () => {
    expect(shown({ value: 41, busy: false }).textContent).toBe('41 km');
  });

  it('has words before there is one, and says why there is none', () => {
    expect(shown({ busy: true }).textContent).toBe('Working it out…');
    const retry = vi.fn<() => void>();
    const failed = shown({ busy: false, why: 'no cells are named' }, retry);
    expect(failed.querySelector('[role=alert]')?.textContent).toContain('no cells are named');
    failed.querySelector('button')?.click();
    expect(retry).toHaveBeenCalledOnce();
  });
});
