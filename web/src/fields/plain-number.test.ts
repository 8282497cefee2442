// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { createElement, useState } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import { useSettings } from '../state/settings-store.ts';
import { NumberCell } from '../ui/number-cell.tsx';
import { PlainNumber } from './plain-number.tsx';

const settings = useSettings.getState();
afterEach(() => {
  cleanup();
  useSettings.setState(settings, true);
});

/** A lamp's volts, and a cell of a table, each with what it came to. */
function Volts() {
  const [value, setValue] = useState(12);
  const own = { label: 'at', value, unit: 'V', min: 1, orNought: true, max: 300, step: 1 } as const;
  return createElement(
    'div',
    null,
    createElement(PlainNumber, { ...own, onChange: setValue }),
    `${String(value)} now`,
  );
}
function Hours() {
  const [value, setValue] = useState<number | null>(2);
  const own = { label: 'Hours', value, most: 24, whole: true } as const;
  return createElement(
    'div',
    null,
    createElement(NumberCell, { ...own, onChange: setValue }),
    `${String(value)} now`,
  );
}
const type = (field: HTMLElement, text: string): void => {
  fireEvent.focus(field);
  fireEvent.change(field, { target: { value: text } });
};
const field = (): HTMLInputElement => screen.getByRole('textbox');

describe('a number without a source', () => {
  it('counts as it is typed, in its limits', () => {
    render(createElement(Volts));
    type(field(), '36');
    expect(document.body.textContent).toContain('36 now');
    type(field(), '0');
    expect(document.body.textContent).toContain('0 now');
    expect(screen.queryByRole('alert')).toBeNull();
  });

  it.each(['0.5', '400', '5 km', 'much'])(
    'of “%s” says at its place what is meant, and keeps what was typed',
    (text) => {
      render(createElement(Volts));
      type(field(), text);
      fireEvent.blur(field());
      const why = screen.getByRole('alert');
      expect(why.textContent).toBe('0, or 1.0\u00a0V to 300.0\u00a0V; what was there stays in force.');
      expect(field().getAttribute('aria-describedby')).toBe(why.id);
      expect(field().value).toBe(text);
      expect(document.body.textContent).toContain('12 now');
      // Who comes back to it finds what was typed, to be put right.
      fireEvent.focus(field());
      expect(field().value).toBe(text);
      type(field(), '6');
      fireEvent.blur(field());
      expect(screen.queryByRole('alert')).toBeNull();
      expect(document.body.textContent).toContain('6 now');
    },
  );

  it('tells its limits in the reader’s units', () => {
    useSettings.setState({ units: 'imperial' });
    const own = { label: 'wide', value: 254, unit: 'mm', min: 25.4, max: 508, step: 1 } as const;
    render(createElement(PlainNumber, { ...own, onChange: () => undefined }));
    expect(field().value).toBe('10.00');
    type(field(), '30');
    expect(screen.getByRole('alert').textContent).toContain('1.00\u00a0in to 20.00\u00a0in');
  });
});

describe('a number in a table', () => {
  it('counts as it is typed; nothing is not known', () => {
    render(createElement(Hours));
    type(field(), '8');
    expect(document.body.textContent).toContain('8 now');
    type(field(), '');
    expect(document.body.textContent).toContain('null now');
  });

  it.each(['25', '1.5', '-1', 'all day'])(
    'of “%s” says at its place what is meant, and keeps what was typed',
    (text) => {
      render(createElement(Hours));
      type(field(), text);
      fireEvent.blur(field());
      expect(screen.getByRole('alert').textContent).toBe('A whole number from 0 to 24, or nothing.');
      expect(field().value).toBe(text);
      expect(document.body.textContent).toContain('2 now');
    },
  );
});
