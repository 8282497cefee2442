import { EntitySchema, type EntityManager } from 'typeorm';
import { jsonText, type Result } from '@apple-cart/core';
import type {
  KeepRequest,
  RevisionList,
  RevisionReason,
  RevisionSummary,
  StoredRevision,
} from '@apple-cart/contracts';
import type { Database } from '../database/database.ts';
import { Problem, notFound } from '../http/problems.ts';
import type { DocumentRow } from './document-row.ts';

export interface RevisionRow {
  id: number;
  buildId: string;
  version: number;
  name: string | null;
  reason: RevisionReason;
  document: string;
  createdAt: string;
}

export const revisionEntity = new EntitySchema<RevisionRow>({
  name: 'revision',
  tableName: 'revisions',
  columns: {
    id: { type: 'integer', primary: true, generated: 'increment' },
    buildId: {
      type: 'varchar',
      foreignKey: { target: 'build', name: 'FK_revisions_build', onDelete: 'CASCADE' },
    },
    version: { type: 'integer' },
    name: { type: 'varchar', nullable: true },
    reason: { type: 'varchar' },
    document: { type: 'text' },
    createdAt: { type: 'varchar' },
  },
  indices: [{ name: 'IDX_revisions_build', columns: ['buildId'] }],
});

/** While typing goes on, one version of what was before is kept per this many milliseconds. */
const AUTO_MS = 5 * 60_000;

const summaryOf = ({ id, version, name, reason, createdAt }: RevisionRow): RevisionSummary => ({
  id,
  version,
  name,
  reason,
  createdAt,
});

/** Versions of documents that are kept: by themselves while typing goes on, by name, as pin, or set aside. */
export class Revisions<T> {
  readonly #database: Database;
  readonly #read: (data: unknown) => Result<T>;
  readonly #now: () => Date;

  constructor(database: Database, read: (data: unknown) => Result<T>, now: () => Date) {
    this.#database = database;
    this.#read = read;
    this.#now = now;
  }

  /** The newest first, and which of them is pinned. */
  async list(buildId: string): Promise<RevisionList> {
    const rows = await this.#database.reader
      .getRepository(revisionEntity)
      .find({ where: { buildId }, order: { id: 'DESC' } });
    return {
      revisions: rows.map(summaryOf),
      pinned: rows.find((row) => row.reason === 'pin')?.id ?? null,
    };
  }

  /** @throws Problem 404 when the document has no such version, 422 when it cannot be read any more. */
  async get(buildId: string, id: number): Promise<StoredRevision<T>> {
    const row = await this.#database.reader.getRepository(revisionEntity).findOneBy({ id, buildId });
    if (row === null) throw notFound('version');
    const data = jsonText(row.document);
    const document = data.ok ? this.#read(data.value) : data;
    if (!document.ok)
      throw new Problem(422, 'broken', 'This version is stored, but cannot be read.', {
        issues: document.issues,
      });
    return { ...summaryOf(row), document: document.value };
  }

  /** Keeps a document as a version. One that was kept already under the same reason and name is kept once. */
  async keep(
    row: Pick<DocumentRow, 'id' | 'version'>,
    kept: KeepRequest,
    document: T,
  ): Promise<RevisionSummary> {
    const text = JSON.stringify(document);
    return this.#database.write(async (manager) => {
      const [newest] = await manager
        .getRepository(revisionEntity)
        .find({ where: { buildId: row.id }, order: { id: 'DESC' }, take: 1 });
      const again = newest?.reason === kept.reason && newest.name === kept.name && newest.document === text;
      if (again) return summaryOf(newest);
      if (kept.reason === 'pin') await this.#unpin(manager, row.id);
      return summaryOf(await this.#insert(manager, { ...row, document: text }, kept.reason, kept.name));
    });
  }

  async unpin(buildId: string): Promise<void> {
    await this.#database.write((manager) => this.#unpin(manager, buildId));
  }

  /** Keeps what a save replaces: under a name, or by itself when the last such version is old enough. */
  async keepBefore(manager: EntityManager, row: DocumentRow, name: string | undefined): Promise<void> {
    if (name !== undefined) {
      await this.#insert(manager, row, 'set-aside', name);
      return;
    }
    const [last] = await manager
      .getRepository(revisionEntity)
      .find({ where: { buildId: row.id, reason: 'auto' }, order: { id: 'DESC' }, take: 1 });
    const age = last === undefined ? Infinity : this.#now().getTime() - Date.parse(last.createdAt);
    if (age >= AUTO_MS) await this.#insert(manager, row, 'auto', null);
  }

  async #unpin(manager: EntityManager, buildId: string): Promise<void> {
    await manager.getRepository(revisionEntity).update({ buildId, reason: 'pin' }, { reason: 'was-pin' });
  }

  async #insert(
    manager: EntityManager,
    { id, version, document }: Pick<DocumentRow, 'id' | 'version' | 'document'>,
    reason: RevisionReason,
    name: string | null,
  ): Promise<RevisionRow> {
    const revision = { buildId: id, version, name, reason, document, createdAt: this.#now().toISOString() };
    const result = await manager.getRepository(revisionEntity).insert(revision);
    return { ...revision, id: Number(result.identifiers[0]?.['id']) };
  }
}
