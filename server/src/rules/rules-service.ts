import { IsNull } from 'typeorm';
import { readRulesText, shippedRules, type Issue, type PlaceRules, type RuleBook } from '@apple-cart/core';
import type { Database } from '../database/database.ts';
import { Problem, notFound } from '../http/problems.ts';
import { ruleEntity, type RuleRow } from './rule-entity.ts';

/** The rules of a place as they are in force, and who wrote them. */
export interface ListedRules {
  readonly rules: PlaceRules;
  readonly origin: 'shipped' | 'corrected' | 'own';
  /** 0 for rules that nobody has changed. */
  readonly version: number;
}

/** A stored file that cannot be used: the shipped one, or none, is in force instead. */
export interface BrokenRules {
  readonly id: string;
  readonly issues: readonly Issue[];
}

export interface Book {
  readonly places: readonly ListedRules[];
  readonly broken: readonly BrokenRules[];
}

const shipped = (id: string): PlaceRules | undefined => shippedRules().find((p) => p.id === id);

const listed = (rules: PlaceRules, version: number): ListedRules => ({
  rules,
  version,
  origin: version === 0 ? 'shipped' : shipped(rules.id) === undefined ? 'own' : 'corrected',
});

/** The rule book: what ships, with what users corrected in its place and what they added behind it. */
export class RulesService {
  readonly #database: Database;
  readonly #now: () => Date;

  constructor(database: Database, now: () => Date = () => new Date()) {
    this.#database = database;
    this.#now = now;
  }

  /** Everything in force. A stored file that does not validate is reported and left out, never used in part. */
  async book(): Promise<Book> {
    const rows = await this.#database.reader
      .getRepository(ruleEntity)
      .find({ where: { deletedAt: IsNull() }, order: { id: 'ASC' } });
    const read = rows.map((row) => ({ row, result: readRulesText(row.document) }));
    const changed = new Map(
      read.flatMap(({ row, result }) =>
        result.ok ? [[row.id, listed(result.value, row.version)] as const] : [],
      ),
    );
    return {
      places: [
        ...shippedRules().map((p) => changed.get(p.id) ?? listed(p, 0)),
        ...[...changed.values()].filter((p) => p.origin === 'own'),
      ],
      broken: read.flatMap(({ row, result }) => (result.ok ? [] : [{ id: row.id, issues: result.issues }])),
    };
  }

  /** The rules alone, for judging. */
  async inForce(): Promise<RuleBook> {
    return (await this.book()).places.map((p) => p.rules);
  }

  /**
   * Adds the rules of a place, or replaces the version that the editor began from (0: as shipped, or new).
   * @throws Problem 409 with the rules as they are when they have moved on.
   */
  async save(rules: PlaceRules, baseVersion: number): Promise<ListedRules> {
    return this.#database.write(async (manager) => {
      const repository = manager.getRepository(ruleEntity);
      const row = await repository.findOneBy({ id: rules.id });
      const here = row === null || row.deletedAt !== null ? 0 : row.version;
      if (here !== baseVersion) {
        throw new Problem(
          409,
          'conflict',
          baseVersion === 0
            ? 'There are rules of your own for this place already.'
            : 'These rules have been changed in another window.',
          row === null ? {} : { current: { version: here, document: row.document } },
        );
      }
      const next: RuleRow = {
        id: rules.id,
        version: (row?.version ?? 0) + 1,
        document: JSON.stringify(rules),
        deletedAt: null,
      };
      await repository.save(next);
      return listed(rules, next.version);
    });
  }

  /** Takes a user's rules out of force: what ships comes back. @throws Problem 404 when there are none. */
  async remove(id: string): Promise<void> {
    await this.#database.write(async (manager) => {
      const repository = manager.getRepository(ruleEntity);
      const row = await repository.findOneBy({ id, deletedAt: IsNull() });
      if (row === null) throw notFound('file of rules');
      await repository.update({ id }, { deletedAt: this.#now().toISOString() });
    });
  }

  /** Puts back what was taken out last. @throws Problem 404 when there is nothing, or it is in force. */
  async restore(id: string): Promise<ListedRules> {
    return this.#database.write(async (manager) => {
      const repository = manager.getRepository(ruleEntity);
      const row = await repository.findOneBy({ id });
      const read = row?.deletedAt == null ? undefined : readRulesText(row.document);
      if (row === null || read?.ok !== true) throw notFound('file of rules');
      await repository.update({ id }, { deletedAt: null });
      return listed(read.value, row.version);
    });
  }
}
