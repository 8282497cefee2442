import { In, type EntityManager } from 'typeorm';
import {
  RECORD_PARENTS,
  isRecordKind,
  jsonText,
  readRecord,
  type Kept,
  type RecordKind,
} from '@apple-cart/core';
import type { RecordAnswer, RecordList, RecordsEverywhere } from '@apple-cart/contracts';
import type { Database } from '../database/database.ts';
import { Problem, badInput } from '../http/problems.ts';
import type { DocumentStore } from '../store/document-store.ts';
import { recordEntity, type RecordRow } from './record-row.ts';

/** A record as it is asked for, its data read already. */
export interface NewRecord {
  readonly key: string;
  readonly kind: RecordKind;
  readonly parent: string | null;
  readonly data: unknown;
}

/** Most records of one build: a bench run has about a hundred. */
const MOST_RECORDS = 20_000;
const tooMany = (): Problem =>
  new Problem(409, 'too-many', `A build keeps at most ${String(MOST_RECORDS)} records.`);

/**
 * Facts of builds: appended in the order in which they arrive, each under the key that its writer made, so that one that is sent
 * again is kept once. None is ever changed or taken out. `now` gives the time, so that tests can set it.
 */
export class RecordStore {
  readonly #database: Database;
  readonly #builds: Pick<DocumentStore<unknown>, 'get'>;
  readonly #now: () => Date;

  constructor(
    database: Database,
    builds: Pick<DocumentStore<unknown>, 'get'>,
    now: () => Date = () => new Date(),
  ) {
    this.#database = database;
    this.#builds = builds;
    this.#now = now;
  }

  /** Records of a build in their order, all or those of some kinds. @throws Problem 404, 410 for the build */
  async list(buildId: string, kinds: readonly RecordKind[] | undefined): Promise<RecordList> {
    await this.#builds.get(buildId);
    const rows = await this.#database.reader.getRepository(recordEntity).find({
      where: { buildId, ...(kinds === undefined ? {} : { kind: In([...kinds]) }) },
      order: { seq: 'ASC' },
    });
    const records: Kept[] = [];
    const broken: { key: string; kind: string }[] = [];
    for (const row of rows) {
      const one = keptOf(row);
      if (one === undefined) broken.push({ key: row.key, kind: row.kind });
      else records.push(one);
    }
    return { records, broken };
  }

  /** Records of one kind of every build, in their order; what cannot be read any more is left out: its own build names it. */
  async everywhere(kind: RecordKind): Promise<RecordsEverywhere> {
    const rows = await this.#database.reader
      .getRepository(recordEntity)
      .find({ where: { kind }, order: { seq: 'ASC' } });
    return {
      broken: [],
      records: rows.flatMap((row) => {
        const one = keptOf(row);
        return one === undefined ? [] : [{ ...one, build: row.buildId }];
      }),
    };
  }

  /**
   * Keeps a record. The same one sent again is answered as it was kept.
   * @throws Problem 404, 410 for the build; 409 for a key that holds something else; 400 for a parent that is not there
   */
  async append(buildId: string, record: NewRecord): Promise<RecordAnswer> {
    await this.#builds.get(buildId);
    return this.#database.write((manager) => this.appendWithin(manager, buildId, record));
  }

  /** The same within a transaction of somebody else's. */
  async appendWithin(manager: EntityManager, buildId: string, record: NewRecord): Promise<RecordAnswer> {
    const { key, kind, parent, data } = record;
    const repository = manager.getRepository(recordEntity);
    const text = JSON.stringify(data);
    const row = await repository.findOneBy({ key });
    if (row !== null) {
      if (row.buildId === buildId && row.kind === kind && row.parent === parent && row.data === text)
        return { key, seq: row.seq, at: row.at, known: true };
      throw new Problem(409, 'another-record', 'Another record was kept under this key.');
    }
    const wanted = RECORD_PARENTS[kind];
    if ((wanted === undefined) !== (parent === null))
      throw badInput([
        {
          code: 'text',
          path: 'parent',
          actual: parent,
          limit: wanted === undefined ? 'none' : `a ${wanted}`,
        },
      ]);
    if (parent !== null && !(await repository.existsBy({ key: parent, buildId, kind: wanted ?? '' })))
      throw badInput([
        { code: 'text', path: 'parent', actual: parent, limit: `a ${wanted ?? ''} of this build` },
      ]);
    if ((await repository.countBy({ buildId })) >= MOST_RECORDS) throw tooMany();
    const at = this.#now().toISOString();
    await repository.insert({ key, buildId, kind, parent, data: text, at });
    const { seq } = await repository.findOneByOrFail({ key });
    return { key, seq, at, known: false };
  }

  /**
   * Whether a record that something else is laid beside can be under a key: it is there already, or may still come, and when.
   * @throws Problem 404, 410 for the build; 409 for a key that holds something else, or too many
   */
  async mayHold(
    buildId: string,
    key: string,
    kind: RecordKind,
  ): Promise<{ readonly known: boolean; readonly at: string }> {
    await this.#builds.get(buildId);
    const repository = this.#database.reader.getRepository(recordEntity);
    const row = await repository.findOneBy({ key });
    if (row !== null && (row.buildId !== buildId || row.kind !== kind))
      throw new Problem(409, 'another-record', 'Another record was kept under this key.');
    if (row === null && (await repository.countBy({ buildId })) >= MOST_RECORDS) throw tooMany();
    return { known: row !== null, at: this.#now().toISOString() };
  }

  /** Whether a run of a build is there. */
  hasRun(buildId: string, key: string): Promise<boolean> {
    return this.#database.reader.getRepository(recordEntity).existsBy({ buildId, key, kind: 'bench-run' });
  }
}

function keptOf({ key, kind, seq, at, parent, data }: RecordRow): Kept | undefined {
  if (!isRecordKind(kind)) return undefined;
  const json = jsonText(data);
  if (!json.ok) return undefined;
  const read = readRecord(kind, json.value);
  return read.ok ? { key, kind, seq, at, parent, data: read.value } : undefined;
}
