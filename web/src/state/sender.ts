import { create, type StoreApi, type UseBoundStore } from 'zustand';
import type { Stored } from '@apple-cart/contracts';
import type { DocumentApi } from './api.ts';
import { Autosaver } from './autosaver.ts';
import { NOTHING_TO_SAVE, type Saving, type Whose } from './saving.ts';
import type { Drafts } from './drafts.ts';
import { errandsOf } from './errands.ts';
import { watchLeaving } from './leaving.ts';

/** A document on its way to the server, and what stands in its way. */
export interface Sending<T> {
  readonly document: T;
  readonly saving: Saving<T>;
}

interface Open<T> {
  readonly saver: Autosaver<T>;
  readonly unwatch: () => void;
}

interface SenderPorts<T, L> {
  readonly api: DocumentApi<T, L>;
  readonly drafts: Drafts<T>;
  /** The server has acknowledged one: lists follow, and what was typed for it may go. */
  readonly kept: (id: string, document: T) => void;
}

/**
 * Sends documents that a form gives away whole, by the same rules as those that are saved while they are typed: again
 * and again while the server is away, over a closed dialog and a reload, and never over another window's edit.
 */
export class Sender<T, L> {
  /** What is on its way or stuck, by id; what is kept leaves the list. */
  readonly use: UseBoundStore<StoreApi<Readonly<Record<string, Sending<T>>>>>;
  readonly drafts: Drafts<T>;
  readonly #ports: SenderPorts<T, L>;
  readonly #open = new Map<string, Open<T>>();

  constructor(ports: SenderPorts<T, L>) {
    this.#ports = ports;
    this.drafts = ports.drafts;
    this.use = create<Readonly<Record<string, Sending<T>>>>()(() => ({}));
  }

  /**
   * Sends a document on top of the version that its form began from; 0 for a new one.
   * @returns where that stands after the first try
   */
  async send(id: string, baseVersion: number, document: T): Promise<Saving<T>> {
    const open = this.#open.get(id) ?? this.#begin(id, baseVersion, document);
    open.saver.edit(document);
    this.#show(id, { document });
    await open.saver.flush();
    return this.use.getState()[id]?.saving ?? { ...NOTHING_TO_SAVE };
  }

  /** A document as the server has it now. */
  readonly stored = (id: string): Promise<Stored<T>> => this.#ports.api.get(id);

  /** Takes up what this window could not send before it was reloaded. */
  resume(id: string): void {
    const draft = this.#open.has(id) ? undefined : this.#ports.drafts.read(id);
    if (draft === undefined) return;
    const whose = draft.edited ? 'this window’s' : 'the server’s';
    this.#begin(id, draft.baseVersion, draft.document, whose).saver.takeUp(draft);
  }

  /** Takes up everything that this window could not send before it was reloaded. */
  resumeAll(): void {
    for (const id of this.drafts.mine()) this.resume(id);
  }

  /** Settles a conflict; whichever side is not taken is kept as a version. */
  async resolve(id: string, choice: 'mine' | 'theirs'): Promise<void> {
    const theirs = this.use.getState()[id]?.saving.theirs;
    if (theirs !== undefined && choice === 'theirs') this.#show(id, { document: theirs.document });
    await this.#open.get(id)?.saver.resolve(choice);
  }

  /** Brings one back that another window put away, and sends what waits. */
  async bringBack(id: string): Promise<void> {
    await this.#ports.api.restore(id);
    await this.#open.get(id)?.saver.broughtBack();
  }

  /** Lets go of what cannot be sent: its user has it in the form again, or does not want it any more. */
  drop(id: string): void {
    this.#close(id);
    this.#ports.drafts.keep(id, undefined);
  }

  /** Stops everything; what is unsent stays in its draft. */
  stop(): void {
    for (const id of [...this.#open.keys()]) this.#close(id);
  }

  #begin(id: string, version: number, document: T, whose: Whose = 'this window’s'): Open<T> {
    const { api, drafts, kept } = this.#ports;
    const saver: Autosaver<T> = new Autosaver<T>(
      { version, document },
      {
        save: (request, keepalive) => api.save(id, request, { keepalive }),
        run: errandsOf(api, id),
        draft: (unsent) => drafts.keep(id, unsent),
        tell: (saving) => {
          if (saving.saveState !== 'saved') {
            this.#show(id, { saving });
            return;
          }
          kept(id, saver.document);
          this.#close(id);
        },
      },
      whose,
    );
    const open = { saver, unwatch: watchLeaving(saver) };
    this.#open.set(id, open);
    this.#show(id, { document, saving: { ...NOTHING_TO_SAVE, version } });
    return open;
  }

  #show(id: string, next: Partial<Sending<T>>): void {
    const before = this.use.getState()[id];
    const { document = before?.document, saving = before?.saving } = next;
    if (document === undefined || saving === undefined) return;
    this.use.setState({ [id]: { document, saving } });
  }

  #close(id: string): void {
    const open = this.#open.get(id);
    if (open === undefined) return;
    open.saver.stop();
    open.unwatch();
    this.#open.delete(id);
    const { [id]: gone, ...rest } = this.use.getState();
    if (gone !== undefined) this.use.setState(rest, true);
  }
}
