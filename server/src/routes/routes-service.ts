import { randomUUID } from 'node:crypto';
import { IsNull } from 'typeorm';
import { routeSummary, type Route, type RouteSummary } from '@apple-cart/core';
import type { Database } from '../database/database.ts';
import { Problem, notFound } from '../http/problems.ts';
import { routeEntity, type RouteRow } from './route-entity.ts';

export interface StoredRoute {
  readonly id: string;
  readonly version: number;
  readonly route: Route;
}

export interface ListedRoute {
  readonly id: string;
  readonly version: number;
  readonly summary: RouteSummary;
}

// What is stored was validated when it came in.
const stored = (row: RouteRow): StoredRoute => ({
  id: row.id,
  version: row.version,
  route: JSON.parse(row.document) as Route,
});

const rowOf = (id: string, route: Route, version: number): RouteRow => ({
  id,
  name: route.name,
  version,
  summary: JSON.stringify(routeSummary(route)),
  document: JSON.stringify(route),
  deletedAt: null,
});

/** Routes, kept beside the builds that are ridden on them. */
export class RoutesService {
  readonly #database: Database;
  readonly #now: () => Date;

  constructor(database: Database, now: () => Date = () => new Date()) {
    this.#database = database;
    this.#now = now;
  }

  /** Every route by name, with what a list shows of it. */
  async list(): Promise<readonly ListedRoute[]> {
    const rows = await this.#database.reader.getRepository(routeEntity).find({
      select: { id: true, version: true, summary: true },
      where: { deletedAt: IsNull() },
      order: { name: 'ASC', id: 'ASC' },
    });
    return rows.map((row) => ({
      id: row.id,
      version: row.version,
      summary: JSON.parse(row.summary) as RouteSummary,
    }));
  }

  /** @throws Problem 404 when there is none of that id. */
  async read(id: string): Promise<StoredRoute> {
    const row = await this.#database.reader.getRepository(routeEntity).findOneBy({ id, deletedAt: IsNull() });
    if (row === null) throw notFound('route');
    return stored(row);
  }

  async create(route: Route): Promise<StoredRoute> {
    const row = rowOf(randomUUID(), route, 1);
    await this.#database.write((manager) => manager.getRepository(routeEntity).insert(row));
    return stored(row);
  }

  /** Replaces the version that the editor began from. @throws Problem 404, or 409 with the route as it is. */
  async save(id: string, route: Route, baseVersion: number): Promise<StoredRoute> {
    return this.#database.write(async (manager) => {
      const repository = manager.getRepository(routeEntity);
      const row = await repository.findOneBy({ id, deletedAt: IsNull() });
      if (row === null) throw notFound('route');
      if (row.version !== baseVersion)
        throw new Problem(409, 'conflict', 'This route has been changed in another window.', {
          current: stored(row),
        });
      const next = rowOf(id, route, row.version + 1);
      await repository.save(next);
      return stored(next);
    });
  }

  /** Puts a route away; a build that names it says that it is gone. @throws Problem 404 when it is not there. */
  async remove(id: string): Promise<void> {
    await this.#database.write(async (manager) => {
      const repository = manager.getRepository(routeEntity);
      const row = await repository.findOneBy({ id, deletedAt: IsNull() });
      if (row === null) throw notFound('route');
      await repository.update({ id }, { deletedAt: this.#now().toISOString(), version: row.version + 1 });
    });
  }

  /** Brings a route back that was put away, as it was. @throws Problem 404 when there is none of that id. */
  async restore(id: string): Promise<StoredRoute> {
    return this.#database.write(async (manager) => {
      const repository = manager.getRepository(routeEntity);
      const row = await repository.findOneBy({ id });
      if (row === null) throw notFound('route');
      const next = { ...row, deletedAt: null, version: row.version + 1 };
      await repository.save(next);
      return stored(next);
    });
  }

  /** Adds sample routes that were never there; one that is there, or was put away, is left as it is. */
  async addMissing(routes: ReadonlyMap<string, Route>): Promise<number> {
    return this.#database.write(async (manager) => {
      const repository = manager.getRepository(routeEntity);
      const there = new Set((await repository.find({ select: { id: true } })).map((row) => row.id));
      const missing = [...routes].filter(([id]) => !there.has(id));
      await repository.insert(missing.map(([id, route]) => rowOf(id, route, 1)));
      return missing.length;
    });
  }
}
