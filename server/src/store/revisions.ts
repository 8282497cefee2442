import { EntitySchema, type EntityManager } from 'typeorm';
import { jsonText } from '@apple-cart/core';
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
import type { Kind } from './kind.ts';

export interface RevisionRow {
  id: number;
  /** The table of the document. */
  kind: string;
  documentId: string;
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
    kind: { type: 'varchar' },
    documentId: { type: 'varchar' },
    version: { type: 'integer' },
    name: { type: 'varchar', nullable: true },
    reason: { type: 'varchar' },
    document: { type: 'text' },
    createdAt: { type: 'varchar' },
  },
  indices: [{ name: 'IDX_revisions_document', columns: ['kind', 'documentId'] }],
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
  readonly #kind: Pick<Kind<T, unknown>, 'read' | 'keepsItself'>;
  /** The table of the documents. */
  readonly #table: string;
  readonly #now: () => Date;

  constructor(
    database: Database,
    kind: Pick<Kind<T, unknown>, 'read' | 'entity' | 'keepsItself'>,
    now: () => Date,
  ) {
    this.#database = database;
    this.#kind = kind;
    this.#table = kind.entity.options.tableName ?? '';
    this.#now = now;
  }

  #of(documentId: string): Pick<RevisionRow, 'kind' | 'documentId'> {
    return { kind: this.#table, documentId };
  }

  /** The newest first, and which of them is pinned. */
  async list(id: string): Promise<RevisionList> {
    const rows = await this.#database.reader
      .getRepository(revisionEntity)
      .find({ where: this.#of(id), order: { id: 'DESC' } });
    return {
      revisions: rows.map(summaryOf),
      pinned: rows.find((row) => row.reason === 'pin')?.id ?? null,
    };
  }

  /** @throws Problem 404 when the document has no such version, 422 when it cannot be read any more. */
  async get(documentId: string, id: number): Promise<StoredRevision<T>> {
    const row = await this.#database.reader
      .getRepository(revisionEntity)
      .findOneBy({ id, ...this.#of(documentId) });
    if (row === null) throw notFound('version');
    const data = jsonText(row.document);
    const document = data.ok ? this.#kind.read(data.value) : data;
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
        .find({ where: this.#of(row.id), order: { id: 'DESC' }, take: 1 });
      const again = newest?.reason === kept.reason && newest.name === kept.name && newest.document === text;
      if (again) return summaryOf(newest);
      if (kept.reason === 'pin') await this.#unpin(manager, row.id);
      return summaryOf(await this.#insert(manager, { ...row, document: text }, kept.reason, kept.name));
    });
  }

  async unpin(id: string): Promise<void> {
    await this.#database.write((manager) => this.#unpin(manager, id));
  }

  /** Keeps what a save replaces: under a name, or by itself when the last such version is old enough. */
  async keepBefore(manager: EntityManager, row: DocumentRow, name: string | undefined): Promise<void> {
    if (name !== undefined) {
      await this.#insert(manager, row, 'set-aside', name);
      return;
    }
    if (this.#kind.keepsItself !== true) return;
    const [last] = await manager
      .getRepository(revisionEntity)
      .find({ where: { ...this.#of(row.id), reason: 'auto' }, order: { id: 'DESC' }, take: 1 });
    const age = last === undefined ? Infinity : this.#now().getTime() - Date.parse(last.createdAt);
    if (age >= AUTO_MS) await this.#insert(manager, row, 'auto', null);
  }

  async #unpin(manager: EntityManager, id: string): Promise<void> {
    await manager
      .getRepository(revisionEntity)
      .update({ ...this.#of(id), reason: 'pin' }, { reason: 'was-pin' });
  }

  async #insert(
    manager: EntityManager,
    { id, version, document }: Pick<DocumentRow, 'id' | 'version' | 'document'>,
    reason: RevisionReason,
    name: string | null,
  ): Promise<RevisionRow> {
    const createdAt = this.#now().toISOString();
    const revision = { ...this.#of(id), version, name, reason, document, createdAt };
    const result = await manager.getRepository(revisionEntity).insert(revision);
    return { ...revision, id: Number(result.identifiers[0]?.['id']) };
  }
}
