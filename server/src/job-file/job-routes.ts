import express, { Router } from 'express';
import { fileName, type RuleBook } from '@apple-cart/core';
import type { Database } from '../database/database.ts';
import { badInput } from '../http/problems.ts';
import type { Stores } from '../stores.ts';
import { jobFile, readJob, takeInJob } from './job-file.ts';
import { MOST_ZIP_BYTES } from './zip.ts';

/** /api/jobs: a whole job out and in as one file. */
export function jobRoutes(stores: Stores, database: Database, book: () => Promise<RuleBook>): Router {
  const router = Router();

  router.get('/:id', async (request, response) => {
    const { documents } = await stores.parts.list();
    const { name, data } = await jobFile(
      stores,
      request.params.id,
      await book(),
      documents.map((p) => p.document),
    );
    response
      .attachment(fileName(name, 'applecart.zip'))
      .type('application/zip')
      .send(Buffer.from(data.buffer, data.byteOffset, data.byteLength));
  });

  router.post('/', express.raw({ type: () => true, limit: MOST_ZIP_BYTES }), async (request, response) => {
    const data: unknown = request.body;
    const job = readJob(Buffer.isBuffer(data) ? data : new Uint8Array());
    if (!job.ok) throw badInput(job.issues);
    response.status(201).json(await takeInJob(stores, database, job.value));
  });

  return router;
}
