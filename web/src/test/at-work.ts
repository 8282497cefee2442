import { act, cleanup, configure, fireEvent, within } from '@testing-library/react';
import type { ComponentType } from 'react';
import { expect, vi } from 'vitest';
import type { BuildDocument, Kept } from '@apple-cart/core';
import { useBuild } from '../state/build-store.ts';
import { EVERY_PAGE } from './every-page.ts';
import { inHand, shown } from './pages.ts';
import { WorkerHere } from './worker-here.ts';

// What is not found is named in a line: a whole page helps nobody.
configure({ getElementError: (message) => new Error(message?.split('\n')[0]) });

/** Words as they are read: what keeps a number and its unit on one line is a blank to the eye. */
const readAs = (text: string | null | undefined): string =>
  (text ?? '').replaceAll('\u00a0', ' ').replaceAll(/\s+/g, ' ').trim();

/** Something of it is still being worked out. */
const waits = (page: HTMLElement): boolean =>
  page.querySelector('[aria-busy=true]') !== null ||
  [...page.querySelectorAll('[role=status]')].some(({ textContent }) => textContent.trim().endsWith('…'));

/** Until everything that is worked out beside a page has been answered. */
export async function answered(page: HTMLElement): Promise<void> {
  await vi.waitFor(async () => {
    await act(() => vi.dynamicImportSettled());
    expect(waits(page)).toBe(false);
  }, 60_000);
}

/** A person at a page: what they press, type and choose is called by the words that they see. */
export class AtWork {
  readonly page: HTMLElement;

  private constructor(page: HTMLElement) {
    this.page = page;
  }

  /**
   * Opens a page of a build, with studies that answer.
   * @param name the page's, as EVERY_PAGE names it: stage and view
   */
  static async at(name: string, document: BuildDocument, records: readonly Kept[] = []): Promise<AtWork> {
    const page = EVERY_PAGE.find((one) => one.name === name);
    if (page === undefined) throw new Error(`there is no page ${name}`);
    return AtWork.on(page.Page, page.address, document, records);
  }

  /** Opens anything at an address of a build. */
  static async on(
    Page: ComponentType,
    address: string,
    document: BuildDocument,
    records: readonly Kept[] = [],
  ): Promise<AtWork> {
    // One page at a time, as in a window.
    cleanup();
    WorkerHere.silent = false;
    inHand(document, records);
    const { page, complaints } = await shown(Page, address);
    const work = new AtWork(page);
    await answered(page);
    expect(complaints).toEqual([]);
    return work;
  }

  /** The build as it stands. */
  get build(): BuildDocument {
    const { document } = useBuild.getState();
    if (document === undefined) throw new Error('no build is in hand');
    return document;
  }

  /** All that is read on the page. */
  get text(): string {
    return readAs(this.page.textContent);
  }

  /** The field of a label, as it is read. */
  field(label: string | RegExp): HTMLInputElement {
    return within(this.page).getAllByLabelText<HTMLInputElement>(label)[0] as HTMLInputElement;
  }

  /** What stands in a field; what it is taken as where it is empty. */
  stands(label: string | RegExp): string {
    const { value, placeholder } = this.field(label);
    return value === '' ? placeholder : value;
  }

  /** Types into a field and goes on to the next. */
  async type(label: string | RegExp, text: string): Promise<void> {
    const field = this.field(label);
    await this.do(() => {
      fireEvent.focus(field);
      fireEvent.change(field, { target: { value: text } });
      fireEvent.blur(field);
    });
  }

  async key(label: string | RegExp, key: string): Promise<void> {
    const field = this.field(label);
    await this.do(() => {
      fireEvent.focus(field);
      fireEvent.keyDown(field, { key });
    });
  }

  /** What stands below a field. */
  below(label: string | RegExp): string {
    const id = this.field(label).getAttribute('aria-describedby') ?? '';
    return readAs(this.page.ownerDocument.getElementById(id)?.textContent);
  }

  async press(name: string | RegExp, nth = 0): Promise<void> {
    const button = within(this.page).getAllByRole('button', { name })[nth];
    if (button === undefined) throw new Error(`there is no button ${String(name)}`);
    await this.do(() => {
      fireEvent.pointerDown(button, { button: 0, ctrlKey: false });
      fireEvent.click(button);
    });
  }

  /** Opens one of several sheets that lie over each other. */
  async turnTo(name: string): Promise<void> {
    const tab = within(this.page).getByRole('tab', { name });
    await this.do(() => fireEvent.mouseDown(tab, { button: 0, ctrlKey: false }));
  }

  /** Ticks or unticks a box. */
  async tick(name: string | RegExp): Promise<void> {
    const box = within(this.page).getByRole('checkbox', { name });
    await this.do(() => fireEvent.click(box));
  }

  /** Opens the menu of a choice and takes one of its words. */
  async choose(label: string, option: string | RegExp): Promise<void> {
    await this.press(new RegExp(`^${label.replaceAll(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`)}`));
    await this.pick(option);
  }

  /** Takes one of the words of the menu that is open. */
  async pick(option: string | RegExp): Promise<void> {
    const item = within(this.page).getByRole('menuitemradio', { name: option });
    await this.do(() => fireEvent.click(item));
  }

  /** Every row of every table as it is read, cell by cell. */
  get rows(): readonly (readonly string[])[] {
    return [...this.page.querySelectorAll('tr')].map((row) =>
      [...row.querySelectorAll('th, td')].map((cell) => readAs(cell.textContent)),
    );
  }

  /** The cells of a row after the one that begins so. */
  row(name: string): readonly string[] {
    for (const row of this.rows) {
      const at = row.findIndex((cell) => cell.startsWith(name));
      if (at >= 0) return row.slice(at + 1);
    }
    throw new Error(`there is no row ${name}`);
  }

  /** Anything that a hand does, until what it sets off has been answered. */
  async do(deed: () => unknown): Promise<void> {
    const complaints = vi.spyOn(console, 'error').mockImplementation(() => undefined);
    await act(async () => {
      deed();
      await Promise.resolve();
    });
    await answered(this.page);
    const told = complaints.mock.calls.map((words) => words.map(String).join(' ').slice(0, 300));
    complaints.mockRestore();
    expect(told.filter((words) => !/No queryFn|not wrapped in act/.test(words))).toEqual([]);
  }
}
