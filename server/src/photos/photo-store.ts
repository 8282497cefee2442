import { createHash } from 'node:crypto';
import { EntitySchema } from 'typeorm';
import { MOST_PHOTOS, type PhotoInfo } from '@apple-cart/contracts';
import type { Database } from '../database/database.ts';
import { Problem, notFound } from '../http/problems.ts';
import type { RecordStore } from '../records/record-store.ts';
import { lookAtJpeg } from './jpeg.ts';

interface PhotoRow extends PhotoInfo {
  buildId: string;
  sha256: string;
  data: Buffer;
}

export const photoEntity = new EntitySchema<PhotoRow>({
  name: 'photo',
  tableName: 'photos',
  columns: {
    key: { type: 'varchar', primary: true },
    buildId: { type: 'varchar' },
    parent: { type: 'varchar' },
    step: { type: 'varchar' },
    sha256: { type: 'varchar' },
    size: { type: 'integer' },
    width: { type: 'integer' },
    height: { type: 'integer' },
    at: { type: 'varchar' },
    // A list stays cheap: the picture is only read where it is asked for.
    data: { type: 'blob', select: false },
  },
  indices: [{ name: 'IDX_photos_build', columns: ['buildId', 'parent'] }],
});

/** A photograph to keep: its bytes, the run and the step that it shows. */
export interface NewPhoto {
  readonly key: string;
  readonly parent: string;
  readonly step: string;
  readonly data: Buffer;
}

/** Photographs of bench runs, in the database, looked at before they are kept. */
export class PhotoStore {
  readonly #database: Database;
  readonly #records: Pick<RecordStore, 'hasRun'>;
  readonly #now: () => Date;

  constructor(database: Database, records: Pick<RecordStore, 'hasRun'>, now: () => Date = () => new Date()) {
    this.#database = database;
    this.#records = records;
    this.#now = now;
  }

  list(buildId: string): Promise<PhotoInfo[]> {
    return this.#database.reader.getRepository(photoEntity).find({
      select: { key: true, parent: true, step: true, size: true, width: true, height: true, at: true },
      where: { buildId },
      order: { at: 'ASC', key: 'ASC' },
    });
  }

  /** @throws Problem 404 when there is none of that key in the build. */
  async picture(buildId: string, key: string): Promise<{ readonly data: Buffer; readonly sha256: string }> {
    const row = await this.#database.reader
      .getRepository(photoEntity)
      .createQueryBuilder('p')
      .addSelect('p.data')
      .where('p.key = :key AND p.buildId = :buildId', { key, buildId })
      .getOne();
    if (row === null) throw notFound('photograph');
    return { data: row.data, sha256: row.sha256 };
  }

  /**
   * Keeps a photograph; the same one sent again is kept once.
   * @throws Problem 415 for what is no plain JPEG, 404 for a run that is not there, 409 for another picture of the same key or too many
   */
  async add(buildId: string, { key, parent, step, data }: NewPhoto): Promise<{ readonly known: boolean }> {
    const look = lookAtJpeg(data);
    if (!look.ok) throw new Problem(415, 'no-photograph', `This photograph is not taken: ${look.why}.`);
    if (!(await this.#records.hasRun(buildId, parent))) throw notFound('bench run');
    const sha256 = createHash('sha256').update(data).digest('hex');
    return this.#database.write(async (manager) => {
      const repository = manager.getRepository(photoEntity);
      const row = await repository.findOneBy({ key });
      if (row !== null) {
        if (row.sha256 === sha256 && row.buildId === buildId) return { known: true };
        throw new Problem(409, 'another-record', 'Another photograph was kept under this key.');
      }
      if ((await repository.countBy({ buildId, parent })) >= MOST_PHOTOS)
        throw new Problem(409, 'too-many', `A run keeps at most ${String(MOST_PHOTOS)} photographs.`);
      const { width, height } = look;
      const at = this.#now().toISOString();
      await repository.insert({
        key,
        buildId,
        parent,
        step,
        sha256,
        size: data.length,
        width,
        height,
        at,
        data,
      });
      return { known: false };
    });
  }
}
