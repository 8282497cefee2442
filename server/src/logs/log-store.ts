import { EntitySchema } from 'typeorm';
import { levelFor, rowsIn, type Numbers } from '@apple-cart/core';
import type { LogInfo, LogWindow, ToldAnalysis } from '@apple-cart/contracts';
import type { Database } from '../database/database.ts';
import { notFound } from '../http/problems.ts';
import { CHUNK, numbersOf } from './log-columns.ts';

interface LogRow {
  key: string;
  buildId: string;
  rows: number;
  levels: number;
  columns: string;
  analysis: string;
  source: string;
  at: string;
}
export const logEntity = new EntitySchema<LogRow>({
  name: 'ride-log',
  tableName: 'ride_logs',
  columns: {
    key: { type: 'varchar', primary: true },
    buildId: { type: 'varchar' },
    rows: { type: 'integer' },
    levels: { type: 'integer' },
    columns: { type: 'text' },
    analysis: { type: 'text' },
    source: { type: 'text' },
    at: { type: 'varchar' },
  },
  indices: [{ name: 'IDX_ride_logs_build', columns: ['buildId'] }],
});

interface ChunkRow {
  log: string;
  column: string;
  level: number;
  part: number;
  data: Buffer;
}
export const chunkEntity = new EntitySchema<ChunkRow>({
  name: 'ride-chunk',
  tableName: 'ride_chunks',
  columns: {
    log: { type: 'varchar', primary: true },
    column: { type: 'varchar', primary: true },
    level: { type: 'integer', primary: true },
    part: { type: 'integer', primary: true },
    data: { type: 'blob' },
  },
});

/** Rows of a recording that are asked for. */
export interface Asked {
  readonly columns: readonly string[];
  readonly from: number;
  readonly to: number;
  /** Buckets at most. */
  readonly most: number;
}

/** NaN has no place in JSON; nobody reads more than seven digits of a chart, but of seconds and metres. */
const told = (values: Numbers): (number | null)[] =>
  Array.from(values, (v) =>
    Number.isNaN(v) ? null : Number(v.toPrecision(values instanceof Float64Array ? 12 : 7)),
  );

/** Recordings of rides as they are asked for; they are written by the import alone. */
export class LogStore {
  readonly #database: Database;
  constructor(database: Database) {
    this.#database = database;
  }

  async list(buildId: string): Promise<readonly LogInfo[]> {
    const rows = await this.#database.reader
      .getRepository(logEntity)
      .find({ where: { buildId }, order: { at: 'ASC' } });
    return rows.map(infoOf);
  }

  has(key: string): Promise<boolean> {
    return this.#database.reader.getRepository(logEntity).existsBy({ key });
  }

  /** @throws Problem 404 where the build has no such recording */
  async #row(buildId: string, key: string): Promise<LogRow> {
    const row = await this.#database.reader.getRepository(logEntity).findOneBy({ buildId, key });
    if (row === null) throw notFound('recording');
    return row;
  }

  async info(buildId: string, key: string): Promise<LogInfo> {
    return infoOf(await this.#row(buildId, key));
  }

  /** The finest level that has at most so many buckets between two rows. @throws Problem 404 */
  async window(buildId: string, key: string, asked: Asked): Promise<LogWindow> {
    const row = await this.#row(buildId, key);
    const from = Math.max(0, Math.min(asked.from, row.rows));
    const to = Math.max(from, Math.min(asked.to, row.rows));
    const level = levelFor(to - from, row.levels, asked.most);
    const bucket = rowsIn(level);
    const there = new Set(JSON.parse(row.columns) as readonly string[]);
    const [first, last] = [Math.floor(from / bucket), Math.ceil(to / bucket)];
    const columns: LogWindow['columns'] = {};
    for (const name of asked.columns.filter((c) => there.has(c)))
      columns[name] =
        level === 0
          ? told(await this.values(key, name, first, last))
          : await this.#coarse(key, name, level, first, last);
    return { rows: row.rows, from: first * bucket, bucket, columns };
  }

  /** Values of a column, row by row. */
  async values(key: string, column: string, from: number, to: number): Promise<Numbers> {
    const parts = await this.#parts(key, column, 0, Math.floor(from / CHUNK), Math.ceil(to / CHUNK) - 1);
    const start = Math.floor(from / CHUNK) * CHUNK;
    const whole = numbersOf(column, Buffer.concat(parts));
    return whole.slice(from - start, to - start);
  }

  async #coarse(key: string, column: string, level: number, first: number, last: number) {
    const [min, max, mean] = (await this.#parts(key, column, level, 0, 2)).map((part) =>
      told(numbersOf(column, part).slice(first, last)),
    );
    return { min: min ?? [], max: max ?? [], mean: mean ?? [] };
  }

  async #parts(log: string, column: string, level: number, from: number, to: number): Promise<Buffer[]> {
    const rows = await this.#database.reader
      .getRepository(chunkEntity)
      .createQueryBuilder('c')
      .where('c.log = :log AND c.column = :column AND c.level = :level AND c.part BETWEEN :from AND :to', {
        log,
        column,
        level,
        from,
        to,
      })
      .orderBy('c.part')
      .getMany();
    return rows.map((r) => r.data);
  }
}

const infoOf = ({ key, rows, columns, analysis }: LogRow): LogInfo => ({
  key,
  rows,
  columns: JSON.parse(columns) as readonly string[],
  analysis: JSON.parse(analysis) as ToldAnalysis,
});
