// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { act, cleanup, fireEvent } from '@testing-library/react';
import * as fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { readBuild, type BuildDocument } from '@apple-cart/core';
import { anyBuild, anyRecords } from '@apple-cart/core/test';
import { useBuild } from '../state/build-store.ts';
import { verdictOf } from '../state/verdicts.ts';
import { PROGRAM, inHand, shown, showsPages, textsOf } from '../test/pages.ts';
import { EVERY_PAGE } from '../test/every-page.ts';

showsPages();

/** What the page itself threw while it answered a hand. */
let thrown: string[] = [];
const onError = (event: ErrorEvent): void => {
  thrown.push(String(event.error));
};
/** A stream of the server that says nothing. */
class Stream {
  addEventListener(): void {}
  close(): void {}
}
beforeEach(() => {
  thrown = [];
  vi.stubGlobal('print', () => undefined);
  vi.stubGlobal('EventSource', Stream);
  // What is saved as a file goes nowhere.
  vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(() => undefined);
  window.addEventListener('error', onError);
});
afterEach(() => {
  window.removeEventListener('error', onError);
});

const TYPED = [
  '',
  '0',
  '-5',
  '12',
  '48',
  '3.7',
  '0,5',
  '1e9',
  'a few',
  '12 mi',
  '2026-03-04',
  '=1+1',
  '½',
  'x'.repeat(300),
];
/** One thing that a hand does: at which control of those that are there, and what it types, if that can be typed into. */
const deed = fc.record({ at: fc.nat(1e6), text: fc.constantFrom(...TYPED), leaves: fc.boolean() });
const CONTROLS =
  'button:not([disabled]), input:not([disabled]):not([type=file]), select, textarea, summary, [role=menuitem], [role=menuitemradio], [role=option]';

function put(control: HTMLElement, text: string, leaves: boolean): void {
  if (control instanceof HTMLInputElement && ['checkbox', 'radio'].includes(control.type)) {
    fireEvent.click(control);
  } else if (control instanceof HTMLInputElement || control instanceof HTMLTextAreaElement) {
    fireEvent.focus(control);
    // A browser takes no more than the field is long.
    const most = control.maxLength > 0 ? control.maxLength : Infinity;
    fireEvent.change(control, { target: { value: text.slice(0, most) } });
    if (leaves) fireEvent.blur(control);
    else fireEvent.keyDown(control, { key: 'Enter' });
  } else if (control instanceof HTMLSelectElement) {
    const option = control.options[text.length % Math.max(1, control.options.length)];
    if (option !== undefined) fireEvent.change(control, { target: { value: option.value } });
  } else {
    fireEvent.pointerDown(control, { button: 0, ctrlKey: false });
    fireEvent.click(control);
  }
}

const withRecords = (document: BuildDocument) =>
  fc.tuple(fc.constant(document), anyRecords(verdictOf(document).bench));

describe('whatever a hand presses and types', () => {
  it.each(EVERY_PAGE.map((page, i) => ({ ...page, i })))(
    'the build can still be saved, and the page still stands: $name',
    async ({ address, Page, i }) => {
      await fc.assert(
        fc.asyncProperty(
          anyBuild.chain(withRecords),
          fc.array(deed, { minLength: 10, maxLength: 10 }),
          async ([document, records], deeds) => {
            inHand(document, records);
            const { page } = await shown(Page, address);
            const complaints = vi.spyOn(console, 'error').mockImplementation(() => undefined);
            for (const { at, text, leaves } of deeds) {
              const controls = [...page.querySelectorAll<HTMLElement>(CONTROLS)];
              const control = controls[at % controls.length];
              if (control === undefined) break;
              await act(async () => {
                put(control, text, leaves);
                await new Promise((done) => setTimeout(done, 0));
              });
              const what = `${control.getAttribute('aria-label') ?? control.textContent} <- ${text}`;
              const read = readBuild(JSON.parse(JSON.stringify(useBuild.getState().document)));
              expect(read.ok ? [] : read.issues, what).toEqual([]);
              expect(
                textsOf(page).filter((t) => PROGRAM.test(t)),
                what,
              ).toEqual([]);
              expect(thrown, what).toEqual([]);
            }
            const told = complaints.mock.calls.map((words) => words.map(String).join(' ').slice(0, 300));
            complaints.mockRestore();
            expect(told.filter((words) => !/No queryFn|not wrapped in act/.test(words))).toEqual([]);
            cleanup();
          },
        ),
        { seed: 20261130 + i, numRuns: 1, endOnFailure: true },
      );
    },
  );
});
