import { createHash, randomBytes } from 'node:crypto';
import { setImmediate as immediate } from 'node:timers/promises';
import type { Saved } from '@apple-cart/contracts';
import type { Database } from '../database/database.ts';
import { chunkEntity, logEntity } from '../logs/log-store.ts';
import { photoEntity } from '../photos/photo-store.ts';
import { recordEntity } from '../records/record-row.ts';
import type { Stores } from '../stores.ts';
import type { Job } from './read-job.ts';

/** The same bytes: what came from a thread is no buffer any more. */
const bytes = (data: Uint8Array): Buffer => Buffer.from(data.buffer, data.byteOffset, data.byteLength);

/**
 * Takes a job in as a new build with all that belongs to it, or nothing of it. Records keep their times and order; their keys are kept
 * too unless some are here already (the same job, taken in twice), when all are made anew.
 */
export async function takeInJob({ builds }: Stores, database: Database, job: Job): Promise<Saved> {
  return database.write(async (manager) => {
    const records = manager.getRepository(recordEntity);
    const pictures = manager.getRepository(photoEntity);
    const taken = await Promise.all([
      ...job.records.map(({ key }) => records.existsBy({ key })),
      ...job.photos.map(({ key }) => pictures.existsBy({ key })),
      ...[...job.rides.keys()].map((key) => manager.getRepository(logEntity).existsBy({ key })),
    ]);
    const anew = taken.some(Boolean);
    const names = new Map<string, string>();
    const keyOf = (key: string): string => {
      if (!anew) return key;
      const known = names.get(key) ?? randomBytes(12).toString('hex');
      names.set(key, known);
      return known;
    };
    const saved = await builds.createWithin(manager, job.build);
    for (const { key, kind, parent, at, data } of job.records) {
      const corrected = corrects(data, keyOf);
      await records.insert({
        key: keyOf(key),
        buildId: saved.id,
        kind,
        parent: parent === null ? null : keyOf(parent),
        data: JSON.stringify(corrected),
        at,
      });
    }
    for (const { key, parent, step, at, data, width, height } of job.photos) {
      await pictures.insert({
        key: keyOf(key),
        buildId: saved.id,
        parent: keyOf(parent),
        step,
        at,
        width,
        height,
        size: data.length,
        sha256: createHash('sha256').update(data).digest('hex'),
        data: bytes(data),
      });
    }
    for (const [key, { head, chunks }] of job.rides) {
      const at = job.records.find((r) => r.key === key)?.at ?? '';
      await manager
        .getRepository(logEntity)
        .insert({ key: keyOf(key), buildId: saved.id, ...head, source: 'from a job file', at });
      for (const chunk of chunks) {
        await manager
          .getRepository(chunkEntity)
          .insert({ log: keyOf(key), ...chunk, data: bytes(chunk.data) });
        // The driver answers at once: others get their turn between.
        await immediate();
      }
    }
    return saved;
  });
}

/** A record that names another one that it puts right names it by its new key. */
function corrects(data: unknown, keyOf: (key: string) => string): unknown {
  if (typeof data !== 'object' || data === null || !('corrects' in data) || typeof data.corrects !== 'string')
    return data;
  return { ...data, corrects: keyOf(data.corrects) };
}
