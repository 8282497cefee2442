import { randomUUID } from 'node:crypto';
import { SCHEMA_VERSION, describeIssue, readBuild, type BuildDocument } from '@apple-cart/core';
import { IsNull, type EntityManager } from 'typeorm';
import type { Database } from '../database/database.ts';
import { Problem, notFound } from '../http/problems.ts';
import {
  buildEntity,
  revisionEntity,
  type BuildRow,
  type RevisionReason,
  type RevisionRow,
} from './build-entities.ts';

/** A build as the interface gets it. */
export interface StoredBuild {
  readonly id: string;
  readonly version: number;
  readonly pinnedRevision: number | null;
  readonly createdAt: string;
  readonly updatedAt: string;
  readonly document: BuildDocument;
}

export interface RevisionSummary {
  readonly id: number;
  readonly version: number;
  readonly name: string | null;
  readonly reason: RevisionReason;
  readonly createdAt: string;
}

export interface StoredRevision extends RevisionSummary {
  readonly document: BuildDocument;
}

/**
 * Documents are validated on their way in, so stored text of this version is trusted on its way out; text of an
 * older one is migrated, and stays as it is in the database until it is saved again.
 * @throws Error for an older document that cannot be migrated: an error of ours.
 */
function read(text: string): BuildDocument {
  const data = JSON.parse(text) as { readonly schemaVersion: number };
  if (data.schemaVersion === SCHEMA_VERSION) return data as BuildDocument;
  const migrated = readBuild(data);
  if (!migrated.ok) throw new Error(`a stored build: ${migrated.issues.map(describeIssue).join(' ')}`);
  return migrated.value;
}

const outBuild = ({
  id,
  version,
  pinnedRevision,
  createdAt,
  updatedAt,
  document,
}: BuildRow): StoredBuild => ({
  id,
  version,
  pinnedRevision,
  createdAt,
  updatedAt,
  document: read(document),
});

const outSummary = ({ id, version, name, reason, createdAt }: RevisionRow): RevisionSummary => ({
  id,
  version,
  name,
  reason,
  createdAt,
});

/** While typing goes on, one revision of what was before is kept per this many milliseconds. */
const AUTO_REVISION_MS = 5 * 60_000;

export interface SaveRequest {
  /** The version the edit began from. */
  readonly baseVersion: number;
  readonly document: BuildDocument;
  /** Keep what is replaced as a revision of this name, whatever its age. */
  readonly keepPrevious?: string | undefined;
}

/** Stores builds and their revisions. `now` gives the time, so that tests can set it. */
export class BuildsService {
  readonly #database: Database;
  readonly #now: () => Date;

  #lastCreated = 0;

  constructor(database: Database, now: () => Date = () => new Date()) {
    this.#database = database;
    this.#now = now;
  }

  async list(): Promise<readonly StoredBuild[]> {
    const rows = await this.#database.reader
      .getRepository(buildEntity)
      .find({ where: { deletedAt: IsNull() }, order: { createdAt: 'ASC', id: 'ASC' } });
    return rows.map(outBuild);
  }

  /** True when there has never been a build, not even one that was put away. */
  async isEmpty(): Promise<boolean> {
    return !(await this.#database.reader.getRepository(buildEntity).exists());
  }

  async get(id: string): Promise<StoredBuild> {
    return outBuild(await this.#row(this.#database.reader.manager, id));
  }

  async create(document: BuildDocument): Promise<StoredBuild> {
    // Builds made within one millisecond still keep their order.
    this.#lastCreated = Math.max(this.#now().getTime(), this.#lastCreated + 1);
    const at = new Date(this.#lastCreated).toISOString();
    const row: BuildRow = {
      id: randomUUID(),
      name: document.name,
      version: 1,
      document: JSON.stringify(document),
      pinnedRevision: null,
      createdAt: at,
      updatedAt: at,
      deletedAt: null,
    };
    await this.#database.write((manager) => manager.getRepository(buildEntity).insert(row));
    return outBuild(row);
  }

  /**
   * Saves an edit. An edit that began from an older version is refused with status 409 and the current
   * build, unless it is the very same document (an answer lost on the way back, sent again).
   */
  async save(id: string, request: SaveRequest): Promise<StoredBuild> {
    return this.#database.write(async (manager) => {
      const row = await this.#row(manager, id);
      const text = JSON.stringify(request.document);
      if (row.version !== request.baseVersion) {
        if (row.document === text) return outBuild(row);
        throw new Problem(409, 'conflict', 'This build was changed in another window since you began.', {
          current: outBuild(row),
        });
      }
      await this.#keepBefore(manager, row, request.keepPrevious);
      const saved: BuildRow = {
        ...row,
        name: request.document.name,
        document: text,
        version: row.version + 1,
        updatedAt: this.#now().toISOString(),
      };
      await manager.getRepository(buildEntity).update({ id }, saved);
      return outBuild(saved);
    });
  }

  /** Puts a build away. It can be brought back. */
  async remove(id: string): Promise<void> {
    await this.#database.write(async (manager) => {
      await this.#row(manager, id);
      await manager.getRepository(buildEntity).update({ id }, { deletedAt: this.#now().toISOString() });
    });
  }

  async restore(id: string): Promise<StoredBuild> {
    return this.#database.write(async (manager) => {
      const changed = await manager.getRepository(buildEntity).update({ id }, { deletedAt: null });
      if (changed.affected === 0) throw notFound('build');
      return outBuild(await this.#row(manager, id));
    });
  }

  async revisions(id: string): Promise<readonly RevisionSummary[]> {
    await this.#row(this.#database.reader.manager, id);
    const rows = await this.#database.reader
      .getRepository(revisionEntity)
      .find({ where: { buildId: id }, order: { id: 'DESC' } });
    return rows.map(outSummary);
  }

  async revision(id: string, revisionId: number): Promise<StoredRevision> {
    const row = await this.#database.reader
      .getRepository(revisionEntity)
      .findOneBy({ id: revisionId, buildId: id });
    if (row === null) throw notFound('version');
    return { ...outSummary(row), document: read(row.document) };
  }

  /** Keeps a document as a revision: named by the builder, pinned as the baseline, or set aside in a conflict. */
  async keep(
    id: string,
    reason: RevisionReason,
    name: string,
    document: BuildDocument,
  ): Promise<StoredRevision> {
    return this.#database.write(async (manager) => {
      const row = await this.#row(manager, id);
      const revision = await this.#insert(
        manager,
        { ...row, document: JSON.stringify(document) },
        reason,
        name,
      );
      if (reason === 'pin')
        await manager.getRepository(buildEntity).update({ id }, { pinnedRevision: revision.id });
      return { ...outSummary(revision), document };
    });
  }

  async unpin(id: string): Promise<void> {
    await this.#database.write(async (manager) => {
      await this.#row(manager, id);
      await manager.getRepository(buildEntity).update({ id }, { pinnedRevision: null });
    });
  }

  async #row(manager: EntityManager, id: string): Promise<BuildRow> {
    const row = await manager.getRepository(buildEntity).findOneBy({ id, deletedAt: IsNull() });
    if (row === null) throw notFound('build');
    return row;
  }

  async #keepBefore(manager: EntityManager, row: BuildRow, name: string | undefined): Promise<void> {
    if (name !== undefined) {
      await this.#insert(manager, row, 'set-aside', name);
      return;
    }
    const [last] = await manager
      .getRepository(revisionEntity)
      .find({ where: { buildId: row.id, reason: 'auto' }, order: { id: 'DESC' }, take: 1 });
    const age = last === undefined ? Infinity : this.#now().getTime() - Date.parse(last.createdAt);
    if (age >= AUTO_REVISION_MS) await this.#insert(manager, row, 'auto', null);
  }

  async #insert(
    manager: EntityManager,
    row: BuildRow,
    reason: RevisionReason,
    name: string | null,
  ): Promise<RevisionRow> {
    const revision = {
      buildId: row.id,
      version: row.version,
      name,
      reason,
      document: row.document,
      createdAt: this.#now().toISOString(),
    };
    const result = await manager.getRepository(revisionEntity).insert(revision);
    return { ...revision, id: Number(result.identifiers[0]?.['id']) };
  }
}
