import { randomUUID } from 'node:crypto';
import { IsNull, type EntityManager } from 'typeorm';
import { jsonText, type Result } from '@apple-cart/core';
import {
  NOT_THERE,
  type Broken,
  type ListAnswer,
  type Listed,
  type Saved,
  type Stored,
  type TakenIn,
} from '@apple-cart/contracts';
import type { Database } from '../database/database.ts';
import { Problem, badInput, notFound, putAwayMeanwhile } from '../http/problems.ts';
import type { DocumentRow } from './document-row.ts';
import type { Kind } from './kind.ts';
import { Revisions } from './revisions.ts';

export interface Save<T> {
  /** The version that the edit began from; 0 for a new document. */
  readonly baseVersion: number;
  readonly document: T;
  readonly keepPrevious?: string | undefined;
}

const isThere = (row: DocumentRow | null): row is DocumentRow => row !== null && row.deletedAt === null;

/**
 * Documents of one kind: listed, read, created, saved against lost edits, put away and brought back. Whatever is
 * asked twice has been done once. `now` gives the time, so that tests can set it.
 */
export class DocumentStore<T, S = never> {
  readonly kind: Kind<T, S>;
  /** Versions of them that are kept. */
  readonly revisions: Revisions<T>;
  readonly #database: Database;
  readonly #now: () => Date;
  #lastCreated = 0;

  constructor(database: Database, kind: Kind<T, S>, now: () => Date = () => new Date()) {
    this.#database = database;
    this.kind = kind;
    this.#now = now;
    this.revisions = new Revisions(database, kind, now);
  }

  /** Every document, the oldest first. One that cannot be read is named, and the others stand. */
  async list(): Promise<ListAnswer<Stored<T>>> {
    const rows = await this.#rows();
    const documents: Stored<T>[] = [];
    const broken: Broken[] = [];
    for (const row of rows) {
      const read = this.#read(row);
      if (read.ok) documents.push(this.#out(row, read.value));
      else broken.push({ id: row.id, issues: read.issues });
    }
    return { documents, broken };
  }

  /** Every document by its summary alone, for kinds that have one. */
  async summaries(): Promise<ListAnswer<Listed<S>>> {
    const rows = await this.#database.reader.getRepository(this.kind.entity).find({
      select: { id: true, version: true, summary: true },
      where: { deletedAt: IsNull() },
      order: { createdAt: 'ASC', id: 'ASC' },
    });
    const documents: Listed<S>[] = [];
    const broken: Broken[] = [];
    for (const { id, version, summary } of rows) {
      const read = jsonText(summary);
      if (read.ok) documents.push({ id, version, summary: read.value as S });
      else broken.push({ id, issues: read.issues });
    }
    return { documents, broken };
  }

  /** True when there has never been one, not even one that was put away. */
  async isEmpty(): Promise<boolean> {
    return !(await this.#database.reader.getRepository(this.kind.entity).exists());
  }

  /** @throws Problem 404 when there is none of that id, 410 when it was put away, 422 when it cannot be read any more. */
  async get(id: string): Promise<Stored<T>> {
    const row = await this.#rowOf(id);
    if (!isThere(row)) throw putAwayMeanwhile(this.kind.word);
    return this.#whole(row);
  }

  /** The text of a document as it lies in the database, whatever it is. @throws Problem 404 */
  async raw(id: string): Promise<string> {
    return (await this.#rowOf(id)).document;
  }

  async #rowOf(id: string): Promise<DocumentRow> {
    const row = await this.#database.reader.getRepository(this.kind.entity).findOneBy({ id });
    if (row === null) throw notFound(this.kind.word);
    return row;
  }

  async create(document: T): Promise<Saved> {
    const id = this.kind.ownId?.(document) ?? randomUUID();
    return this.put(id, { baseVersion: NOT_THERE, document });
  }

  /** A new document within a transaction of somebody else's. */
  async createWithin(manager: EntityManager, document: T): Promise<Saved> {
    const id = this.kind.ownId?.(document) ?? randomUUID();
    const row = this.#row(id, document, JSON.stringify(document), null);
    await manager.getRepository(this.kind.entity).insert(row);
    return { id, version: row.version };
  }

  /**
   * Saves an edit, or a new document. One that began from another version is refused with 409 and the document as it
   * is, unless it is the very document that is stored: an answer that was lost on its way back, sent again.
   * @throws Problem 404 for an edit of what is not there, 410 of what was put away, 409 for a conflict, 400 for an id that is not the document's
   */
  async put(id: string, { baseVersion, document, keepPrevious }: Save<T>): Promise<Saved> {
    const own = this.kind.ownId?.(document) ?? id;
    if (own !== id) throw badInput([{ code: 'text', path: 'id', actual: own, limit: `"${id}"` }]);
    const text = JSON.stringify(document);
    return this.#database.write(async (manager) => {
      const repository = manager.getRepository(this.kind.entity);
      const row = await repository.findOneBy({ id });
      const here = isThere(row) ? row.version : NOT_THERE;
      // What was put away is brought back first; only a document with an id of its own takes its place anew.
      const taken = row !== null && !isThere(row) && this.kind.ownId === undefined;
      if (here !== baseVersion || taken) {
        if (isThere(row) && row.document === text) return { id, version: here };
        throw this.#conflict(row);
      }
      if (isThere(row)) await this.revisions.keepBefore(manager, row, keepPrevious);
      const next = this.#row(id, document, text, row);
      await (row === null ? repository.insert(next) : repository.update({ id }, next));
      return { id, version: next.version };
    });
  }

  /** Puts a document away. @throws Problem 404 when there never was one of that id. */
  async putAway(id: string): Promise<void> {
    await this.#database.write(async (manager) => {
      const repository = manager.getRepository(this.kind.entity);
      const row = await repository.findOneBy({ id });
      if (row === null) throw notFound(this.kind.word);
      if (isThere(row)) await repository.update({ id }, { deletedAt: this.#now().toISOString() });
    });
  }

  /** Brings a document back that was put away, as it was. @throws Problem 404 when there never was one of that id. */
  async restore(id: string): Promise<Saved> {
    return this.#database.write(async (manager) => {
      const repository = manager.getRepository(this.kind.entity);
      const row = await repository.findOneBy({ id });
      if (row === null) throw notFound(this.kind.word);
      if (!isThere(row)) await repository.update({ id }, { deletedAt: null });
      return { id, version: row.version };
    });
  }

  /** Takes documents in that carry their ids, all or none: new ones are added, ones that are there replaced. */
  async takeIn(documents: readonly T[]): Promise<TakenIn> {
    const ids = documents.map((d) => this.#ownId(d));
    return this.#database.write(async (manager) => {
      const repository = manager.getRepository(this.kind.entity);
      let replaced = 0;
      for (const [i, document] of documents.entries()) {
        const id = ids[i] ?? '';
        const row = await repository.findOneBy({ id });
        if (isThere(row)) replaced += 1;
        const next = this.#row(id, document, JSON.stringify(document), row);
        await (row === null ? repository.insert(next) : repository.update({ id }, next));
      }
      return { added: documents.length - replaced, replaced };
    });
  }

  /** Adds samples that were never there; one that is there, or was put away, is left as it is. */
  async addMissing(samples: ReadonlyMap<string, T>): Promise<number> {
    return this.#database.write(async (manager) => {
      const repository = manager.getRepository(this.kind.entity);
      const there = new Set((await repository.find({ select: { id: true } })).map((row) => row.id));
      const missing = [...samples].filter(([id]) => !there.has(id));
      for (const [id, document] of missing)
        await repository.insert(this.#row(id, document, JSON.stringify(document), null));
      return missing.length;
    });
  }

  #rows(): Promise<DocumentRow[]> {
    return this.#database.reader
      .getRepository(this.kind.entity)
      .find({ where: { deletedAt: IsNull() }, order: { createdAt: 'ASC', id: 'ASC' } });
  }

  #ownId(document: T): string {
    const id = this.kind.ownId?.(document);
    if (id === undefined) throw new TypeError(`a ${this.kind.word} has no id of its own`);
    return id;
  }

  #read(row: DocumentRow): Result<T> {
    const data = jsonText(row.document);
    return data.ok ? this.kind.read(data.value) : data;
  }

  #out({ id, version, createdAt, updatedAt }: DocumentRow, document: T): Stored<T> {
    return { id, version, createdAt, updatedAt, document };
  }

  #whole(row: DocumentRow): Stored<T> {
    const read = this.#read(row);
    if (!read.ok)
      throw new Problem(422, 'broken', `This ${this.kind.word} is stored, but cannot be read.`, {
        issues: read.issues,
      });
    return this.#out(row, read.value);
  }

  /** The row that takes the place of another. Documents made within one millisecond still keep their order. */
  #row(id: string, document: T, text: string, before: DocumentRow | null): DocumentRow {
    const now = this.#now().getTime();
    if (before === null) this.#lastCreated = Math.max(now, this.#lastCreated + 1);
    const created = before === null ? new Date(this.#lastCreated).toISOString() : before.createdAt;
    return {
      id,
      version: (before?.version ?? NOT_THERE) + 1,
      document: text,
      summary: this.kind.summarize === undefined ? '' : JSON.stringify(this.kind.summarize(document)),
      createdAt: created,
      updatedAt: before === null ? created : new Date(now).toISOString(),
      deletedAt: null,
    };
  }

  #conflict(row: DocumentRow | null): Problem {
    const { word } = this.kind;
    if (row === null) return notFound(word);
    if (!isThere(row)) return putAwayMeanwhile(word);
    const read = this.#read(row);
    return new Problem(409, 'conflict', `This ${word} was changed in another window since you began.`, {
      ...(read.ok ? { current: this.#out(row, read.value) } : {}),
    });
  }
}
