import { In, IsNull } from 'typeorm';
import { part, type Part } from '@apple-cart/core';
import type { Database } from '../database/database.ts';
import { Problem, notFound } from '../http/problems.ts';
import { partEntity, type PartRow } from './part-entity.ts';

export interface StoredPart {
  readonly version: number;
  readonly part: Part;
}

const stored = (row: PartRow): StoredPart => ({
  version: row.version,
  part: part.parse(JSON.parse(row.document)),
});

const rowOf = (one: Part, version: number): PartRow => ({
  id: one.id,
  type: one.type,
  document: JSON.stringify(one),
  version,
  deletedAt: null,
});

/** The parts shelf. */
export class PartsService {
  readonly #database: Database;
  readonly #now: () => Date;

  constructor(database: Database, now: () => Date = () => new Date()) {
    this.#database = database;
    this.#now = now;
  }

  /** Everything on the shelf, by type and id. */
  async list(): Promise<readonly StoredPart[]> {
    const rows = await this.#database.reader
      .getRepository(partEntity)
      .find({ where: { deletedAt: IsNull() }, order: { type: 'ASC', id: 'ASC' } });
    return rows.map(stored);
  }

  /**
   * Puts a part on the shelf, or replaces the version that the editor began from (null: a new part).
   * @throws Problem 409 when the part has moved on meanwhile, with the part as it is.
   */
  async save(one: Part, baseVersion: number | null): Promise<StoredPart> {
    return this.#database.write(async (manager) => {
      const repository = manager.getRepository(partEntity);
      const row = await repository.findOneBy({ id: one.id });
      const here = row === null || row.deletedAt !== null ? null : row.version;
      if (here !== baseVersion) {
        throw new Problem(
          409,
          'conflict',
          here === null
            ? 'This part has been put away meanwhile.'
            : baseVersion === null
              ? 'There is a part with this id already.'
              : 'This part has been changed in another window.',
          row === null ? {} : { current: stored(row) },
        );
      }
      const next = rowOf(one, (row?.version ?? 0) + 1);
      await repository.save(next);
      return stored(next);
    });
  }

  /** Puts a part away. @throws Problem 404 when it is not on the shelf. */
  async remove(id: string): Promise<void> {
    await this.#database.write(async (manager) => {
      const repository = manager.getRepository(partEntity);
      const row = await repository.findOneBy({ id, deletedAt: IsNull() });
      if (row === null) throw notFound('part');
      await repository.update({ id }, { deletedAt: this.#now().toISOString(), version: row.version + 1 });
    });
  }

  /** Takes parts in, all or none: new ones are added, ones with an id that is there are replaced. */
  async takeIn(parts: readonly Part[]): Promise<{ readonly added: number; readonly replaced: number }> {
    return this.#database.write(async (manager) => {
      const repository = manager.getRepository(partEntity);
      const rows = await repository.findBy({ id: In(parts.map((p) => p.id)) });
      const versions = new Map(rows.map((row) => [row.id, row]));
      await repository.save(parts.map((p) => rowOf(p, (versions.get(p.id)?.version ?? 0) + 1)));
      const replaced = rows.filter((row) => row.deletedAt === null).length;
      return { added: parts.length - replaced, replaced };
    });
  }

  /** Adds parts that were never on the shelf; one that is there, or was put away, is left as it is. */
  async addMissing(parts: readonly Part[]): Promise<number> {
    return this.#database.write(async (manager) => {
      const repository = manager.getRepository(partEntity);
      const there = new Set((await repository.find({ select: { id: true } })).map((row) => row.id));
      const missing = parts.filter((p) => !there.has(p.id));
      await repository.insert(missing.map((p) => rowOf(p, 1)));
      return missing.length;
    });
  }
}
