import { part, type Part } from '@apple-cart/core';
import type { Database } from '../database/database.ts';
import { partEntity } from './part-entity.ts';

/** The parts shelf. Editing comes with the shelf's own screen; so far it is filled with the demo data. */
export class PartsService {
  readonly #database: Database;

  constructor(database: Database) {
    this.#database = database;
  }

  async list(): Promise<readonly Part[]> {
    const rows = await this.#database.reader
      .getRepository(partEntity)
      .find({ order: { type: 'ASC', id: 'ASC' } });
    return rows.map((row) => part.parse(JSON.parse(row.document)));
  }

  /** Adds parts that are not on the shelf yet; a part already there is left as it is. */
  async addMissing(parts: readonly Part[]): Promise<number> {
    return this.#database.write(async (manager) => {
      const repository = manager.getRepository(partEntity);
      const there = new Set((await repository.find({ select: { id: true } })).map((row) => row.id));
      const missing = parts.filter((p) => !there.has(p.id));
      await repository.insert(missing.map((p) => ({ id: p.id, type: p.type, document: JSON.stringify(p) })));
      return missing.length;
    });
  }
}
