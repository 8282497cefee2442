import { create } from 'zustand';
import type { BuildDocument } from '@apple-cart/core';
import { ApiError, api, type StoredBuild } from './api.ts';
import { dropDraft, keepDraft, readDraft } from './drafts.ts';
import { emptyHistory, record, redo, undo, type History } from './history.ts';

export type SaveState = 'saved' | 'waiting' | 'saving' | 'offline' | 'conflict' | 'refused';

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
  /** Why the server refused the document, which only an error of ours can bring about. */
  readonly refusal: string | undefined;
  /** The other window's build while a conflict waits for a decision. */
  readonly theirs: StoredBuild | undefined;
  readonly pinned: Pinned | undefined;
  readonly loadError: string | undefined;

  readonly open: (id: string) => Promise<void>;
  /** Sends what is unsent and forgets the open build. */
  readonly close: () => Promise<void>;
  readonly edit: (change: (document: BuildDocument) => BuildDocument, label: string, key?: string) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly pin: () => Promise<void>;
  readonly unpin: () => Promise<void>;
  /** Settles a conflict; whichever side is not taken is kept as a version. */
  readonly resolve: (choice: 'mine' | 'theirs') => Promise<void>;
  readonly flush: (keepalive?: boolean) => Promise<void>;
}

/** A pause in typing after which a change is sent. */
const QUIET_MS = 350;
const RETRY_MS = 3000;

let timer: ReturnType<typeof setTimeout> | undefined;

export const useBuild = create<BuildState>()((set, get) => {
  /** Shows a document, remembers it as a draft and sends it after a pause. */
  function change(document: BuildDocument, history: History<BuildDocument>): void {
    const { id, version, saveState } = get();
    if (id === undefined) return;
    set({ document, history, saveState: saveState === 'conflict' ? 'conflict' : 'waiting' });
    keepDraft(id, { baseVersion: version, document });
    schedule(QUIET_MS);
  }

  function schedule(ms: number): void {
    clearTimeout(timer);
    timer = setTimeout(() => void get().flush(), ms);
  }

  function accepted(id: string, sent: BuildDocument, stored: StoredBuild): void {
    if (get().id !== id) return;
    const newer = get().document !== sent;
    set({ version: stored.version, saveState: newer ? 'waiting' : 'saved', refusal: undefined });
    if (newer) schedule(0);
    else dropDraft(id);
  }

  function failed(id: string, error: unknown): void {
    if (get().id !== id) return;
    if (error instanceof ApiError && error.status === 409 && error.current !== undefined) {
      set({ saveState: 'conflict', theirs: error.current });
    } else if (error instanceof ApiError && error.status >= 400 && error.status < 500) {
      set({ saveState: 'refused', refusal: error.issues[0]?.message ?? error.message });
    } else {
      set({ saveState: 'offline' });
      schedule(RETRY_MS);
    }
  }

  async function send(
    id: string,
    version: number,
    document: BuildDocument,
    keep?: string,
    keepalive = false,
  ): Promise<void> {
    set({ saveState: 'saving' });
    try {
      accepted(id, document, await api.save(id, version, document, keep, keepalive));
    } catch (error) {
      failed(id, error);
    }
  }

  return {
    id: undefined,
    version: 0,
    document: undefined,
    history: emptyHistory,
    saveState: 'saved',
    refusal: undefined,
    theirs: undefined,
    pinned: undefined,
    loadError: undefined,

    async open(id) {
      if (get().id === id && get().loadError === undefined) return;
      await get().flush();
      set({
        id,
        document: undefined,
        history: emptyHistory,
        saveState: 'saved',
        theirs: undefined,
        pinned: undefined,
        loadError: undefined,
      });
      try {
        const stored = await api.build(id);
        if (get().id !== id) return;
        set({ version: stored.version, document: stored.document });
        if (stored.pinnedRevision !== null) {
          const { name, document } = await api.revision(id, stored.pinnedRevision);
          if (get().id === id) set({ pinned: { name: name ?? 'pinned', document } });
        }
        const draft = readDraft(id);
        if (draft === undefined) return;
        if (JSON.stringify(draft.document) === JSON.stringify(stored.document)) {
          dropDraft(id);
          return;
        }
        // An edit was cut off before it was acknowledged: bring it back, and let a conflict show itself.
        set({ version: draft.baseVersion });
        change(draft.document, record(emptyHistory, stored.document, 'edit brought back', '', Date.now()));
      } catch (error) {
        if (get().id === id)
          set({ loadError: error instanceof Error ? error.message : 'The build cannot be read.' });
      }
    },

    async close() {
      await get().flush();
      set({ id: undefined, document: undefined, pinned: undefined, theirs: undefined });
    },

    edit(changeDocument, label, key = '') {
      const { document, history } = get();
      if (document === undefined) return;
      const next = changeDocument(document);
      if (next === document) return;
      change(next, record(history, document, label, key, Date.now()));
    },

    undo() {
      const { document, history } = get();
      const step = document === undefined ? undefined : undo(history, document);
      if (step !== undefined) change(step.document, step.history);
    },

    redo() {
      const { document, history } = get();
      const step = document === undefined ? undefined : redo(history, document);
      if (step !== undefined) change(step.document, step.history);
    },

    async pin() {
      const { id, document } = get();
      if (id === undefined || document === undefined) return;
      const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' }).format(
        new Date(),
      );
      const name = `as at ${clock}`;
      set({ pinned: { name, document } });
      await api.keep(id, 'pin', name, document).catch(() => {
        set({ saveState: 'offline' });
      });
    },

    async unpin() {
      const { id } = get();
      if (id === undefined) return;
      set({ pinned: undefined });
      await api.unpin(id).catch(() => {
        set({ saveState: 'offline' });
      });
    },

    async resolve(choice) {
      const { id, document, theirs, history } = get();
      if (id === undefined || document === undefined || theirs === undefined) return;
      if (choice === 'mine') {
        set({ theirs: undefined, version: theirs.version });
        await send(id, theirs.version, document, 'from the other window');
        return;
      }
      try {
        await api.keep(id, 'set-aside', 'from this window, set aside', document);
      } catch (error) {
        failed(id, error);
        return;
      }
      dropDraft(id);
      set({
        theirs: undefined,
        version: theirs.version,
        document: theirs.document,
        history: record(history, document, 'the other window’s edit', '', Date.now()),
        saveState: 'saved',
      });
    },

    async flush(keepalive = false) {
      clearTimeout(timer);
      const { id, document, version, saveState } = get();
      if (id === undefined || document === undefined) return;
      if (saveState === 'waiting' || saveState === 'offline' || saveState === 'refused') {
        await send(id, version, document, undefined, keepalive);
      }
    },
  };
});

/** The open build's document. @throws when none is open, which the frame does not let happen. */
export function useDocument(): BuildDocument {
  const document = useBuild((state) => state.document);
  if (document === undefined) throw new Error('no build is open');
  return document;
}
