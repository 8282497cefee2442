import { create } from 'zustand';
import type { Stored } from '@apple-cart/contracts';
import { readBuild, type BuildDocument } from '@apple-cart/core';
import { api, isPutAway, mayPass } from './api.ts';
import { Autosaver } from './autosaver.ts';
import type { Errand, SaveState, SavingPorts, Unsent } from './saving.ts';
import { drafts } from './drafts.ts';
import { errandsOf } from './errands.ts';
import { watchLeaving } from './leaving.ts';
import { onMoved, windowSettled } from './this-window.ts';
import { emptyHistory, record, redo, undo, type History } from './history.ts';

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
  /** Whether the browser holds what is unsent. */
  readonly held: boolean;
  /** Pins and versions that the server does not have yet. */
  readonly errandsWait: number;
  /** The other window's build while a conflict waits for a decision. */
  readonly theirs: Stored<BuildDocument> | undefined;
  readonly pinned: Pinned | undefined;
  /** A pin or a version that the server would not keep, in words; until the next one. */
  readonly notKept: string | undefined;
  readonly loadError: string | undefined;
  /** The build that was asked for has been put away. */
  readonly isPutAway: boolean;
  /** It could not be read for a reason that may pass: the server is away. */
  readonly isAway: boolean;

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
  /** Brings a build back that was put away, here or in another window, and sends what waits. */
  readonly bringBack: () => Promise<void>;
  readonly flush: (keepalive?: boolean) => Promise<void>;
}

const CLOSED = {
  id: undefined,
  version: 0,
  document: undefined,
  history: emptyHistory,
  saveState: 'saved',
  refusal: undefined,
  held: true,
  errandsWait: 0,
  theirs: undefined,
  pinned: undefined,
  notKept: undefined,
  loadError: undefined,
  isPutAway: false,
  isAway: false,
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

/** The pinned version of a build; undefined where none is pinned. */
async function pinnedOf(id: string): Promise<Pinned | undefined> {
  const { pinned } = await api.builds.versions.list(id);
  if (pinned === null) return undefined;
  const { name, document } = await api.builds.versions.get(id, pinned);
  return { name: name ?? 'pinned', document };
}

/** Another window put a build away, or brought it back: the page says so before anything is typed. */
async function lookAgain(id: string, saver: Autosaver<BuildDocument>, state: SaveState): Promise<void> {
  try {
    await api.builds.get(id);
    if (state === 'gone') await saver.broughtBack();
  } catch (problem) {
    if (isPutAway(problem)) saver.putAway();
  }
}

/** What an earlier page could not send of a build, beside what the server has; nothing where that is the same. */
function unsentOf(id: string, stored: BuildDocument): Unsent<BuildDocument> | undefined {
  const draft = buildDrafts.read(id);
  if (draft === undefined) return undefined;
  const edited = draft.edited && (!same(draft.document, stored) || draft.keepPrevious !== undefined);
  if (edited || draft.errands.length > 0) return { ...draft, edited };
  buildDrafts.keep(id, undefined);
  return undefined;
}

/**
 * What saving a build needs of its surroundings.
 * @param pinned the pin that the server has
 * @param tell shows changes while the build is open
 */
function portsOf(
  id: string,
  pinned: Pinned | undefined,
  tell: (changes: Partial<BuildState>) => void,
): SavingPorts<BuildDocument> {
  let held = pinned;
  const run = errandsOf(api.builds, id);
  return {
    save: (request, keepalive) => api.builds.save(id, request, { keepalive }),
    run: async (errand) => {
      await run(errand);
      held = pinAfter(held, [errand]);
    },
    draft: (unsent) => buildDrafts.keep(id, unsent),
    tell,
    refused: (why, waiting) => {
      // What the screen said of the pin is not so: what the server has is shown again, and what still waits.
      tell({ pinned: pinAfter(held, waiting), notKept: why });
    },
  };
}

/** The open build: edits, undo and redo over the whole document, and its saving. */
export const useBuild = create<BuildState>()((set, get) => {
  let saver: Autosaver<BuildDocument> | undefined;
  let unwatch: (() => void) | undefined;

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
    const tell = (changes: Partial<BuildState>): void => {
      if (get().id === id) set(changes);
    };
    saver = new Autosaver(stored, portsOf(id, pinned, tell));
    unwatch?.();
    unwatch = watchLeaving(saver);
    set({ version: stored.version, document: stored.document, pinned });
    const draft = unsentOf(id, stored.document);
    if (draft === undefined) return;
    // An edit was cut off before it was acknowledged: bring it back, and let a conflict show itself.
    if (draft.edited)
      set({
        document: draft.document,
        history: record(emptyHistory, stored.document, 'edit brought back', '', Date.now()),
      });
    set({ pinned: pinAfter(pinned, draft.errands) });
    saver.takeUp(draft);
  }

  onMoved((address) => {
    if (saver !== undefined && address === `${api.builds.address}/${String(get().id)}`)
      void lookAgain(address.slice(api.builds.address.length + 1), saver, get().saveState);
  });

  return {
    ...CLOSED,

    async open(id) {
      if (get().id === id && get().loadError === undefined) return;
      await get().close();
      set({ id });
      try {
        const [stored, pinned] = await Promise.all([api.builds.get(id), pinnedOf(id), windowSettled()]);
        if (get().id === id) show(id, stored, pinned);
      } catch (error) {
        if (get().id === id)
          set({
            loadError: error instanceof Error ? error.message : 'The build cannot be read.',
            isPutAway: isPutAway(error),
            isAway: mayPass(error),
          });
      }
    },

    async close() {
      await saver?.flush();
      saver?.stop();
      unwatch?.();
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

    async bringBack() {
      const { id } = get();
      if (id === undefined) return;
      try {
        await api.builds.restore(id);
        if (saver !== undefined) await saver.broughtBack();
        else {
          set(CLOSED);
          await get().open(id);
        }
      } catch (problem) {
        set({ notKept: problem instanceof Error ? problem.message : 'It could not be brought back.' });
      }
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
