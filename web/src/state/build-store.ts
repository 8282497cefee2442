import { create } from 'zustand';
import type { Stored } from '@apple-cart/contracts';
import { readBuild, type BuildDocument } from '@apple-cart/core';
import { api } from './api.ts';
import { Autosaver, type Errand, type SaveState, type Saving } from './autosaver.ts';
import { drafts } from './drafts.ts';
import { emptyHistory, record, redo, undo, type History } from './history.ts';

export type { SaveState } from './autosaver.ts';

export interface Pinned {
  readonly name: string;
  readonly document: BuildDocument;
}

interface BuildState {
  readonly id: string | undefined;
  /** The version the server last acknowledged. */
  readonly version: number;
  readonly document: BuildDocument | undefined;
  readonly history: History<BuildDocument>;
  readonly saveState: SaveState;
  /** Why the server refused something, in its words. */
  readonly refusal: string | undefined;
  /** The other window's build while a conflict waits for a decision. */
  readonly theirs: Stored<BuildDocument> | undefined;
  readonly pinned: Pinned | undefined;
  /** A pin or a version that the server would not keep, in words; until the next one. */
  readonly notKept: string | undefined;
  readonly loadError: string | undefined;

  readonly open: (id: string) => Promise<void>;
  /** Sends what is unsent and forgets the open build. */
  readonly close: () => Promise<void>;
  readonly edit: (change: (document: BuildDocument) => BuildDocument, label: string, key?: string) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly pin: () => Promise<void>;
  readonly unpin: () => Promise<void>;
  /** Keeps the present state as a version of a name. */
  readonly keep: (name: string) => Promise<void>;
  /** Settles a conflict; whichever side is not taken is kept as a version. */
  readonly resolve: (choice: 'mine' | 'theirs') => Promise<void>;
  readonly flush: (keepalive?: boolean) => Promise<void>;
}

const CLOSED = {
  id: undefined,
  version: 0,
  document: undefined,
  history: emptyHistory,
  saveState: 'saved',
  refusal: undefined,
  theirs: undefined,
  pinned: undefined,
  notKept: undefined,
  loadError: undefined,
} as const;

export const buildDrafts = drafts('build', readBuild);
const same = (a: BuildDocument, b: BuildDocument): boolean => JSON.stringify(a) === JSON.stringify(b);
const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

/** The pin that is shown while errands wait: the last of them says. */
const pinAfter = (
  pinned: Pinned | undefined,
  errands: readonly Errand<BuildDocument>[],
): Pinned | undefined =>
  errands.reduce<Pinned | undefined>((now, errand) => {
    if (errand.kind === 'unpin') return undefined;
    return errand.reason === 'pin' ? { name: errand.name, document: errand.document } : now;
  }, pinned);

const runFor =
  (id: string) =>
  async (errand: Errand<BuildDocument>): Promise<void> => {
    if (errand.kind === 'unpin') await api.versions.unpin(id);
    else await api.versions.keep(id, errand);
  };

/** The pinned version of a build; undefined where none is pinned. */
async function pinnedOf(id: string): Promise<Pinned | undefined> {
  const { pinned } = await api.versions.list(id);
  if (pinned === null) return undefined;
  const { name, document } = await api.versions.get(id, pinned);
  return { name: name ?? 'pinned', document };
}

/** The open build: edits, undo and redo over the whole document, and its saving. */
export const useBuild = create<BuildState>()((set, get) => {
  let saver: Autosaver<BuildDocument> | undefined;

  const told = (id: string) => (saving: Saving<BuildDocument>) => {
    if (get().id === id) set(saving);
  };

  /** Shows a document and sends it after a pause. */
  function change(document: BuildDocument, history: History<BuildDocument>): void {
    if (saver === undefined) return;
    set({ document, history });
    saver.edit(document);
  }

  function step(way: typeof undo): void {
    const { document, history } = get();
    const next = document === undefined ? undefined : way(history, document);
    if (next !== undefined) change(next.document, next.history);
  }

  /** Shows a build that was read, and takes up what an earlier page could not send any more. */
  function show(id: string, stored: Stored<BuildDocument>, pinned: Pinned | undefined): void {
    /** The pin that the server has. */
    let held = pinned;
    const run = runFor(id);
    saver = new Autosaver(stored, {
      save: (request, keepalive) => api.builds.save(id, request, { keepalive }),
      run: async (errand) => {
        await run(errand);
        held = pinAfter(held, [errand]);
      },
      draft: (unsent) => {
        buildDrafts.keep(id, unsent);
      },
      tell: told(id),
      refused: (why, waiting) => {
        // What the screen said of the pin is not so: what the server has is shown again, and what still waits.
        if (get().id === id) set({ pinned: pinAfter(held, waiting), notKept: why });
      },
    });
    set({ version: stored.version, document: stored.document, pinned });
    const draft = buildDrafts.read(id);
    if (draft === undefined) return;
    const edited =
      draft.edited && (!same(draft.document, stored.document) || draft.keepPrevious !== undefined);
    if (!edited && draft.errands.length === 0) {
      buildDrafts.keep(id, undefined);
      return;
    }
    // An edit was cut off before it was acknowledged: bring it back, and let a conflict show itself.
    if (edited)
      set({
        document: draft.document,
        history: record(emptyHistory, stored.document, 'edit brought back', '', Date.now()),
      });
    set({ pinned: pinAfter(pinned, draft.errands) });
    saver.takeUp({ ...draft, edited });
  }

  return {
    ...CLOSED,

    async open(id) {
      if (get().id === id && get().loadError === undefined) return;
      await get().close();
      set({ id });
      try {
        const [stored, pinned] = await Promise.all([api.builds.get(id), pinnedOf(id)]);
        if (get().id === id) show(id, stored, pinned);
      } catch (error) {
        if (get().id === id)
          set({ loadError: error instanceof Error ? error.message : 'The build cannot be read.' });
      }
    },

    async close() {
      await saver?.flush();
      saver?.stop();
      saver = undefined;
      set(CLOSED);
    },

    edit(changeDocument, label, key = '') {
      const { document, history } = get();
      if (document === undefined) return;
      const next = changeDocument(document);
      if (next === document) return;
      change(next, record(history, document, label, key, Date.now()));
    },

    undo() {
      step(undo);
    },

    redo() {
      step(redo);
    },

    async pin() {
      const { document } = get();
      if (document === undefined) return;
      const name = `as at ${clock.format(new Date())}`;
      set({ pinned: { name, document }, notKept: undefined });
      await saver?.also({ kind: 'keep', reason: 'pin', name, document });
    },

    async unpin() {
      set({ pinned: undefined, notKept: undefined });
      await saver?.also({ kind: 'unpin' });
    },

    async keep(name) {
      const { document } = get();
      if (document === undefined) return;
      set({ notKept: undefined });
      await saver?.also({ kind: 'keep', reason: 'named', name, document });
    },

    async resolve(choice) {
      const { document, theirs, history } = get();
      if (document === undefined || theirs === undefined) return;
      if (choice === 'theirs')
        set({
          document: theirs.document,
          history: record(history, document, 'the other window’s edit', '', Date.now()),
        });
      await saver?.resolve(choice);
    },

    async flush(keepalive = false) {
      await saver?.flush(keepalive);
    },
  };
});

/** The open build's document. @throws when none is open, which the frame does not let happen. */
export function useDocument(): BuildDocument {
  const document = useBuild((state) => state.document);
  if (document === undefined) throw new Error('no build is open');
  return document;
}
